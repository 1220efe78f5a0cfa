import { beforeEach, describe, expect, it } from 'vitest'
import { area } from '@/core/geometry/area'
import { boxCentre } from '@/core/geometry/box'
import { extent } from '@/core/drawing/evaluate/extent'
import { solid } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject, OfKind } from '@/core/drawing/objects/object'
import { transformObject } from '@/core/drawing/objects/transform-object'
import { rotation } from '@/core/geometry/transform'
import { Rules } from '@/core/rules/rules'
import { setProblems } from '@/core/set/set'
import { commit, undoStep } from '../../session/session'
import type { Bench } from '../state/bench'
import { loosen } from './fix'
import { Hand } from '../../../testing/hand'
import { deletePart, openPlacement, partsOf, placePart, puttingBack, renamePart, saveAsPart, usesOf } from './parts'

const disc = (id: string, x: number, y: number, r: number): DrawingObject => ({
  kind: 'ellipse',
  id,
  name: id,
  x: x - r,
  y: y - r,
  w: 2 * r,
  h: 2 * r,
  style: { fill: 'ink', stroke: 'none', weight: 'main' },
})
const bar = (id: string): DrawingObject => ({
  kind: 'line',
  id,
  name: id,
  from: { x: 6, y: 8 },
  to: { x: 6, y: 12 },
  style: { fill: 'none', stroke: 'ink', weight: 'main', cap: 'butt' },
})

