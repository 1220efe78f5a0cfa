/** A picture by its coverage: `cover` of 16 × 16 pixels, 0 to 1; null where nothing is painted. */
export type Seen = { readonly id: string; readonly balance: { readonly cover: Float32Array } | null }

/** Two pictures and how much alike they are, 0 to 1. */
export type Alike<T> = { readonly a: T; readonly b: T; readonly likeness: number }

/** Coverage of a picture in blocks of 4 × 4 pixels. */
type Blocks = { readonly sums: Float32Array; readonly total: number }

const SIDE = 16,
  BLOCK = 4,
  ACROSS = SIDE / BLOCK

const known = new WeakMap<Float32Array, Blocks>()

function blocksOf(cover: Float32Array): Blocks {
  let blocks = known.get(cover)
  if (blocks) return blocks
  const sums = new Float32Array(ACROSS * ACROSS)
  let total = 0
  cover.forEach((share, i) => {
    sums[Math.floor(i / SIDE / BLOCK) * ACROSS + Math.floor((i % SIDE) / BLOCK)]! += share
    total += share
  })
  known.set(cover, (blocks = { sums, total }))
  return blocks
}

/** Allowance for sums of floats in another order than in the likeness itself. */
const SLACK = 1e-4

/**
 * No more than two pictures can be alike: what both cover of a block is at most the lesser of its sums, what either covers
 * at least the greater.
 */
function mostAlike(a: Blocks, b: Blocks): number {
  let both = 0,
    either = 0
  for (let i = 0; i < a.sums.length; i++) {
    both += Math.min(a.sums[i]!, b.sums[i]!)
    either += Math.max(a.sums[i]!, b.sums[i]!)
  }
  return either === 0 ? 1 : both / either + SLACK
}

/** What both of two maps have of what either has, 0 to 1. */
function shared(a: Float32Array, b: Float32Array): number {
  let both = 0,
    either = 0
  for (let i = 0; i < a.length; i++) {
    both += Math.min(a[i]!, b[i]!)
    either += Math.max(a[i]!, b[i]!)
  }
  return either === 0 ? 1 : both / either
}

const knownEdges = new WeakMap<Float32Array, Float32Array>()

/**
 * How much the coverage changes at each pixel: the size of its gradient by Sobel's operator, which averages along the
 * edge, so that a shift by a part of a pixel counts little.
 */
function edgesOf(cover: Float32Array): Float32Array {
  let edges = knownEdges.get(cover)
  if (edges) return edges
  const at = (x: number, y: number) => (x < 0 || y < 0 || x >= SIDE || y >= SIDE ? 0 : cover[y * SIDE + x]!)
  edges = cover.map((_, i) => {
    const x = i % SIDE,
      y = Math.floor(i / SIDE)
    const across = (dy: number) => at(x + 1, y + dy) - at(x - 1, y + dy),
      down = (dx: number) => at(x + dx, y + 1) - at(x + dx, y - 1)
    return Math.hypot(across(-1) + 2 * across(0) + across(1), down(-1) + 2 * down(0) + down(1))
  })
  knownEdges.set(cover, edges)
  return edges
}

/**
 * Likeness of two pictures, 0 to 1: the lesser of their common shares of ink and of edges. Edges tell apart filled
 * icons of one outline with different cut-outs.
 */
export const likeness = (a: Float32Array, b: Float32Array): number =>
  Math.min(shared(a, b), shared(edgesOf(a), edgesOf(b)))

/**
 * The most similar pairs of pictures, from a least likeness on. Remembers the last comparison: only changed pictures
 * are compared again.
 */
export class LookAlikes<T extends Seen> {
  private compared = new Map<string, { readonly of: T; readonly cover: Float32Array }>()
  /** By the id of one of the two, the other and how much alike they are. */
  private alike = new Map<string, Map<string, number>>()

  constructor(private readonly least: number) {}

  pairs(family: readonly T[]): Alike<T>[] {
    const now = new Map(family.flatMap((of) => (of.balance ? [[of.id, { of, cover: of.balance.cover }] as const] : [])))
    const fresh = new Set<string>()
    for (const [id, { cover }] of this.compared) if (now.get(id)?.cover !== cover) this.forget(id)
    for (const [id, { cover }] of now) if (this.compared.get(id)?.cover !== cover) fresh.add(id)
    this.compared = new Map([...now].filter(([id]) => !fresh.has(id)))
    for (const id of fresh) {
      const one = now.get(id)!
      for (const [other, { cover }] of this.compared) this.compare(id, one.cover, other, cover)
      this.compared.set(id, one)
    }
    const order = new Map(family.map(({ id }, i) => [id, i]))
    const pairs = [...this.alike].flatMap(([a, others]) =>
      [...others].flatMap(([b, likeness]): Alike<T>[] =>
        order.get(a)! < order.get(b)! ? [{ a: now.get(a)!.of, b: now.get(b)!.of, likeness }] : [],
      ),
    )
    return pairs.sort(
      (p, q) =>
        q.likeness - p.likeness || order.get(p.a.id)! - order.get(q.a.id)! || order.get(p.b.id)! - order.get(q.b.id)!,
    )
  }

  private compare(a: string, one: Float32Array, b: string, other: Float32Array): void {
    if (mostAlike(blocksOf(one), blocksOf(other)) < this.least) return
    const alike = likeness(one, other)
    if (alike < this.least) return
    this.note(a, b, alike)
    this.note(b, a, alike)
  }

  private note(id: string, other: string, alike: number): void {
    let others = this.alike.get(id)
    if (!others) this.alike.set(id, (others = new Map()))
    others.set(other, alike)
  }

  private forget(id: string): void {
    for (const other of this.alike.get(id)?.keys() ?? []) this.alike.get(other)?.delete(id)
    this.alike.delete(id)
  }
}
