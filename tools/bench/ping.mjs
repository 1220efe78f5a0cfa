// Asks a server for something small again and again, from a thread of its own, and says how long the slowest answer
// took.
import { parentPort, workerData } from 'node:worker_threads'

let going = true,
  count = 0,
  slowest = 0
parentPort.on('message', () => (going = false))
while (going) {
  const start = performance.now()
  await fetch(`${workerData}/api/sets/none`)
    .then((answer) => answer.text())
    .catch(() => undefined)
  count++
  slowest = Math.max(slowest, performance.now() - start)
  await new Promise((resolve) => setTimeout(resolve, 30))
}
parentPort.postMessage({ count, slowest })
