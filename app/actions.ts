'use server'

import { refresh } from 'next/cache'
import { starter } from '@/core/rules/starters'
import { SetName } from '@/core/set/names'
import { database } from '@/server/database'
import { addDemoSets } from '@/server/demo'
import { failed, type Result } from '@/server/failure'
import { addSet, deleteSet, duplicateSet, renameSet, restoreSet } from '@/server/sets'

async function refreshed<T>(result: Promise<Result<T>>): Promise<Result<T>> {
  const settled = await result
  refresh()
  return settled
}

/** Makes a set from one of the rule books. */
export async function createSet(starterId: string, name: string): Promise<Result<string>> {
  const book = starter(starterId)
  if (!book) return failed('invalid', 'There is no such rule book.')
  const parsed = SetName.safeParse(name)
  if (!parsed.success) return failed('invalid', parsed.error.issues[0]!.message)
  return refreshed(addSet(await database(), { name: parsed.data, kind: book.kind, rules: book.rules, icons: [] }))
}

export async function renameOnShelf(id: string, name: string): Promise<Result<string>> {
  return refreshed(renameSet(await database(), id, name))
}

export async function duplicateOnShelf(id: string): Promise<Result<string>> {
  return refreshed(duplicateSet(await database(), id))
}

export async function deleteFromShelf(id: string): Promise<Result<null>> {
  return refreshed(deleteSet(await database(), id))
}

export async function restoreToShelf(id: string): Promise<Result<null>> {
  return refreshed(restoreSet(await database(), id))
}

/** Puts fresh copies of the demo sets on the shelf. */
export async function openDemo(): Promise<void> {
  await addDemoSets(await database())
  refresh()
}
