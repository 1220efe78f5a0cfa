#!/usr/bin/env node
// Copies a database as it is at one moment, compact, while it is used: `node bin/copy.mjs FROM TO`.
import { existsSync, renameSync, rmSync } from 'node:fs'
import Database from 'better-sqlite3'

const [from, to] = process.argv.slice(2)
const part = `${to}.part`
rmSync(part, { force: true })
try {
  const file = new Database(from, { readonly: true, fileMustExist: true })
  file.prepare('vacuum into ?').run(part)
  file.close()
  renameSync(part, to)
} catch (error) {
  if (existsSync(part)) rmSync(part, { force: true })
  console.error(error.message)
  process.exit(1)
}
