#!/usr/bin/env node
// Names that are exported and used in no other file: each is either dead or need not be exported. By words, so that it
// says nothing where a name is also used elsewhere for something else.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './prepare.mjs'

/** What frameworks ask for by name. */
const ASKED_FOR = /^(?:GET|POST|PUT|PATCH|DELETE|dynamic|runtime|metadata|register|default|viewport|generateMetadata)$/

function* files(folder) {
  for (const entry of readdirSync(join(root, folder), { withFileTypes: true })) {
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* files(path)
    else if (/\.(?:ts|tsx|mjs)$/.test(entry.name)) yield path
  }
}

const texts = new Map(
  ['src', 'app', 'e2e', 'tools', 'bin'].flatMap((folder) =>
    [...files(folder)].map((path) => [path, readFileSync(join(root, path), 'utf8')]),
  ),
)
/** In how many files each word stands. */
const counts = new Map()
for (const text of texts.values())
  for (const word of new Set(text.match(/[A-Za-z_$][\w$]*/g))) counts.set(word, (counts.get(word) ?? 0) + 1)

const unused = []
for (const [path, text] of texts) {
  if (!path.startsWith('src/') || /\.test\.tsx?$/.test(path)) continue
  for (const { 1: name, index } of text.matchAll(
    /^export (?:async )?(?:const|let|function\*?|class|type|enum) ([A-Za-z_$][\w$]*)/gm,
  )) {
    // In a template it is part of a file that is written.
    const isText = text.slice(0, index).split('`').length % 2 === 0
    if (counts.get(name) === 1 && !isText && !ASKED_FOR.test(name)) unused.push(`${path}: ${name}`)
  }
}
for (const one of unused) console.log(one)
if (unused.length > 0) {
  console.log(`${unused.length} exported names are used in their own file only.`)
  process.exit(1)
}