describe('parts', () => {
  let bench: Bench
  const set = () => bench.session.getState().history.present
  const placement = () => bench.objects.find(({ kind }) => kind === 'placement') as OfKind<'placement'>
  beforeEach(() => {
    bench = new Hand(disc('ball', 6, 6, 2), bar('bar')).bench
    bench.select(['ball', 'bar'])
    expect(saveAsPart(bench, 'Float')).toBeNull()
  })

  it('are saved from what is selected, in one step, and look as that did', () => {
    expect(bench.objects).toHaveLength(1)
    expect(placement()).toMatchObject({ part: 'float', name: 'Float' })
    expect(Math.abs(area(solid(placement(), bench.scene)))).toBeCloseTo(4 * Math.PI + 8, 6)
    expect(setProblems(set())).toEqual([])
    undoStep(bench.session)
    expect(bench.objects.map(({ id }) => id)).toEqual(['ball', 'bar'])
    expect(partsOf(bench.rules)).toEqual([])
  })

  it('change nothing else of the rules, whichever master is open: not its sizes, not its grid', () => {
    undoStep(bench.session)
    const rules: Rules = { ...bench.setRules, sizes: [16, 24, 48], masters: [{ base: 16 }] }
    commit(bench.session, { kind: 'rules', rules, renames: [] }, 'Derive masters')
    for (const master of [null, 16]) {
      bench.store.setState({ master })
      bench.select([bench.objects.at(-1)!.id])
      expect(saveAsPart(bench, `Part on ${master ?? 24}`)).toBeNull()
      openPlacement(bench, bench.objects.at(-1) as OfKind<'placement'>)
      const put = puttingBack(bench, bench.objects.at(-1)!.id)
      if (!put || 'problem' in put) throw new Error('It is not put back.')
      commit(bench.session, put.edit, 'Put back')
      const { parts, ...others } = bench.setRules
      expect(parts).toHaveLength(master === null ? 1 : 2)
      expect(others).toEqual(rules)
    }
  })

  it('keep the weights of the rules at any size, turn or flip, unless they are to scale', () => {
    const twice = transformObject(placement(), [2, 0, 0, 2, 0, 0])
    const weight = bench.scene.weight('main')
    // The bar grows along, not across.
    expect(Math.abs(area(solid(twice, bench.scene)))).toBeCloseTo(16 * Math.PI + 8 * weight, 6)
    const scaled = { ...twice, weights: 'scaled' as const }
    expect(Math.abs(area(solid(scaled, bench.scene)))).toBeCloseTo(4 * (4 * Math.PI + 8), 6)
    const turned = transformObject(placement(), rotation(90, { x: 0, y: 0 }))
    const { x, y } = boxCentre(extent(turned, bench.scene)),
      was = boxCentre(extent(placement(), bench.scene))
    expect([x, y].map((value) => value.toFixed(6))).toEqual([-was.y, was.x].map((value) => value.toFixed(6)))
    const red = { ...placement(), colours: [{ from: 'ink', to: '#d5401b' }] }
    const paints = bench.scene.shapes(red).map(({ fill, stroke }) => fill ?? stroke!.paint)
    expect(paints.every((paint) => 'name' in paint && paint.name === '#d5401b')).toBe(true)
  })

  it('are edited in place: every placement in every icon follows, with a word on how many', () => {
    const other = { id: 'j', name: 'other', masters: [{ base: 24, objects: [{ ...placement(), id: 'far' }] }] }
    commit(bench.session, { kind: 'add-icons', icons: [other], at: 1 }, 'Add')
    const turned = transformObject(placement(), [0, 2, -2, 0, 24, 0])
    bench.edit({ kind: 'replace', objects: [turned] }, 'Turn')
    openPlacement(bench, placement())
    const group = bench.objects[0] as OfKind<'group'>
    expect(bench.scope?.id).toBe(group.id)
    const ball = group.members[0]!
    const { x, y } = boxCentre(extent(ball, bench.scene))
    const larger = transformObject(ball, [1.5, 0, 0, 1.5, -0.5 * x, -0.5 * y])
    bench.edit({ kind: 'replace', objects: [larger] }, 'Grow')
    const change = puttingBack(bench, group.id)!
    if ('problem' in change) throw new Error(change.problem)
    expect(change.changed.map(({ name }) => name)).toEqual(['other'])
    commit(bench.session, change.edit, 'Put back')
    const far = set().icons[1]!.masters[0]!.objects[0]!
    expect(Math.abs(area(solid(far, bench.scene)))).toBeCloseTo(9 * Math.PI + 8 - overlap(3), 3)
    expect(setProblems(set())).toEqual([])
  })

  it('keep what is a placement’s own while they are open, and follow a new name meanwhile', () => {
    const own = {
      ...transformObject(placement(), [2, 0, 0, 2, -3, -2]),
      weights: 'scaled' as const,
      colours: [{ from: 'ink', to: '#d5401b' }],
      opacity: 0.5,
    }
    bench.edit({ kind: 'replace', objects: [own] }, 'Make it its own')
    openPlacement(bench, placement())
    const [group] = bench.objects as [OfKind<'group'>]
    // The part's own names are edited, not what this placement makes of them.
    expect(group.members.map((member) => 'style' in member && member.style)).toMatchObject([
      { weight: 'main' },
      { weight: 'main' },
    ])
    deletePart(bench, 'float')
    expect(partsOf(bench.rules)).toHaveLength(1)
    expect(renamePart(bench, 'float', 'buoy')).toBeNull()
    const before = partsOf(bench.rules)[0]!.objects
    const change = puttingBack(bench, group.id)!
    if ('problem' in change) throw new Error(change.problem)
    commit(bench.session, change.edit, 'Put back')
    expect(placement()).toEqual({ ...own, part: 'buoy' })
    // Opened and put back as it was, the part is what it was, but for ids.
    const bare = (objects: readonly DrawingObject[]) => objects.map(({ id: _, ...rest }) => rest)
    expect(bare(partsOf(bench.rules)[0]!.objects)).toEqual(bare(before))
  })

  it('cannot contain themselves', () => {
    openPlacement(bench, placement())
    const group = bench.objects[0] as OfKind<'group'>
    bench.store.setState({ scope: group.id })
    placePart(bench, 'float', { x: 3, y: 3 })
    expect(puttingBack(bench, group.id)).toEqual({ problem: 'The part “float” cannot contain itself.' })
    // Nor through another one, whatever a file says.
    const inner: DrawingObject = { kind: 'placement', id: 'p', name: 'p', part: 'raft', at: { x: 0, y: 0 } }
    const rules = {
      ...bench.rules,
      parts: [
        { name: 'float', at: { x: 0, y: 0 }, objects: [inner] },
        { name: 'raft', at: { x: 0, y: 0 }, objects: [{ ...inner, part: 'float' }] },
      ],
    }
    expect(Rules.safeParse(rules).error!.issues[0]!.message).toBe(
      'The part “float” cannot contain itself, which it would within “raft”.',
    )
  })

  it('are found, renamed with all that refers to them, and deleted only when nothing does', () => {
    expect(usesOf(set(), 'float')).toMatchObject({ count: 1, icons: [{ id: 'i' }] })
    deletePart(bench, 'float')
    expect(partsOf(bench.rules)).toHaveLength(1)
    expect(renamePart(bench, 'float', 'Big float')).toBeNull()
    expect(placement().part).toBe('big-float')
    expect(renamePart(bench, 'big-float', '9')).toMatch(/letter first/)
    bench.select([placement().id])
    loosen(bench)
    expect(bench.objects.map(({ kind }) => kind)).toEqual(['ellipse', 'line'])
    deletePart(bench, 'big-float')
    expect(partsOf(bench.rules)).toEqual([])
  })
})

/** What a disc of radius r about 6, 6 and the bar below it have in common. */
function overlap(r: number): number {
  // The bar of width 2 begins at y = 8, two below the centre; the disc ends at r there, as far as it is that wide.
  let sum = 0
  const steps = 200_000
  for (let i = 0; i < steps; i++) {
    const x = -1 + (2 * (i + 0.5)) / steps
    sum += Math.max(0, Math.sqrt(r * r - x * x) - 2) * (2 / steps)
  }
  return sum
}
