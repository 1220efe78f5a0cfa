import type { Drawn } from '../core/formats/drawn'
import type { Db } from './database'
import type { Renderer } from './renderer/renderer'
import { TaskEnded } from './renderer/renderer'
import { fingerprint } from './renderer/fingerprint'

/** An icon of a set and how it is drawn. */
export type DrawnIcon = { readonly id: string; readonly name: string } & Drawn

/** Which icons: the first so many in the order of the family, those of given ids, or all. */
export type Which = { readonly first: number } | { readonly ids: readonly string[] } | 'all'

/** Icons of a set as they are drawn, in the order of the family. What is not kept, or no longer holds, is drawn and kept. */
export async function drawnIcons(db: Db, renderer: Renderer, setId: string, which: Which): Promise<DrawnIcon[]> {
  const stale = await staleIcons(db, setId, which)
  await Promise.all(stale.map((icon) => drawOnce(db, renderer, setId, icon)))
  const rows = await iconsOf(db, setId, which).select(['drawn.current', 'drawn.light', 'drawn.dark', 'drawn.problem']).execute()
  return rows.map(({ id, name, current, light, dark, problem }) =>
    current !== null && light !== null && dark !== null ? { id, name, svg: { current, light, dark } } : { id, name, problem: problem ?? 'It was not drawn yet.' },
  )
}

/** Draws what a save changed, so that it is there when it is asked for. Nobody waits for it; what fails is drawn when it is asked for. */
export function drawSoon(db: Db, renderer: Renderer, setId: string): void {
  drawnIcons(db, renderer, setId, 'all').catch(() => undefined)
}

function iconsOf(db: Db, setId: string, which: Which) {
  let query = db
    .selectFrom('icons')
    .innerJoin('sets', 'sets.id', 'icons.set_id')
    .leftJoin('drawn', (join) => join.onRef('drawn.set_id', '=', 'icons.set_id').onRef('drawn.icon_id', '=', 'icons.id'))
    .where('icons.set_id', '=', setId)
    .where('icons.deleted_at', 'is', null)
    .select(['icons.id', 'icons.name'])
    .orderBy('icons.position')
  if (which !== 'all') query = 'first' in which ? query.limit(which.first) : query.where('icons.id', 'in', which.ids)
  return query
}

type Stale = { readonly id: string; readonly revision: number; readonly rulesRevision: number }

async function staleIcons(db: Db, setId: string, which: Which): Promise<Stale[]> {
  const rows = await iconsOf(db, setId, which)
    .select(['icons.revision', 'sets.rules_revision as rulesRevision', 'drawn.icon_revision as drawnOf', 'drawn.rules_revision as drawnUnder', 'drawn.drawn_by as drawnBy'])
    .execute()
  const own = await fingerprint()
  return rows.filter(({ revision, rulesRevision, drawnOf, drawnUnder, drawnBy }) => drawnOf !== revision || drawnUnder !== rulesRevision || drawnBy !== own)
}

/** Icons that are being drawn, by set, icon and revisions, so that none is drawn twice at once. */
const underway = new Map<string, Promise<void>>()

function drawOnce(db: Db, renderer: Renderer, setId: string, icon: Stale): Promise<void> {
  const key = [setId, icon.id, icon.revision, icon.rulesRevision].join(' ')
  let drawing = underway.get(key)
  if (!drawing) {
    drawing = draw(db, renderer, setId, icon).finally(() => underway.delete(key))
    underway.set(key, drawing)
  }
  return drawing
}

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
  const { svg, problem } = await renderer.run('draw', { masters: row.masters, rules: row.rules }).catch((error: unknown): Drawn => {
    if (error instanceof TaskEnded) return { problem: error.message }
    throw error
  })
  const values = {
    set_id: setId,
    icon_id: id,
    icon_revision: revision,
    rules_revision: rulesRevision,
    drawn_by: await fingerprint(),
    current: svg?.current ?? null,
    light: svg?.light ?? null,
    dark: svg?.dark ?? null,
    problem: problem ?? null,
  }
  await db.insertInto('drawn').values(values).onConflict((on) => on.columns(['set_id', 'icon_id']).doUpdateSet(values)).execute()
}
