import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { withOwnStyle, withFinish } from '../drawing/edit/paint'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { fixed } from '../drawing/edit/loose'
import { type DrawingObject, isStyled, type Styled } from '../drawing/objects/object'
import { shareable, styleOf } from '../drawing/scene/shared-style'
import type { Style } from '../drawing/model/style'
import { moveObject, transformObject } from '../drawing/objects/transform-object'
import { readSetFile, writeSetFile } from '../formats/set-file'
import { Rules } from '../rules/rules'
import { applyEdit } from './edit'
import { advance, beginning, undo } from './history'
import { type IconSet, setProblems } from './set'
import { sharingEdit } from './sharing'

const box = (id: string, x: number, finish: string): Styled => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y: 4,
  w: 6,
  h: 4,
  corner: 0,
  style: { finish },
})
const icon = (id: string, ...objects: DrawingObject[]) => ({
  id,
  name: id,
  masters: [{ base: SAMPLE_RULES.grid.size, objects }],
})
const set: IconSet = {
  name: 'Shared',
  kind: 'interface',
  rules: SAMPLE_RULES,
  icons: [
    icon('one', box('a', 2, 'deck'), box('b', 10, 'deck'), box('s', 2, 'sheen')),
    icon('two', { kind: 'group', id: 'g', name: 'g', members: [box('c', 3, 'deck')] }),
  ],
} as IconSet
const here = { icon: 'one', master: SAMPLE_RULES.grid.size }
const objectsIn = (of: IconSet, i: number) => of.icons[i]!.masters[0]!.objects
const fillsIn = (of: IconSet, i: number) =>
  evaluateAll(objectsIn(of, i), sceneOf(of.rules)).map(({ fill }) => fill && 'light' in fill && fill.light)
const restyled = (object: Styled, change: Partial<Style>): DrawingObject =>
  withFinish(object, { ...styleOf(object, sceneOf(SAMPLE_RULES)), ...change })

describe('a finish that is shared', () => {
  it('changes in every icon when it is changed on one object, in one step that can be undone', () => {
    const [a] = objectsIn(set, 0) as [Styled]
    const edit = sharingEdit(set, here, { kind: 'replace', objects: [restyled(a, { fill: '#11807f' })] })
    const history = advance(beginning(set), edit, 'Paint')
    expect(fillsIn(history.present, 0).slice(0, 2)).toEqual(['#11807f', '#11807f'])
    expect(fillsIn(history.present, 1)).toEqual(['#11807f'])
    expect(objectsIn(history.present, 0)).toEqual(objectsIn(set, 0))
    expect(undo(history).present).toEqual(set)
  })

  it('is left alone where an object changes otherwise: moved, fixed, or unlike another that shared it', () => {
    const [a, b] = objectsIn(set, 0) as [Styled, Styled]
    const scene = sceneOf(SAMPLE_RULES)
    const moved = { ...moveObject(restyled(a, { fill: '#11807f' }), { x: 1, y: 0 }) }
    const plain = fixed(a, scene, () => 'new')!
    const unlike = [restyled(a, { fill: '#11807f' }), restyled(b, { fill: '#6c7a14' })]
    for (const objects of [[moved], [plain], unlike]) {
      const next = applyEdit(set, sharingEdit(set, here, { kind: 'replace', objects }))
      expect(next.rules).toEqual(SAMPLE_RULES)
      expect(fillsIn(next, 1)).toEqual(['#d5401b'])
      for (const object of objects) expect(objectsIn(next, 0)).toContainEqual(object)
    }
  })

  it('lays its gradients over the box of each object, and keeps where they are pulled to', () => {
    const scene = sceneOf(SAMPLE_RULES)
    for (const [x, by] of [
      [2, 1],
      [-3.5, 0.25],
      [11, 3],
    ] as const) {
      const one = transformObject(box('s', x, 'sheen'), [by, 0, 0, by, 0, 0])
      const style = styleOf(one as Styled, scene)
      expect(style.fill).toMatchObject({ from: { x: x * by }, to: { x: (x + 6) * by } })
      expect(shareable(style, scene.box(one))).toEqual(SAMPLE_RULES.finishes![1]!.style)
      // A line is as flat as can be: there is room for a gradient all the same.
      const line = {
        kind: 'line',
        id: 'l',
        name: 'l',
        from: { x, y: 3 },
        to: { x: x + 8, y: 3 },
        style: { finish: 'sheen' },
      }
      expect(styleOf(line as Styled, scene).fill).toMatchObject({ from: { x }, to: { x: x + 8 } })
    }
  })

  it('looks the same as a finish of the object’s own, in files too, and goes by another name when it is renamed', () => {
    const own = objectsIn(set, 0).map((object) =>
      isStyled(object) ? withOwnStyle(object, sceneOf(SAMPLE_RULES)) : object,
    )
    expect(evaluateAll(own, sceneOf(SAMPLE_RULES))).toEqual(evaluateAll(objectsIn(set, 0), sceneOf(SAMPLE_RULES)))
    expect(readSetFile(writeSetFile(set))).toMatchObject({ set })
    const finishes = SAMPLE_RULES.finishes!.map((one) => (one.name === 'deck' ? { ...one, name: 'hull' } : one))
    const rules = { ...SAMPLE_RULES, finishes }
    const renamed = applyEdit(set, { kind: 'rules', rules, renames: [{ kind: 'finish', from: 'deck', to: 'hull' }] })
    expect(objectsIn(renamed, 0)[0]).toMatchObject({ style: { finish: 'hull' } })
    expect(setProblems(renamed)).toEqual([])
    expect(setProblems(applyEdit(set, { kind: 'rules', rules, renames: [] })).join()).toContain('deck')
  })

  it('refers to what the rules have', () => {
    const finishes = [{ name: 'deck', style: { fill: 'nowhere', stroke: 'none', weight: 'main' } }]
    expect(Rules.safeParse({ ...SAMPLE_RULES, finishes }).error?.issues[0]!.message).toBe(
      'The finish “deck” uses the swatch “nowhere”, which the rules do not have.',
    )
  })
})
