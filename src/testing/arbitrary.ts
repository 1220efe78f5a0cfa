import fc from 'fast-check'
import type { Arbitraries } from './arbitraries'
import { KIND_ARBITRARIES } from './kinds'
import { KINDS } from '../core/drawing/kinds/kinds'
import type { DrawingObject } from '../core/drawing/objects/object'
import type { Node, NodeRun } from '../core/drawing/model/node'
import type { Gradient, Paint, Stop } from '../core/drawing/model/paint'
import type { Style } from '../core/drawing/model/style'

/** Arbitrary objects of every kind, on half units so that they touch and overlap: for tests. */

const half = (min: number, max: number) => fc.integer({ min: 2 * min, max: 2 * max }).map((n) => n / 2)
export const coordinate = half(-4, 28)
const size = half(1, 20)
const handle = fc.record({ x: half(-4, 4), y: half(-4, 4) })
const radius = fc.oneof(fc.constantFrom('outer', 'inner'), half(0, 4))
const cornerStyle = fc.constantFrom('round', 'bevel', 'scoop', 'notch', 'squircle') as fc.Arbitrary<
  'round' | 'bevel' | 'scoop' | 'notch' | 'squircle'
>
const turn = fc.constantFrom(15, 30, 45, 90, 120, -60, 180)
const place = fc.record({ x: coordinate, y: coordinate })
const apart = (p: { x: number; y: number }, q: { x: number; y: number }) => Math.hypot(p.x - q.x, p.y - q.y) >= 1
const opacity = fc.constantFrom(0.25, 0.5, 0.8)
const stops: fc.Arbitrary<Stop[]> = fc.constantFrom<Stop[]>(
  [
    { at: 0, color: 'ink' },
    { at: 1, color: '#d5401b', opacity: 0.5 },
  ],
  [
    { at: 0.2, color: '#11807f' },
    { at: 0.5, color: '#11807f' },
    { at: 0.5, color: 'ink' },
    { at: 1, color: 'ink' },
  ],
)
const gradient: fc.Arbitrary<Gradient> = fc.oneof(
  fc
    .record({ kind: fc.constant('linear' as const), from: place, to: place, stops })
    .filter(({ from, to }) => apart(from, to)),
  fc
    .record({ kind: fc.constant('radial' as const), centre: place, to: place, stops })
    .filter(({ centre, to }) => apart(centre, to)),
)
const paint: fc.Arbitrary<Paint> = fc.oneof(
  { weight: 3, arbitrary: fc.constantFrom('none', 'ink', '#d5401b', '#1f5f7a80') },
  { weight: 1, arbitrary: gradient },
)
const head = fc.constantFrom('arrow' as const, 'open' as const, 'bar' as const, 'dot' as const)
const plainStyle: fc.Arbitrary<Style> = fc.record({
  fill: fc.constantFrom('none', 'ink', '#d5401b'),
  stroke: fc.constantFrom('none', 'ink'),
  weight: fc.oneof(fc.constantFrom('main', 'fine'), half(1, 3)),
})

/** Styles with everything a finish may have. */
export const style = fc.oneof(
  { weight: 2, arbitrary: plainStyle },
  {
    weight: 1,
    arbitrary: fc.record(
      {
        fill: paint,
        stroke: paint,
        weight: fc.oneof(fc.constantFrom('main', 'fine'), half(1, 3)),
        fillOpacity: opacity,
        strokeOpacity: opacity,
        fills: fc.array(fc.record({ paint, opacity }, { requiredKeys: ['paint'] }), { minLength: 1, maxLength: 2 }),
        side: fc.constantFrom('inside' as const, 'outside' as const),
        dash: fc.constantFrom([3, 2], [1], [4, 1, 2]),
        dashOffset: half(-2, 2),
        startHead: head,
        endHead: head,
        strokeFirst: fc.constant(true as const),
        cap: fc.constantFrom('butt' as const, 'square' as const),
        join: fc.constantFrom('miter' as const, 'bevel' as const),
        miterLimit: fc.constantFrom(2, 8),
      },
      { requiredKeys: ['fill', 'stroke', 'weight'] },
    ),
  },
) as fc.Arbitrary<Style>

