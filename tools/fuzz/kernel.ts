// Compares booleans with the oracle on random cases, half of them with shapes that nearly coincide: npm run fuzz --
// [COUNT] [FIRST SEED]. Prints the seeds that fail.
import { faultOf } from '../../src/testing/kernel-faults'

const count = Number(process.argv[2] ?? 1000),
  first = Number(process.argv[3] ?? 1)
let failed = 0
const start = Date.now()
for (let seed = first; seed < first + count; seed++) {
  const fault = faultOf(seed)
  if (fault && ++failed <= 12) console.log(`seed ${seed}: ${fault.slice(0, 300)}`)
}
console.log(`${count} cases, ${failed} failed, ${Date.now() - start} ms`)
