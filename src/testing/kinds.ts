import type fc from 'fast-check'
import { handlesOf } from '../core/drawing/kinds/warp/space'
import { Role } from '../core/drawing/model/traits'
import type { Style } from '../core/drawing/model/style'
import type { Kind } from '../core/drawing/objects/object'
import type { Arbitraries } from './arbitraries'

/** Arbitrary objects of each kind, without the values that all objects have. */
export const KIND_ARBITRARIES: Readonly<Record<Kind, (given: Arbitraries) => fc.Arbitrary<object>>> = {
  arrow: ({ fc, frame, corner, plainStyle }) =>
    fc
      .tuple(
        frame,
        corner,
        fc.constantFrom({ head: 0.3, shaft: 0.6 }, { head: 0.5, shaft: 0.3 }, { head: 0.4, shaft: 0.4, back: true }),
        plainStyle,
      )
      .map(([box, own, shares, style]) => ({ ...box, ...own, ...shares, style })),
  assembly: ({ fc, members, plainStyle, radius }) =>
    fc.record(
      {
        style: plainStyle,
        corners: fc.record(
          {
            radius,
            style: fc.constantFrom('bevel', 'scoop'),
            only: fc.constantFrom('inner', 'outer', 'picked'),
            picked: fc.constant([{ key: 'rec-1/0/0 rec-2/0/3', at: { x: 4, y: 5 } }]),
          },
          { requiredKeys: ['radius'] },
        ),
        members: fc
          .array(fc.constantFrom(...Role.options), { minLength: 1, maxLength: 3 })
          .chain((roles) => fc.tuple(...roles.map((role) => members(1, { role }))))
          .map((all) => all.flat()),
      },
      { requiredKeys: ['style', 'members'] },
    ),
  bend: ({ fc, members, half }) =>
    fc.record({
      base: fc.constant({ from: { x: 0, y: 12 }, to: { x: 24, y: 12 } }),
      strokes: fc.constantFrom(
        [
          {
            run: {
              closed: false,
              nodes: [
                { x: 2, y: 4 },
                { x: 20, y: 8 },
              ],
            },
          },
        ],
        [
          {
            lies: 'both',
            run: {
              closed: false,
              nodes: [
                { x: 2, y: 20, arc: { rx: 12, ry: 12, sweep: true } },
                { x: 22, y: 20 },
              ],
            },
          },
        ],
      ),
      width: half(1, 2),
      members: members(1),
    }),
  cast: ({ fc, members, half }) =>
    fc.record(
      {
        angle: fc.constantFrom(-45, 30, 120),
        length: half(1, 8),
        fades: fc.constant(true),
        whole: fc.constant(true),
        style: fc.constant({ fill: 'ink', fillOpacity: 0.25, stroke: 'none', weight: 1 }),
        members: members(2),
      },
      { requiredKeys: ['angle', 'length', 'style', 'members'] },
    ),
  ellipse: ({ fc, frame, style }) =>
    fc
      .tuple(
        frame,
        fc.constantFrom(
          {},
          { hole: 0.5 },
          { from: 20, to: 250, cut: 'pie' },
          { from: 0, to: 180, cut: 'open' },
          { from: 90, to: 200, cut: 'chord' },
          { from: 10, to: 100, hole: 0.4 },
        ),
        style,
      )
      .map(([box, part, finish]) => ({ ...box, ...part, style: finish })),
  group: ({ fc, members }) =>
    fc.record(
      { members: members(3), mask: fc.constantFrom('inside', 'outside', 'fade'), underlap: fc.constant(0.1) },
      { requiredKeys: ['members'] },
    ),
  inset: ({ fc, members, half, plainStyle }) =>
    fc.record(
      {
        distance: fc.oneof(fc.constantFrom('main', 'fine'), half(1, 3)),
        side: fc.constantFrom('inside', 'outside', 'both'),
        steps: fc.integer({ min: 1, max: 2 }),
        join: fc.constantFrom('miter', 'round', 'bevel'),
        source: fc.constant('hidden'),
        members: members(2),
        style: plainStyle,
      },
      { requiredKeys: ['distance', 'side', 'steps', 'members', 'style'] },
    ),
  interlace: ({ fc, members, half, place }) =>
    fc.record(
      {
        order: fc.constantFrom('turns', 'next'),
        gap: fc.oneof(fc.constantFrom('fine', 0), half(1, 2)),
        flipped: fc.constant([{ key: 'one~two', at: { x: 3, y: 3 } }]),
        start: place,
        members: members(3),
      },
      { requiredKeys: ['order', 'gap', 'members'] },
    ),
  line: ({ fc, place, style }) => fc.record({ from: place, to: place, style }),
  mirror: ({ fc, members, place }) =>
    fc.record({
      at: place,
      angle: fc.constantFrom(0, 30, 90),
      folds: fc.integer({ min: 1, max: 4 }),
      flip: fc.boolean(),
      members: members(2),
    }),
  outlined: ({ fc, members }) => fc.record({ members: members(2) }),
  patchwork: ({ fc, members, plainStyle }) =>
    fc.record(
      {
        take: fc.constant('ink'),
        swept: fc
          .tuple(plainStyle, fc.constantFrom('rec-1/0/0+', 'ell-2/0/0- rec-1/0/1+ #0'))
          .map(([style, key]) => [{ id: 'one', name: 'One', patches: [{ key, at: { x: 400, y: 400 } }], style }]),
        close: fc.constant(0.5),
        members: members(2),
      },
      { requiredKeys: ['swept', 'members'] },
    ),
  path: ({ fc, corner, run, plainStyle }) =>
    fc
      .tuple(corner, fc.array(run, { minLength: 1, maxLength: 2 }), plainStyle)
      .map(([own, contours, style]) => ({ ...own, contours, style })),
  placement: ({ fc, place, half }) =>
    fc.record(
      {
        part: fc.constant('float'),
        at: place,
        map: fc.oneof(
          half(1, 2).map((scale) => [scale, 0, 0, scale]),
          fc.constant([0, 1, -1, 0]),
          fc.constant([-1, 0, 0, 1]),
        ),
        weights: fc.constant('scaled'),
        colours: fc.constant([{ from: 'ink', to: '#d5401b' }]),
      },
      { requiredKeys: ['part', 'at'] },
    ),
  plate: ({ fc, place, plainStyle }) =>
    fc.record(
      {
        plate: fc.constantFrom('disc', 'badge'),
        at: place,
        map: fc.constantFrom([0.5, 0, 0, 0.5], [0, 2, -2, 0]),
        style: plainStyle,
      },
      { requiredKeys: ['plate', 'at', 'style'] },
    ),
  polygon: ({ fc, frame, corner, plainStyle }) =>
    fc
      .tuple(
        frame,
        corner,
        fc.integer({ min: 3, max: 9 }),
        fc.constantFrom({}, { depth: 0.4 }, { side: { nodes: [{ x: 0.4, y: 0.2 }] } }),
        plainStyle,
      )
      .map(([box, own, sides, more, style]) => ({ ...box, ...own, sides, ...more, style })),
  rectangle: ({ fc, frame, corner, radius, style }) =>
    fc
      .tuple(frame, corner, fc.option(fc.array(radius, { minLength: 4, maxLength: 4 }), { nil: undefined }), style)
      .map(([box, own, corners, finish]) => ({ ...box, ...own, ...(corners && { corners }), style: finish })),
  repeat: ({ fc, members, place, run, half }) =>
    fc.record(
      {
        from: place,
        course: fc.oneof(
          fc.record(
            {
              by: fc.constant('turn'),
              at: place,
              count: fc.integer({ min: 1, max: 4 }),
              angle: fc.constantFrom(360, 90, -120),
              upright: fc.constant(true),
            },
            { requiredKeys: ['by', 'at', 'count', 'angle'] },
          ),
          fc.record(
            {
              by: fc.constant('path'),
              run: run.filter(({ nodes }) =>
                nodes.some(({ x, y }) => Math.hypot(x - nodes[0]!.x, y - nodes[0]!.y) > 1),
              ),
              count: fc.integer({ min: 1, max: 3 }),
              distance: half(12, 20),
              inside: fc.constant(true),
              turned: fc.constant(true),
            },
            { requiredKeys: ['by', 'run', 'count'] },
          ),
          fc.record(
            {
              by: fc.constant('lattice'),
              columns: fc.integer({ min: 1, max: 2 }),
              rows: fc.integer({ min: 1, max: 2 }),
              across: place,
              down: place,
              shift: fc.constant(0.5),
            },
            { requiredKeys: ['by', 'columns', 'rows', 'across', 'down'] },
          ),
        ),
        copies: fc.constantFrom([{ at: 1, off: true }], [{ at: 0, fill: 'ink', role: 'flips' }]),
        members: members(2),
      },
      { requiredKeys: ['from', 'course', 'members'] },
    ),
  spiral: ({ fc, frame, plainStyle }) =>
    fc
      .tuple(
        frame,
        fc.constantFrom({ turns: 0.5, inner: 0 }, { turns: 2, inner: 0.2 }, { turns: 3.25, inner: 0.2, flip: true }),
        plainStyle,
      )
      .map(([box, own, style]) => ({ ...box, ...own, style })),
  text: ({ fc, place, half, plainStyle }) =>
    fc.record({
      at: place,
      text: fc.constantFrom('Quay', 'B', 'A&O'),
      size: half(2, 8),
      spacing: half(0, 1),
      boldness: fc.constantFrom(400, 600, 700),
      style: plainStyle.map((one): Style => ({ ...one, stroke: 'none' })),
    }),
  warp: ({ fc, members, half }) =>
    fc.record({
      space: fc.constantFrom([24, 0, 0, 24, 0, 0], [0, 20, -16, 0, 18, 2]),
      form: fc.oneof(
        fc.record({
          by: fc.constant('form'),
          form: fc.constantFrom('bow', 'wave', 'swell', 'pinch'),
          amount: half(0, 1),
        }),
        fc.constant({
          by: 'corners',
          corners: [
            { x: 0.2, y: 0 },
            { x: 0.9, y: 0.1 },
            { x: 1, y: 1 },
            { x: 0, y: 1.2 },
          ],
        }),
        fc.constant({ by: 'lattice', handles: handlesOf({ by: 'form', form: 'swell', amount: 0.2 }), pairs: true }),
      ),
      members: members(1),
    }),
}
