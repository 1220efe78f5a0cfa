'use server'

import { refresh } from 'next/cache'
import { starter } from '@/core/rules/starters'
import { SetName } from '@/core/set/names'
import { database } from '@/server/database/database'
import { addDemoSets } from '@/server/demo'
import { done, failed, type Result } from '@/server/result'
import { tell } from '@/server/events'
import { faultSentence } from '@/server/fault-sentence'
import { renderer } from '@/server/renderer/renderer'
import { rowsOfSet } from '@/server/set-rows'
import { addSet, deleteSet, duplicateSet, renameSet, restoreSet } from '@/server/sets'

async function refreshed<T>(act: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    const settled = await act()
    tell({ kind: 'shelf' })
    refresh()
    return settled
  } catch (error) {
    return failed('unavailable', faultSentence(error))
  }
}

/** Sends the change of a set to the windows that show it. */
function toldOf<T>(settled: T): T {
  tell({ kind: 'again' })
  return settled
}

/** Makes a set from one of the rule books. */
export async function createSet(starterId: string, name: string): Promise<Result<string>> {
  const book = starter(starterId)
  if (!book) return failed('invalid', 'There is no such rule book.')
  const parsed = SetName.safeParse(name)
  if (!parsed.success) return failed('invalid', parsed.error.issues[0]!.message)
  return refreshed(async () =>
    done(
      (await addSet(await database(), rowsOfSet({ name: parsed.data, kind: book.kind, rules: book.rules, icons: [] })))
        .id,
    ),
  )
}

export async function renameOnShelf(id: string, name: string): Promise<Result<string>> {
  return refreshed(async () => toldOf(await renameSet(await database(), id, name)))
}

export async function duplicateOnShelf(id: string): Promise<Result<string>> {
  return refreshed(async () => duplicateSet(await database(), id))
}

export async function deleteFromShelf(id: string): Promise<Result<null>> {
  return refreshed(async () => toldOf(await deleteSet(await database(), id)))
}

export async function restoreToShelf(id: string): Promise<Result<null>> {
  return refreshed(async () => restoreSet(await database(), id))
}

/** Puts fresh copies of the demo sets on the shelf. */
export async function openDemo(): Promise<Result<null>> {
  return refreshed(async () => {
    await addDemoSets(await database(), renderer())
    return done(null)
  })
}