const ids = { next: 0 }
const shadow = fc.constant({ x: 0.5, y: 1, blur: 1, color: 'ink', opacity: 0.5 })
const common = (kind: string) =>
  fc
    .tuple(
      fc.constant(kind),
      fc.option(opacity, { nil: undefined, freq: 5 }),
      fc.option(shadow, { nil: undefined, freq: 8 }),
    )
    .map(([name, dim, soft]) => ({
      ...(soft && { shadow: soft }),
      id: `${name.slice(0, 3)}-${ids.next++}`,
      name: `A ${name}`,
      ...(dim !== undefined && { opacity: dim }),
    }))
const frame = fc
  .record({ x: coordinate, y: coordinate, w: size, h: size })
  .chain((box) => fc.record({ turn }, { requiredKeys: [] }).map((own) => ({ ...box, ...own })))
const cornered = fc
  .record({ corner: radius })
  .chain((own) => fc.record({ cornerStyle }, { requiredKeys: [] }).map((more) => ({ ...own, ...more })))

const node: fc.Arbitrary<Node> = fc.record(
  {
    x: coordinate,
    y: coordinate,
    in: handle,
    out: handle,
    corner: radius,
    kind: fc.constantFrom('smooth' as const, 'symmetric' as const),
  },
  { requiredKeys: ['x', 'y'] },
)
export const run: fc.Arbitrary<NodeRun> = fc.record({
  closed: fc.boolean(),
  nodes: fc.array(node, { minLength: 2, maxLength: 6 }),
})

/** Objects of one kind; members, if it holds any, from `members`. */
function ofKind(kind: (typeof KINDS)[number], members: Arbitraries['members']): fc.Arbitrary<DrawingObject> {
  const own = KIND_ARBITRARIES[kind.kind]({
    fc,
    half,
    place,
    radius,
    run,
    style,
    plainStyle,
    frame,
    corner: cornered,
    members,
  })
  const sharing = fc.option(fc.constant({ style: { finish: 'deck' } }), { freq: 8 })
  return fc.tuple(common(kind.kind), own, sharing).map(
    ([all, numbers, shared]) =>
      ({
        kind: kind.kind,
        ...all,
        ...numbers,
        ...('style' in numbers && shared),
      }) as DrawingObject,
  )
}

const noMembers: Arbitraries['members'] = () => fc.constant([])
const [leaves, holders] = [KINDS.filter(({ hasMembers }) => !hasMembers), KINDS.filter(({ hasMembers }) => hasMembers)]

/** Objects that stand by themselves. */
export const simple: fc.Arbitrary<DrawingObject> = fc.oneof(...leaves.map((kind) => ofKind(kind, noMembers)))

const someMembers: Arbitraries['members'] = (most, more = {}) =>
  fc.array(
    simple.map((object) => ({ ...object, ...more })),
    { minLength: 1, maxLength: most },
  )

/** Objects of each kind that holds others. */
export const holding: readonly fc.Arbitrary<DrawingObject>[] = holders.map((kind) => ofKind(kind, someMembers))

/** Objects, some with others in them. */
export const anyObject: fc.Arbitrary<DrawingObject> = fc.oneof(
  { weight: 5, arbitrary: simple },
  ...holding.map((arbitrary) => ({ weight: 1, arbitrary })),
)

/** Objects of each kind by itself, by its name. */
export const eachKind: readonly (readonly [string, fc.Arbitrary<DrawingObject>])[] = KINDS.map((kind) => [
  kind.kind,
  ofKind(kind, kind.hasMembers ? someMembers : noMembers),
])
