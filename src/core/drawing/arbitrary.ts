import fc from 'fast-check'
import type { DrawingObject, Node, NodeRun } from './object'
import type { Gradient, Paint, Stop } from './paint'
import type { Style } from './style'

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
const common = (kind: string) =>
  fc.tuple(fc.constant(kind), fc.option(opacity, { nil: undefined, freq: 5 })).map(([name, dim]) => ({
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

const merged = (...parts: fc.Arbitrary<object>[]) =>
  fc.tuple(...parts).map((all) => Object.assign({}, ...all) as DrawingObject)

/** Objects that stand by themselves. */
export const simple: fc.Arbitrary<DrawingObject> = fc.oneof(
  merged(
    common('rectangle'),
    frame,
    cornered,
    fc.record({ corners: fc.array(radius, { minLength: 4, maxLength: 4 }) }, { requiredKeys: [] }),
    fc.record({ kind: fc.constant('rectangle'), style }),
  ),
  merged(
    common('ellipse'),
    frame,
    fc.constantFrom(
      {},
      { hole: 0.5 },
      { from: 20, to: 250, cut: 'pie' },
      { from: 0, to: 180, cut: 'open' },
      { from: 90, to: 200, cut: 'chord' },
      { from: 10, to: 100, hole: 0.4 },
    ),
    fc.record({ kind: fc.constant('ellipse'), style }),
  ),
  merged(
    common('polygon'),
    frame,
    cornered,
    fc.record({ sides: fc.integer({ min: 3, max: 9 }) }),
    fc.constantFrom({}, { depth: 0.4 }, { side: { nodes: [{ x: 0.4, y: 0.2 }] } }),
    fc.record({ kind: fc.constant('polygon'), style: plainStyle }),
  ),
  merged(
    common('arrow'),
    frame,
    cornered,
    fc.record({
      kind: fc.constant('arrow'),
      head: fc.constantFrom(0.3, 0.5),
      shaft: fc.constantFrom(0.3, 0.6),
      style: plainStyle,
    }),
    fc.constantFrom({}, { back: true }),
  ),
  merged(
    common('spiral'),
    frame,
    fc.record({
      kind: fc.constant('spiral'),
      turns: fc.constantFrom(0.5, 2, 3.25),
      inner: fc.constantFrom(0, 0.2),
      style: plainStyle,
    }),
    fc.constantFrom({}, { flip: true }),
  ),
  merged(
    common('line'),
    fc.record({
      kind: fc.constant('line'),
      from: fc.record({ x: coordinate, y: coordinate }),
      to: fc.record({ x: coordinate, y: coordinate }),
      style,
    }),
  ),
  merged(
    common('path'),
    cornered,
    fc.record({
      kind: fc.constant('path'),
      contours: fc.array(run, { minLength: 1, maxLength: 2 }),
      style: plainStyle,
    }),
  ),
  merged(
    common('text'),
    fc.record({
      kind: fc.constant('text'),
      at: fc.record({ x: coordinate, y: coordinate }),
      text: fc.constantFrom('Quay', 'B', 'A&O'),
      size: half(2, 8),
      spacing: half(0, 1),
      boldness: fc.constantFrom(400, 600, 700),
      style: plainStyle.map((one): Style => ({ ...one, stroke: 'none' })),
    }),
  ),
)

/** Objects, some with others in them. */
export const anyObject: fc.Arbitrary<DrawingObject> = fc.oneof(
  { weight: 5, arbitrary: simple },
  {
    weight: 1,
    arbitrary: merged(
      common('group'),
      fc.record(
        {
          kind: fc.constant('group'),
          members: fc.array(simple, { minLength: 1, maxLength: 3 }),
          mask: fc.constantFrom('inside', 'outside', 'fade'),
        },
        { requiredKeys: ['kind', 'members'] },
      ),
    ),
  },
  {
    weight: 1,
    arbitrary: merged(
      common('mirror'),
      fc.record({
        kind: fc.constant('mirror'),
        at: fc.record({ x: coordinate, y: coordinate }),
        angle: fc.constantFrom(0, 30, 90),
        folds: fc.integer({ min: 1, max: 4 }),
        flip: fc.boolean(),
        members: fc.array(simple, { minLength: 1, maxLength: 2 }),
      }),
    ),
  },
  {
    weight: 1,
    arbitrary: merged(
      common('assembly'),
      fc.record({
        kind: fc.constant('assembly'),
        style: plainStyle,
        members: fc.array(
          fc
            .tuple(simple, fc.constantFrom('adds', 'cuts', 'overlap', 'flips'))
            .map(([object, role]) => ({ ...object, role })),
          { minLength: 1, maxLength: 3 },
        ),
      }),
    ),
  },
)
