import { type StoredPictures, storedFor } from '@/core/picture/drawn'
import type { Ground } from '@/core/picture/picture'
import type { Rules } from '@/core/rules/rules'
import type { Icon, IconSet } from '@/core/set/set'
import { sourceOf } from '@/workers/draw'
import type { Source } from '@/workers/drawer'

/** An icon as the server keeps it drawn, or why it cannot be drawn. */
type StoredDrawing = Partial<StoredPictures> & {
  readonly id: string
  readonly pending?: true
  readonly problem?: string
}

/** How many icons are asked for at once. */
const BATCH = 60
/** After how many milliseconds icons that were still being drawn are asked for again. */
const AGAIN = 1000

/** The drawings that the server stores of the opened set; requested in batches as icons become visible. */
export class StoredDrawings {
  private readonly icons: ReadonlyMap<string, Icon>
  private readonly known = new Map<string, StoredDrawing | 'asked' | 'missing'>()
  private readonly listeners = new Set<() => void>()
  private wanted: string[] = []

  constructor(
    private readonly setId: string,
    private readonly opened: IconSet,
  ) {
    this.icons = new Map(opened.icons.map((icon) => [icon.id, icon]))
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** The stored drawing of an icon: null if it is outdated or missing, undefined while it loads. */
  of(icon: Icon, rules: Rules): StoredDrawing | null | undefined {
    if (rules !== this.opened.rules || this.icons.get(icon.id) !== icon) return null
    const drawing = this.known.get(icon.id)
    if (drawing === 'missing') return null
    if (drawing === 'asked') return undefined
    if (drawing) return drawing
    this.known.set(icon.id, 'asked')
    if (this.wanted.push(icon.id) === 1) setTimeout(() => this.fetch(), 0)
    return undefined
  }

  private fetch(): void {
    const ids = this.wanted
    this.wanted = []
    for (let i = 0; i < ids.length; i += BATCH) void this.fetchSome(ids.slice(i, i + BATCH))
  }

  private async fetchSome(ids: readonly string[]): Promise<void> {
    const response = await fetch(`/api/sets/${this.setId}/drawn?ids=${ids.join()}`).catch(() => null)
    // A server that is busy is asked again.
    if (response?.status === 503) return void setTimeout(() => void this.fetchSome(ids), AGAIN)
    const drawings = response?.ok ? ((await response.json().catch(() => [])) as StoredDrawing[]) : []
    const found = new Map(drawings.map((one) => [one.id, one]))
    const pending = ids.filter((id) => found.get(id)?.pending)
    for (const id of ids) if (!found.get(id)?.pending) this.known.set(id, found.get(id) ?? 'missing')
    for (const listener of this.listeners) listener()
    if (pending.length > 0) setTimeout(() => void this.fetchSome(pending), AGAIN)
  }
}

/** What shows an icon at a size: its kept drawing where that holds, else itself. */
export function shownBy(
  stored: StoredDrawing | null | undefined,
  icon: Icon,
  rules: Rules,
  ground: Ground,
  size: number,
): Source | null {
  if (stored === undefined) return null
  if (!stored?.picture) return sourceOf(icon, rules, ground, size)
  const { picture, others } = stored
  return { picture: storedFor({ picture, others }, rules, size), ground }
}
