import pLimit from 'p-limit'
import { type DeliveredFile, type DeliveryOptions, plannedFiles } from '../core/formats/delivery'
import type { Rules } from '../core/rules/rules'
import type { Db } from './database'
import { drawnIcons } from './drawn'
import { type Renderer, TaskEnded } from './renderer/renderer'
import type { StoredSet } from './sets'

/** The options of a delivery from an address: `svg=0` or `png=0` leaves that format out. */
export function optionsFrom(query: URLSearchParams): DeliveryOptions {
  return { svg: query.get('svg') !== '0', png: query.get('png') !== '0' }
}

/** The files of a delivery, and the icons that are not among them because they cannot be drawn. */
export type Delivery = {
  readonly files: readonly DeliveredFile[]
  readonly problems: readonly { readonly icon: string; readonly message: string }[]
}

/**
 * The last delivery, kept for a while as long as its set and options stay the same: the preview and the download are
 * one computation.
 */
let last: { key: string; delivery: Promise<Delivery>; forget: NodeJS.Timeout } | null = null
const KEPT = 120_000

export function delivered(db: Db, renderer: Renderer, stored: StoredSet, options: DeliveryOptions): Promise<Delivery> {
  const key = `${stored.id} ${stored.revision} ${options.svg} ${options.png}`
  if (last?.key === key) return last.delivery
  clearTimeout(last?.forget)
  const delivery = compute(db, renderer, stored, options)
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
  options: DeliveryOptions,
): Promise<Delivery> {
  const drawn = await drawnIcons(db, renderer, id, 'all')
  const problems: { icon: string; message: string }[] = []
  const files: DeliveredFile[] = []
  // Few at once: what is not asked for yet takes no memory.
  const turn = pLimit(2)
  const { sizes, densities } = JSON.parse(rows.rules) as Rules
  await Promise.all(
    drawn.map((icon) =>
      turn(async () => {
        const { name, svg } = icon
        if (!svg) {
          problems.push({ icon: name, message: icon.problem ?? 'It was changed while it was drawn.' })
          return
        }
        const planned = plannedFiles({ icons: [{ name }], rules: { sizes, densities } }, options)
        const widths = planned.flatMap((file) => (file.format === 'png' ? [file.pixels] : []))
        try {
          const rasters = widths.length > 0 ? await renderer.run('rasters', { svg: svg.light, sizes: widths }) : []
          for (const { path, format } of planned)
            files.push({ path, bytes: format === 'svg' ? Buffer.from(svg.current) : rasters.shift()! })
        } catch (error) {
          if (!(error instanceof TaskEnded)) throw error
          problems.push({ icon: name, message: error.message })
        }
      }),
    ),
  )
  return { files: files.sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0)), problems }
}
