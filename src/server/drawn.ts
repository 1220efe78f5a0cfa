import pLimit from 'p-limit'
import type { Drawn } from '../core/picture/drawn'
import type { Db } from './database/database'
import type { Shown } from './renderer/tasks'
import { inOrder } from './set-rows'
import { fingerprint } from './renderer/fingerprint'
import type { Renderer } from './renderer/renderer'
import { isTaskEnded } from './renderer/task-ended'

/** An icon of a set and how it is drawn, or that it is not drawn yet. */
export type DrawnIcon = { readonly id: string; readonly name: string } & (
  Drawn | { readonly pending: true; readonly picture?: undefined; readonly problem?: undefined }
)

/** Icons shown: the first so many in the order of the family, those of given ids, or all. */
export type Which = { readonly first: number } | { readonly ids: readonly string[] } | 'all'

/**
 * Drawn icons of a set, in the order of the family. Missing and outdated drawings are made and stored. Icons that take
 * longer than `patience` (milliseconds) are pending and continue in the background.
 */
export async function drawnIcons(
  db: Db,
  renderer: Renderer,
  setId: string,
  which: Which,
  patience = Infinity,
): Promise<DrawnIcon[]> {
  const drawing = drawStale(db, renderer, setId, which)
  // Who does not wait for its end does not hear of its failure either; it is drawn when it is asked for again.
  drawing.catch(() => undefined)
  await inTime(drawing, patience)
  const order = await orderOf(db, setId)
  const rows = await iconsOf(db, setId, which, order)
    .select(['drawn.picture', 'drawn.others', 'drawn.problem'])
    .execute()
  const own = await fingerprint()
  return inOrder(rows, order).map((row): DrawnIcon => {
    const { id, name, picture, others, problem } = row
    const hung = holds(row, own) ? undefined : hanging.get(keyOf(setId, row))
    if (hung) return { id, name, problem: hung.problem }
    if (!holds(row, own)) return { id, name, pending: true }
    return picture !== null
      ? { id, name, picture, ...(others !== null && { others: JSON.parse(others) }) }
      : { id, name, problem: problem ?? 'It cannot be drawn.' }
  })
}

/** How many icons each one who asks has drawn at once: whoever asks for a few does not wait for who asks for all. */
const AT_ONCE = 4

/** Draws and stores all missing and outdated icons, in the order of the family. */
async function drawStale(db: Db, renderer: Renderer, setId: string, which: Which): Promise<void> {
  const own = await fingerprint(),
    order = await orderOf(db, setId)
  const rows = await iconsOf(db, setId, which, order)
    .where((eb) =>
      eb.or([
        eb('drawn.drawn_by', 'is', null),
        eb('drawn.drawn_by', '!=', own),
        eb('drawn.icon_revision', '!=', eb.ref('icons.revision')),
        eb('drawn.rules_revision', '!=', eb.ref('sets.rules_revision')),
      ]),
    )
    .execute()
  const now = performance.now()
  const isDue = (row: Row) => !(now < (hanging.get(keyOf(setId, row))?.until ?? 0))
  const turn = pLimit(AT_ONCE)
  await Promise.all(
    inOrder(rows, order)
      .filter(isDue)
      .map((row) => turn(() => drawOnce(db, renderer, setId, row))),
  )
}

/** Waits for something, but no longer than so many milliseconds; true when it is done. */
export async function inTime(doing: Promise<unknown>, patience: number): Promise<boolean> {
  if (patience === Infinity) return doing.then(() => true)
  let timer: NodeJS.Timeout | undefined
  const over = new Promise<boolean>((resolve) => (timer = setTimeout(() => resolve(false), patience)))
  return Promise.race([doing.then(() => true), over]).finally(() => clearTimeout(timer))
}

/** Draws changed icons in the background after a save. Failures are tried again on the next request. */
export function drawSoon(db: Db, renderer: Renderer, setId: string): void {
  drawStale(db, renderer, setId, 'all').catch(() => undefined)
}

/** The order of a set's icons, as JSON. */
const orderOf = async (db: Db, setId: string): Promise<string> =>
  (await db.selectFrom('sets').select('icon_order').where('id', '=', setId).executeTakeFirst())?.icon_order ?? '[]'

