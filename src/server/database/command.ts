// Copies or restores a database in its own process: node command.js copy FROM TO, node command.js restore FOLDER [NAME].
import { resolve } from 'node:path'
import { faultSentence } from '../fault-sentence'
import { writeCopy } from './copies'
import { restore } from './restore'

const [act, from = '', to] = process.argv.slice(2)
try {
  if (act === 'copy') writeCopy(from, to!)
  else {
    const { from: copy, aside } = restore(resolve(from), to)
    process.stdout.write(`The shelf is as in “${copy}”.${aside === null ? '' : ` What was there is in ${aside}.`}\n`)
  }
} catch (error) {
  const isOwn = error instanceof Error && !('code' in error)
  process.stderr.write(`${isOwn ? error.message : faultSentence(error)}\n`)
  process.exitCode = 1
}
