// Compares the outlines of curves that all but return on themselves with what a stroke is by definition: npm run
// fuzz:cusps -- [COUNT] [FIRST SEED]. Prints the seeds that fail, and how many are refused.
import { outlineFault } from '../../src/testing/cusps'

const count = Number(process.argv[2] ?? 2000),
  first = Number(process.argv[3] ?? 1)
let wrong = 0,
  refused = 0
const start = Date.now()
for (let seed = first; seed < first + count; seed++) {
  try {
    const fault = outlineFault(seed)
    if (fault && ++wrong <= 12) console.log(`seed ${seed}: ${fault}`)
  } catch (error) {
    if (++refused <= 5) console.log(`seed ${seed} is refused: ${String(error).slice(0, 160)}`)
  }
}
console.log(`${count} curves, ${wrong} wrong, ${refused} refused, ${Date.now() - start} ms`)
