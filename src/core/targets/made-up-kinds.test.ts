import { describe, expect, it, vi } from 'vitest'
import type * as zod from 'zod'
import type { KINDS as Kinds } from '../drawing/kinds/kinds'
import { STARTERS } from '../rules/starters'
import type { Rules } from '../rules/rules'
import type { Icon } from '../set/set'

/**
 * Two kinds that exist here alone, each its facets and one place in the list. Everything knows them: files, fitting,
 * checks with their mends, balance, and all targets.
 */
vi.mock('../drawing/kinds/kinds', async (original) => {
  const { KINDS } = await original<{ KINDS: typeof Kinds }>()
  const { z } = await import('zod')
  const { defineKind } = await import('../drawing/kinds/kind')
  const { common, framed } = await import('../drawing/model/traits')
  const { Finish } = await import('../drawing/model/style')
  const { PointXY } = await import('../drawing/model/place')
  const { fittedFrame } = await import('../drawing/model/fitting')
  const { frameCorners } = await import('../drawing/model/frame')
  const { boxAbout } = await import('../geometry/box')
  const { ellipse, polyline } = await import('../geometry/path')
  const { applyTidy } = await import('../geometry/tidy')

  /** A slab: a board that fills its frame. */
  const Slab = z.strictObject({ kind: z.literal('slab'), ...common, ...framed, style: Finish })
  type Slab = zod.infer<typeof Slab>
  const slab = defineKind<Slab>({
    kind: 'slab',
    word: 'Slab',
    schema: Slab,
    fills: 'sides',
    geometry: { edge: (object) => [polyline(frameCorners(object), true)], lost: 'its size as numbers' },
    fitting: { fit: fittedFrame },
  })

  /** A raft: a round ground of a radius that the rest lies on. */
  const Raft = z.strictObject({
    kind: z.literal('raft'),
    ...common,
    at: PointXY,
    r: z.number().positive().max(1000),
    style: Finish,
  })
  type Raft = zod.infer<typeof Raft>
  const raft = defineKind<Raft>({
    kind: 'raft',
    word: 'Raft',
    schema: Raft,
    stands: 'ground',
    geometry: {
      edge: ({ at, r }) => [ellipse(at, r, r)],
      frame: ({ at, r }) => boxAbout(at, 2 * r, 2 * r),
      transform: (object, map) => ({
        ...object,
        at: applyTidy(map, object.at),
        r: object.r * Math.hypot(map[0], map[1]),
      }),
      lost: 'its radius as a number',
    },
  })
  return { KINDS: [...KINDS, slab, raft] }
})

const rules: Rules = {
  ...STARTERS[0]!.rules,
  palette: [...STARTERS[0]!.rules.palette, { name: 'sea', color: '#11807f' }],
}
const style = { fill: 'ink', stroke: 'none', weight: 'main' }
const slab = (id: string, x: number, y: number, w: number, h: number) => ({
  kind: 'slab',
  id,
  name: id,
  x,
  y,
  w,
  h,
  style,
})
const raft = { kind: 'raft', id: 'raft', name: 'Raft', at: { x: 12, y: 12 }, r: 11, style: { ...style, fill: 'sea' } }
const iconOf = (...objects: object[]): Icon =>
  ({ id: 'made-up', name: 'made-up', masters: [{ base: 24, objects }] }) as unknown as Icon

describe('kinds that exist only here', () => {
  it('are read and written by files', async () => {
    const { readSetFile, writeSetFile } = await import('../formats/set-file')
    const set = { name: 'Made up', kind: 'interface' as const, rules, icons: [iconOf(raft, slab('deck', 6, 9, 12, 6))] }
    expect(readSetFile(writeSetFile(set)).set?.icons).toEqual(set.icons)
    const broken = writeSetFile(set).replace('"r": 11', '"r": -1')
    expect(readSetFile(broken).set).toBeUndefined()
  })

  it('are fitted to pixels, and looked at by checks that mend them', async () => {
    const { fitted } = await import('../rules/fit/fit')
    const { sceneOf } = await import('../drawing/evaluate/evaluated-scene')
    const { applyDrawingEdit } = await import('../drawing/edit/edit')
    const { snagsIn } = await import('../checks/snags')
    const small: Rules = { ...rules, grid: { ...rules.grid, size: 16 } }
    const [deck] = fitted(iconOf(slab('deck', 4, 9, 16, 7)).masters[0]!.objects, rules, small).objects as unknown as [
      ReturnType<typeof slab>,
    ]
    for (const side of [deck.x, deck.y, deck.x + deck.w, deck.y + deck.h]) expect(side).toBeCloseTo(Math.round(side), 9)

    const strict = { ...rules, checks: { 'off-grid': 'warning' as const } } as Rules
    const { objects } = iconOf(slab('deck', 3.13, 9.04, 18, 6)).masters[0]!
    const found = snagsIn({ objects, rules: strict, scene: sceneOf(strict) })
    const off = found.find(({ check }) => check === 'off-grid')!
    expect(off.sentence).toContain('deck')
    expect(found.map(({ check }) => check)).toContain('off-pixel')
    expect(applyDrawingEdit(objects, off.mend!)[0]).toMatchObject({ x: 3, y: 9, w: 18, h: 6 })
  })

  it('stand as grounds do for balance and for every target, and are drawn by all of them', async () => {
    const { balanceOfIcon } = await import('../proof/balance')
    const { picturePixels } = await import('../picture/pixels')
    const { IconRenderer } = await import('./icon-renderer')
    const { filesOfIcon } = await import('./plan')
    const { TARGETS } = await import('./targets')
    const icon = iconOf(raft, slab('deck', 6, 9, 12, 6))
    const renderer = new IconRenderer(icon, rules, null)
    expect(renderer.layers(48).plate).toHaveLength(1)
    expect(balanceOfIcon(icon, rules)).toMatchObject({ w: 12, h: 6 })
    const family = { name: 'Made up', kind: 'app' as const, icons: [icon], rules }
    let texts = 0,
      pictures = 0
    for (const { made } of filesOfIcon(
      icon,
      family,
      TARGETS.map(({ id }) => id),
    )) {
      if (made.as === 'text') expect(made.text(renderer).length, String(texts++)).toBeGreaterThan(20)
      for (const { pixels, of } of made.as === 'raster' ? [made.picture] : 'pictures' in made ? made.pictures : []) {
        const { data, width } = picturePixels(of(renderer), Math.min(pixels, 64))
        const middle = 4 * (Math.floor(data.length / 4 / width / 2) * width + Math.floor(width / 2))
        expect(data[middle + 3]).toBe(255)
        pictures++
      }
    }
    expect(texts).toBeGreaterThan(8)
    expect(pictures).toBeGreaterThan(30)
  })
})
