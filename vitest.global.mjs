import { buildCommandLine, buildDatabaseCommand, buildRenderer } from './bin/prepare.mjs'

/** The server's threads, its copies of the database and the command line run built files. */
export function setup() {
  buildRenderer()
  buildDatabaseCommand()
  buildCommandLine()
}
