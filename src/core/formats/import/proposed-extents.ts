import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { isFramed, kindOf } from '../../drawing/objects/object'
import { boxUnion } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import { starterRules } from '../../rules/starters'
import type { Rules } from '../../rules/rules'
import { type Plain, said } from './plain'
import { Tally } from './tally'

/** The reach of drawings, strokes taken as round: the live area that nearly all keep to, and boxes that many fill as keylines. */
export function extentsOf(icons: readonly Plain[], grid: number) {
  const scene = sceneOf(starterRules(grid)),
    step = grid / 48
  const boxes = icons.flatMap(({ name, objects }) => {
    const box = boxUnion(
      evaluateAll(objects, scene).flatMap(({ path, stroke }) => {
        const own = pathBounds(path)
        const by = stroke ? stroke.width / 2 : 0
        return own ? [{ x: own.x - by, y: own.y - by, w: own.w + 2 * by, h: own.h + 2 * by }] : []
      }),
    )
    const isRound = objects.some(
      (object) =>
        isFramed(object) && kindOf(object).fills === 'ellipse' && box && Math.abs(object.w - box.w) < grid / 6,
    )
    return box ? [{ name, box, isRound }] : []
  })
  const whole = (value: number) => Math.round(value / step) * step
  const reaches = boxes
    .map(({ name, box: { x, y, w, h } }) => ({
      name,
      reach: 2 * Math.max(grid / 2 - x, x + w - grid / 2, grid / 2 - y, y + h - grid / 2),
    }))
    .sort((a, b) => a.reach - b.reach)
  const enough = reaches[Math.floor(0.95 * (reaches.length - 1))]?.reach ?? grid
  const liveArea = Math.min(grid, Math.max(grid / 2, whole(enough)))
  const inside = reaches.filter(({ reach }) => reach <= liveArea + step / 4)
  const sizes = new Tally<{ shape: 'ellipse' | 'rectangle'; w: number; h: number }>()
  for (const { name, box, isRound } of boxes) {
    const [w, h] = [whole(box.w), whole(box.h)]
    const shape = isRound && w === h ? 'ellipse' : 'rectangle'
    if (Math.max(w, h) >= 0.7 * liveArea) sizes.add({ shape, w, h }, name, `${shape} ${w} ${h}`)
  }
  const frequent = sizes.counts.filter(({ count }) => count >= Math.max(2, 0.03 * boxes.length))
  const first = (is: (one: { shape: string; w: number; h: number }) => boolean) =>
    frequent.find(({ value }) => is(value))?.value
  const keylines: Rules['keylines'] = [
    { name: 'circle', own: first(({ shape }) => shape === 'ellipse') },
    { name: 'square', own: first(({ shape, w, h }) => shape === 'rectangle' && w === h) },
    { name: 'tall', own: first(({ shape, w, h }) => shape === 'rectangle' && w < h) },
    { name: 'wide', own: first(({ shape, w, h }) => shape === 'rectangle' && w > h) },
  ].flatMap(({ name, own }) => (own ? [{ name, ...own }] : []))
  return {
    boxes,
    liveArea,
    keylines,
    evidence: {
      topic: 'extents' as const,
      what: `live area ${said(liveArea)}`,
      count: inside.length,
      of: reaches.length,
      others: reaches
        .slice(inside.length)
        .reverse()
        .slice(0, 6)
        .map(({ name, reach }) => ({ what: said(reach), count: 1, icons: [name] })),
    },
  }
}