function iconsOf(db: Db, setId: string, which: Which, order: string) {
  const query = db
    .selectFrom('icons')
    .innerJoin('sets', 'sets.id', 'icons.set_id')
    .leftJoin('drawn', (join) =>
      join.onRef('drawn.set_id', '=', 'icons.set_id').onRef('drawn.icon_id', '=', 'icons.id'),
    )
    .where('icons.set_id', '=', setId)
    .where('icons.deleted_at', 'is', null)
    .select(['icons.id', 'icons.name', 'icons.revision', 'sets.rules_revision as rulesRevision'])
    .select(['drawn.icon_revision as drawnOf', 'drawn.rules_revision as drawnUnder', 'drawn.drawn_by as drawnBy'])
  if (which === 'all') return query
  const ids = 'first' in which ? (JSON.parse(order) as string[]).slice(0, which.first) : which.ids
  return query.where('icons.id', 'in', ids)
}

type Row = Awaited<ReturnType<ReturnType<typeof iconsOf>['execute']>>[number]

/** Whether a stored drawing belongs to the current icon, rules and program. */
const holds = ({ revision, rulesRevision, drawnOf, drawnUnder, drawnBy }: Row, own: string): boolean =>
  drawnOf === revision && drawnUnder === rulesRevision && drawnBy === own

type Stale = Pick<Row, 'id' | 'revision' | 'rulesRevision'>

/**
 * Drawings that timed out, by set, icon and revisions: the reason, and the time until which they are not tried again.
 * Not stored, because the machine may have been busy.
 */
const hanging = new Map<string, { readonly problem: string; readonly until: number }>()
/** Pause before a timed-out drawing is tried again, in milliseconds, and greatest number of remembered ones. */
const REST = 60_000,
  KNOWN = 500

const keyOf = (setId: string, { id, revision, rulesRevision }: Stale): string =>
  [setId, id, revision, rulesRevision].join(' ')

/** Icons that are being drawn, by set, icon and revisions, so that none is drawn twice at once. */
const underway = new Map<string, Promise<void>>()

function drawOnce(db: Db, renderer: Renderer, setId: string, icon: Stale): Promise<void> {
  const key = keyOf(setId, icon)
  let drawing = underway.get(key)
  if (!drawing) {
    drawing = draw(db, renderer, setId, icon).finally(() => underway.delete(key))
    underway.set(key, drawing)
  }
  return drawing
}

/** How long an icon may take to be drawn with the others, and how long apart from them, in milliseconds of its thread. */
const QUICK = 1500,
  LONG = 10_000

async function draw(db: Db, renderer: Renderer, setId: string, { id, revision, rulesRevision }: Stale): Promise<void> {
  const row = await db
    .selectFrom('icons')
    .innerJoin('sets', 'sets.id', 'icons.set_id')
    .where('icons.set_id', '=', setId)
    .where('icons.id', '=', id)
    .select(['icons.masters', 'sets.rules', 'icons.revision', 'sets.rules_revision'])
    .executeTakeFirst()
  // Changed meanwhile: whoever changed it has it drawn.
  if (!row || row.revision !== revision || row.rules_revision !== rulesRevision) return
  const quick = await drawnBy('draw', QUICK)
  const isSlow = quick.hung || (quick.drawn.problem !== undefined && quick.drawn.isSlow)
  const { drawn, snags } = isSlow ? await drawnBy('drawSlowly', LONG) : quick
  const { picture, problem } = drawn
  // What took too long, even by itself, is not stored: it may have been the machine.
  if (drawn.problem !== undefined && drawn.isSlow) {
    if (hanging.size >= KNOWN) hanging.clear()
    hanging.set(keyOf(setId, { id, revision, rulesRevision }), { problem: problem!, until: performance.now() + REST })
    return
  }
  hanging.delete(keyOf(setId, { id, revision, rulesRevision }))
  const others = drawn.picture && drawn.others
  async function drawnBy(task: 'draw' | 'drawSlowly', limit: number): Promise<Shown & { readonly hung?: true }> {
    try {
      return await renderer.run(task, { masters: row!.masters, rules: row!.rules, limit })
    } catch (error) {
      if (isTaskEnded(error)) return { drawn: { problem: error.message, isSlow: true }, snags: null, hung: true }
      throw error
    }
  }
  const values = {
    set_id: setId,
    icon_id: id,
    icon_revision: revision,
    rules_revision: rulesRevision,
    drawn_by: await fingerprint(),
    picture: picture ?? null,
    others: others ? JSON.stringify(others) : null,
    problem: problem ?? null,
    snags,
  }
  await db
    .insertInto('drawn')
    .values(values)
    .onConflict((on) => on.columns(['set_id', 'icon_id']).doUpdateSet(values))
    .execute()
}
