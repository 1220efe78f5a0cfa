import pLimit from 'p-limit'
import { type DeliveredFile, plannedFiles, textBytes } from '../core/targets/delivery'
import { type Documents, documentsFor, type Drawn } from '../core/formats/drawn'
import type { Named, PlannedFile } from '../core/targets/target'
import { TARGETS } from '../core/targets/targets'
import type { Rules } from '../core/rules/rules'
import type { Db } from './database'
import { drawnIcons } from './drawn'
import { type Renderer, TaskEnded } from './renderer/renderer'
import type { StoredSet } from './sets'

/** The targets of a delivery from an address, `targets=svg,png`; without that all of them. */
export function targetsFrom(query: URLSearchParams): ReadonlySet<string> {
  const named = query.get('targets')
  return new Set(named === null ? TARGETS.map(({ id }) => id) : named.split(','))
}

/** The files of a delivery, and the icons that are not among them because they cannot be drawn. */
export type Delivery = {
  readonly files: readonly DeliveredFile[]
  readonly problems: readonly { readonly icon: string; readonly message: string }[]
}

/**
 * The last delivery, kept for a while as long as its set and targets stay the same: the preview and the download are
 * one computation.
 */
let last: { key: string; delivery: Promise<Delivery>; forget: NodeJS.Timeout } | null = null
const KEPT = 120_000

export function delivered(
  db: Db,
  renderer: Renderer,
  stored: StoredSet,
  targets: ReadonlySet<string>,
): Promise<Delivery> {
  const key = `${stored.id} ${stored.revision} ${[...targets].sort().join()}`
  if (last?.key === key) return last.delivery
  clearTimeout(last?.forget)
  const delivery = compute(db, renderer, stored, targets)
  const forget = setTimeout(() => (last = null), KEPT)
  forget.unref()
  last = { key, delivery, forget }
  delivery.catch(() => (last = null))
  return delivery
}

async function compute(
  db: Db,
  renderer: Renderer,
  { id, rows }: StoredSet,
  targets: ReadonlySet<string>,
): Promise<Delivery> {
  const drawn = await drawnIcons(db, renderer, id, 'all')
  const problems: { icon: string; message: string }[] = []
  const files: DeliveredFile[] = []
  // Few at once: what is not asked for yet takes no memory.
  const turn = pLimit(2)
  const rules = JSON.parse(rows.rules) as Rules
  await Promise.all(
    drawn.map((icon) =>
      turn(async () => {
        const { name } = icon
        if (!icon.svg) {
          problems.push({ icon: name, message: icon.problem ?? 'It was changed while it was drawn.' })
          return
        }
        const planned = plannedFiles({ icons: [{ name }], rules }, targets)
        try {
          for (const [documents, own] of byDocuments(planned, icon, rules)) {
            const widths = own.flatMap(({ made }) => (made.as === 'raster' ? [made.pixels] : []))
            const rasters =
              widths.length > 0 ? await renderer.run('rasters', { svg: documents.light, sizes: widths }) : []
            for (const { path, made } of own)
              files.push({ path, bytes: made.as === 'text' ? textBytes(made, documents) : rasters.shift()! })
          }
        } catch (error) {
          if (!(error instanceof TaskEnded)) throw error
          problems.push({ icon: name, message: error.message })
        }
      }),
    ),
  )
  return { files: files.sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0)), problems }
}

/** Planned files of an icon by the documents they are made from. */
function byDocuments<I extends Named>(
  planned: readonly PlannedFile<I>[],
  drawn: Extract<Drawn, { svg: Documents }>,
  rules: Rules,
): Map<Documents, PlannedFile<I>[]> {
  const by = new Map<Documents, PlannedFile<I>[]>()
  for (const file of planned) {
    const documents = documentsFor(drawn, rules, file.made.size)
    by.set(documents, [...(by.get(documents) ?? []), file])
  }
  return by
}
