import { buildDatabaseCommand, buildRenderer } from './bin/prepare.mjs'

/** The server's threads and its copies of the database run built files. */
export function setup() {
  buildRenderer()
  buildDatabaseCommand()
}
