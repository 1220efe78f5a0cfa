import fc from 'fast-check'
import type { DrawingObject, Node, NodeRun } from './object'

/** Arbitrary objects of every kind, on half units so that they touch and overlap: for tests. */

const half = (min: number, max: number) => fc.integer({ min: 2 * min, max: 2 * max }).map((n) => n / 2)
export const coordinate = half(-4, 28)
const size = half(1, 20)
const handle = fc.record({ x: half(-4, 4), y: half(-4, 4) })
const radius = fc.oneof(fc.constantFrom('outer', 'inner'), half(0, 4))
const cornerStyle = fc.constantFrom('round', 'bevel', 'scoop', 'notch', 'squircle') as fc.Arbitrary<'round' | 'bevel' | 'scoop' | 'notch' | 'squircle'>
const turn = fc.constantFrom(15, 30, 45, 90, 120, -60, 180)
const style = fc.record({ fill: fc.constantFrom('none', 'ink', '#d5401b'), stroke: fc.constantFrom('none', 'ink'), weight: fc.oneof(fc.constantFrom('main', 'fine'), half(1, 3)) })

const ids = { next: 0 }
const common = (kind: string) => fc.constant(kind).map((name) => ({ id: `${name.slice(0, 3)}-${ids.next++}`, name: `A ${name}` }))
const frame = fc.record({ x: coordinate, y: coordinate, w: size, h: size }).chain((box) => fc.record({ turn }, { requiredKeys: [] }).map((own) => ({ ...box, ...own })))
const cornered = fc.record({ corner: radius }).chain((own) => fc.record({ cornerStyle }, { requiredKeys: [] }).map((more) => ({ ...own, ...more })))

const node: fc.Arbitrary<Node> = fc.record(
  { x: coordinate, y: coordinate, in: handle, out: handle, corner: radius, kind: fc.constantFrom('smooth' as const, 'symmetric' as const) },
  { requiredKeys: ['x', 'y'] },
)
export const run: fc.Arbitrary<NodeRun> = fc.record({ closed: fc.boolean(), nodes: fc.array(node, { minLength: 2, maxLength: 6 }) })

const merged = (...parts: fc.Arbitrary<object>[]) => fc.tuple(...parts).map((all) => Object.assign({}, ...all) as DrawingObject)

/** Objects that stand by themselves. */
export const simple: fc.Arbitrary<DrawingObject> = fc.oneof(
  merged(common('rectangle'), frame, cornered, fc.record({ corners: fc.array(radius, { minLength: 4, maxLength: 4 }) }, { requiredKeys: [] }), fc.record({ kind: fc.constant('rectangle'), style })),
  merged(common('ellipse'), frame, fc.constantFrom({}, { hole: 0.5 }, { from: 20, to: 250, cut: 'pie' }, { from: 0, to: 180, cut: 'open' }, { from: 90, to: 200, cut: 'chord' }, { from: 10, to: 100, hole: 0.4 }), fc.record({ kind: fc.constant('ellipse'), style })),
  merged(common('polygon'), frame, cornered, fc.record({ sides: fc.integer({ min: 3, max: 9 }) }), fc.constantFrom({}, { depth: 0.4 }, { side: { nodes: [{ x: 0.4, y: 0.2 }] } }), fc.record({ kind: fc.constant('polygon'), style })),
  merged(common('arrow'), frame, cornered, fc.record({ kind: fc.constant('arrow'), head: fc.constantFrom(0.3, 0.5), shaft: fc.constantFrom(0.3, 0.6), style }), fc.constantFrom({}, { back: true })),
  merged(common('spiral'), frame, fc.record({ kind: fc.constant('spiral'), turns: fc.constantFrom(0.5, 2, 3.25), inner: fc.constantFrom(0, 0.2), style }), fc.constantFrom({}, { flip: true })),
  merged(common('line'), fc.record({ kind: fc.constant('line'), from: fc.record({ x: coordinate, y: coordinate }), to: fc.record({ x: coordinate, y: coordinate }), style })),
  merged(common('path'), cornered, fc.record({ kind: fc.constant('path'), contours: fc.array(run, { minLength: 1, maxLength: 2 }), style })),
  merged(common('text'), fc.record({ kind: fc.constant('text'), at: fc.record({ x: coordinate, y: coordinate }), text: fc.constantFrom('Quay', 'B', 'A&O'), size: half(2, 8), spacing: half(0, 1), boldness: fc.constantFrom(400, 600, 700), style })),
)

/** Objects, some with others in them. */
export const anyObject: fc.Arbitrary<DrawingObject> = fc.oneof(
  { weight: 5, arbitrary: simple },
  { weight: 1, arbitrary: merged(common('group'), fc.record({ kind: fc.constant('group'), members: fc.array(simple, { minLength: 1, maxLength: 3 }) })) },
  { weight: 1, arbitrary: merged(common('mirror'), fc.record({ kind: fc.constant('mirror'), at: fc.record({ x: coordinate, y: coordinate }), angle: fc.constantFrom(0, 30, 90), folds: fc.integer({ min: 1, max: 4 }), flip: fc.boolean(), members: fc.array(simple, { minLength: 1, maxLength: 2 }) })) },
  {
    weight: 1,
    arbitrary: merged(
      common('assembly'),
      fc.record({ kind: fc.constant('assembly'), style, members: fc.array(fc.tuple(simple, fc.constantFrom('adds', 'cuts', 'overlap', 'flips')).map(([object, role]) => ({ ...object, role })), { minLength: 1, maxLength: 3 }) }),
    ),
  },
)
