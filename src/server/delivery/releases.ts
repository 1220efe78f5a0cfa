import {
  type Changes,
  changesWith,
  type Delivered,
  type DeliveredIcon,
  type DeliveredPath,
  iconsIn,
  type ShownIcon,
} from '../../core/targets/compare'
import { releaseRefusal } from '../../core/targets/release-refusal'
import type { ReleaseEntry } from '../../core/targets/run'
import type { Db } from '../database/database'
import { drawnIcons } from '../drawn'
import { done, failed, type Result } from '../result'
import type { Renderer } from '../renderer/renderer'
import { picturesOf } from '../set-files'
import { GONE } from '../set-row'
import { readSet } from '../sets'
import { archiveStream, bytesOf } from './archive-stream'
import { readStoredSet } from './stored-set'
import { holdRun, knownTargets } from './runs'

/** The longest note of a release. */
const NOTE = 2000

/** Stores the current delivery of a set as its next release. Refused if an icon cannot be drawn. */
export async function addRelease(
  db: Db,
  renderer: Renderer,
  setId: string,
  targets: readonly string[],
  note: string,
): Promise<Result<ReleaseEntry>> {
  if (note.length > NOTE) return failed('invalid', `A note has at most ${NOTE} characters.`)
  const stored = await readStoredSet(db, setId)
  if (!stored) return failed('not-found', GONE)
  if (stored.family.icons.length === 0) return failed('invalid', 'There is no icon to deliver yet.')
  if (targets.length === 0) return failed('invalid', 'Choose at least one target.')
  const run = holdRun(db, renderer, stored, knownTargets(targets))
  await run.ended
  const refusal = releaseRefusal(run.problems, run.leftOut)
  if (refusal !== null) return failed('invalid', refusal)
  if (run.progress.state !== 'done' || !run.spool)
    return failed('unavailable', run.progress.message ?? 'The delivery was cancelled.')
  const files = run.spool.files,
    archive = await bytesOf(archiveStream(run.spool))
  const icons = await deliveredIcons(db, renderer, setId)
  const now = await readSet(db, setId)
  if (now?.revision !== stored.revision)
    return failed('conflict', 'The set was changed while its release was made; make it again.')
  const pictures = await picturesOf(db, now.rows)
  const setFile = await renderer.run('writeFile', { rows: now.rows, pictures: pictures.ok ? pictures.value : {} })
  return db.transaction().execute(async (tx) => {
    const last = await tx
      .selectFrom('releases')
      .select(({ fn }) => fn.max('number').as('number'))
      .where('set_id', '=', setId)
      .executeTakeFirst()
    const number = (last?.number ?? 0) + 1,
      made_at = new Date().toISOString()
    await tx
      .insertInto('releases')
      .values({
        set_id: setId,
        number,
        note: note.trim(),
        made_at,
        files: JSON.stringify(files),
        icons: JSON.stringify(icons),
        icon_count: icons.length,
        file_count: files.length,
        set_file: Buffer.from(setFile),
        has_pictures: pictures.ok ? 1 : 0,
        archive: Buffer.from(archive.buffer, archive.byteOffset, archive.byteLength),
      })
      .execute()
    return done({
      number,
      note: note.trim(),
      madeAt: made_at,
      icons: icons.length,
      files: files.length,
      bytes: archive.length,
      hasPictures: pictures.ok,
    })
  })
}

async function deliveredIcons(db: Db, renderer: Renderer, setId: string): Promise<DeliveredIcon[]> {
  const drawn = await drawnIcons(db, renderer, setId, 'all')
  const icons = drawn.flatMap(({ id, name, picture }) => (picture ? [{ id, name, picture }] : []))
  const documents = await renderer.run(
    'documents',
    icons.map(({ picture }) => picture),
  )
  return icons.map(({ id, name }, i) => ({ id, name, svg: documents[i]! }))
}

/** The releases of a set, latest first. */
export async function listReleases(db: Db, setId: string): Promise<ReleaseEntry[]> {
  const rows = await db
    .selectFrom('releases')
    .select(['number', 'note', 'made_at', 'icon_count', 'file_count', 'has_pictures'])
    .select(({ fn }) => fn<number>('length', ['archive']).as('bytes'))
    .where('set_id', '=', setId)
    .orderBy('number', 'desc')
    .execute()
  return rows.map(({ number, note, made_at, icon_count, file_count, bytes, has_pictures }) => ({
    number,
    note,
    madeAt: made_at,
    icons: icon_count,
    files: file_count,
    bytes,
    hasPictures: has_pictures === 1,
  }))
}

/** The archive of a release, byte for byte; null if there is none. */
export async function releaseArchive(db: Db, setId: string, number: number): Promise<Buffer | null> {
  const row = await db
    .selectFrom('releases')
    .select('archive')
    .where('set_id', '=', setId)
    .where('number', '=', number)
    .executeTakeFirst()
  return row?.archive ?? null
}

/** The icons and files of a release; null if there is none. */
export async function releasedIn(db: Db, setId: string, number: number): Promise<Delivered | null> {
  const row = await db
    .selectFrom('releases')
    .select(['icons', 'files'])
    .where('set_id', '=', setId)
    .where('number', '=', number)
    .executeTakeFirst()
  return row
    ? { icons: JSON.parse(row.icons) as DeliveredIcon[], files: JSON.parse(row.files) as DeliveredPath[] }
    : null
}

/** The icons and files of a delivery of the current set; without targets the icons alone. */
export async function deliveredNow(
  db: Db,
  renderer: Renderer,
  setId: string,
  targets: readonly string[],
): Promise<Result<Delivered>> {
  const stored = await readStoredSet(db, setId)
  if (!stored) return failed('not-found', GONE)
  const icons = await deliveredIcons(db, renderer, setId)
  if (targets.length === 0) return done({ icons, files: [] })
  const run = holdRun(db, renderer, stored, knownTargets(targets))
  await run.ended
  if (run.progress.state !== 'done' || !run.spool)
    return failed('unavailable', run.progress.message ?? 'The delivery was cancelled.')
  return done({ icons, files: run.spool.files })
}

/** Changes with the pictures of their icons, read from the documents that were delivered. */
export async function shownChanges(renderer: Renderer, changes: Changes): Promise<Changes<ShownIcon>> {
  const documents = [...new Set(iconsIn(changes).map(({ svg }) => svg))]
  const pictures = await renderer.run('picturesOf', documents)
  const known = new Map(documents.map((svg, i) => [svg, pictures[i]!]))
  return changesWith(changes, (icon) => ({ ...icon, picture: known.get(icon.svg) ?? null }))
}
