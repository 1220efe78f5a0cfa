/**
 * Measures how long each move of the pointer takes to be drawn where what is in hand is computed anew by it: bends,
 * warps, interlaces, casts and divided shapes of about ten and fifty segments: npm run bench:live
 *
 * Beside each stands how much longer that is than the same members merely moved and combined (their union).
 */
import { divided } from '../../src/core/drawing/edit/divided'
import { evaluate } from '../../src/core/drawing/evaluate/evaluate'
import { sceneOf } from '../../src/core/drawing/evaluate/evaluated-scene'
import { freehandRun } from '../../src/core/drawing/kinds/bend/trace'
import type { DrawingObject } from '../../src/core/drawing/objects/object'
import { roughly } from '../../src/core/drawing/model/values'
import type { Point } from '../../src/core/geometry/point'
import { STARTERS } from '../../src/core/rules/starters'
import { style } from '../../src/testing/samples'

const { rules } = STARTERS.find(({ name }) => name === 'Interface 24')!
const scene = sceneOf(roughly(rules))
const MOVES = 60
let ids = 0
const named = (name: string) => ({ id: `o${ids++}`, name })

const rectangle = (x: number, y: number, w: number, h: number): DrawingObject => ({
  kind: 'rectangle',
  ...named('box'),
  x,
  y,
  w,
  h,
  corner: 2,
  style,
})
const ring = (x: number, y: number, r: number): DrawingObject => ({
  kind: 'ellipse',
  ...named('ring'),
  x: x - r,
  y: y - r,
  w: 2 * r,
  h: 2 * r,
  style,
})
const star = (points: number): DrawingObject => ({
  kind: 'path',
  ...named('star'),
  corner: 0,
  style,
  contours: [
    {
      closed: true,
      nodes: Array.from({ length: 2 * points }, (_, i) => {
        const r = i % 2 ? 5 : 8,
          angle = (i * Math.PI) / points
        return { x: 12 + r * Math.cos(angle), y: 12 + r * Math.sin(angle) }
      }),
    },
  ],
})
const assembly = (...members: DrawingObject[]): DrawingObject => ({
  kind: 'assembly',
  ...named('assembly'),
  style,
  members: members.map((member) => ({ ...member, role: 'adds' })),
})

const SUBJECTS: readonly (readonly [string, () => DrawingObject])[] = [
  ['a rectangle', () => rectangle(4, 8, 16, 8)],
  ['two circles', () => assembly(ring(9, 12, 5), ring(15, 12, 5))],
  ['fifty segments', () => star(25)],
]

const base = { from: { x: 4, y: 12 }, to: { x: 20, y: 12 } }
const strokeTo = (n: number): { run: NonNullable<ReturnType<typeof freehandRun>>; trace: object } | null => {
  const points: Point[] = Array.from({ length: n + 2 }, (_, i) => ({
    x: 2 + i * 0.33,
    y: 20 - 6 * Math.sin(i / 12) - 0.1 * i + 0.05 * Math.sin(i * 7),
  }))
  const trace = { points, smoothness: 0.25 }
  const run = freehandRun(trace)
  return run && { run, trace }
}
const whole = strokeTo(MOVES)!
const bend = (members: DrawingObject[], stroke: object, width: number) =>
  ({ kind: 'bend', ...named('bend'), base, strokes: [stroke], width, members }) as DrawingObject
const warp = (members: DrawingObject[], form: object) =>
  ({ kind: 'warp', ...named('warp'), space: [16, 0, 0, 16, 4, 4], form, members }) as DrawingObject

/** What a move of the pointer has drawn, by its number; of the same members each time, as on the bench. */
const GESTURES: readonly (readonly [string, (i: number, subject: DrawingObject) => unknown])[] = [
  ['bend, drawn', (i, one) => draw(bend([one], strokeTo(i + 1) ?? whole, 1))],
  ['bend, wider', (i, one) => draw(bend([one], whole, 0.5 + i / MOVES))],
  [
    'warp, a corner',
    (i, one) =>
      draw(
        warp([one], {
          by: 'corners',
          corners: [
            { x: 0, y: 0 },
            { x: 1, y: 0.003 * i },
            { x: 1 + 0.002 * i, y: 1 },
            { x: 0, y: 1 },
          ],
        }),
      ),
  ],
  ['warp, bowed', (i, one) => draw(warp([one], { by: 'form', form: 'bow', amount: (i + 1) / (2 * MOVES) }))],
  [
    'interlace, a ring',
    (i, one) =>
      draw({
        kind: 'interlace',
        ...named('interlace'),
        order: 'alternate',
        gap: 'main',
        members: [one, ring(8 + 0.1 * i, 11.3, 4)],
      } as unknown as DrawingObject),
  ],
  [
    'cast, turned',
    (i, one) =>
      draw({
        kind: 'cast',
        ...named('cast'),
        angle: -30 - i / 3,
        length: 9,
        style: { fill: 'ink', stroke: 'none', weight: 1 },
        members: [one],
      } as DrawingObject),
  ],
  ['divide, by a line', (i, one) => divided([one, rectangle(3 + 0.1 * i, 3, 9, 18)], scene)],
]

const draw = (object: DrawingObject) => evaluate(object, scene)
const at = (list: readonly number[], p: number) => list.toSorted((a, b) => a - b)[Math.floor(list.length * p)]!

for (const [subject, make] of SUBJECTS) {
  const one = make()
  const peer = timed((i) => draw(assembly(one, ring(8 + 0.1 * i, 11.3, 4))))
  console.log(`${subject} (its union with a ring that moves: median ${at(peer, 0.5).toFixed(1)} ms)`)
  for (const [gesture, move] of GESTURES) {
    const times = timed((i) => move(i, one))
    console.log(
      `  ${gesture.padEnd(18)} median ${at(times, 0.5).toFixed(1).padStart(6)} ms, 95th percentile ${at(times, 0.95).toFixed(1).padStart(6)} ms, ${(at(times, 0.5) / at(peer, 0.5)).toFixed(1)} × the union`,
    )
  }
}

function timed(move: (i: number) => unknown): number[] {
  for (let i = 0; i < 5; i++) move(i)
  return Array.from({ length: MOVES }, (_, i) => {
    const start = performance.now()
    move(i)
    return performance.now() - start
  })
}
