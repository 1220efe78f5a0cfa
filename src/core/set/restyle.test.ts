import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { evaluateAll } from '../drawing/evaluate'
import { sceneOf } from '../drawing/evaluated-scene'
import type { OfKind } from '../drawing/object'
import { walk } from '../drawing/tree'
import { iconSvg } from '../formats/drawn'
import { readSetFile } from '../formats/set-file'
import { bookAt } from '../rules/book'
import type { Rules } from '../rules/rules'
import { applyEdit } from './edit'
import { masterOn } from './masters'
import { restyledSet } from './restyle'
import { type Icon, masterFor, setProblems } from './set'

const set = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const thin: Rules = {
  ...set.rules,
  weights: set.rules.weights.map((one) => (one.name === 'main' ? { ...one, value: 1.5 } : one)),
}
const gridOf = (size: number): Rules => {
  const { masters: _, ...rules } = bookAt({ ...set.rules, masters: [] }, size)
  return { ...rules, sizes: set.rules.sizes }
}
const circles = ({ masters }: Icon) =>
  [...walk(masters[0]!.objects)].flatMap(({ object }) =>
    object.kind === 'ellipse' && !object.turn ? [object as OfKind<'ellipse'>] : [],
  )

describe('a set under other rules', () => {
  it('leaves icons that are excepted as they look, and all others follow', () => {
    const except = [set.icons[0]!.id, set.icons[3]!.id]
    const next = restyledSet(set, { rules: thin, renames: [], except })
    expect(setProblems(next)).toEqual([])
    next.icons.forEach((icon, i) => {
      const was = iconSvg(set.icons[i]!, set.rules, 'light'),
        is = iconSvg(icon, thin, 'light')
      if (except.includes(icon.id)) expect([icon.name, is]).toEqual([icon.name, was])
      else if (was.includes('stroke-width="2"')) expect([icon.name, is === was]).toEqual([icon.name, false])
    })
  })

  it.each([20, 32])(
    'on a grid of %d is fitted to it: circles stay circles, all that was in the live area stays there',
    (size) => {
      const rules = gridOf(size)
      const next = applyEdit(set, { kind: 'rules', rules, renames: [], drawings: 'fitted' })
      expect(setProblems(next)).toEqual([])
      next.icons.forEach((icon, i) => {
        expect(masterFor(icon).base).toBe(size)
        const was = circles(set.icons[i]!)
        circles(icon).forEach((circle, k) => {
          if (was[k]!.w === was[k]!.h) expect(circle.w).toBeCloseTo(circle.h, 9)
        })
        expect(() => evaluateAll(masterFor(icon).objects, sceneOf(rules))).not.toThrow()
      })
    },
  )

  it('takes what is drawn for a grid already as it is, once that becomes the grid of the set', () => {
    const next = applyEdit(set, { kind: 'rules', rules: gridOf(16), renames: [], drawings: 'fitted' })
    expect(next.icons.every(({ masters }) => masters.length === 1)).toBe(true)
    next.icons.forEach((icon, i) =>
      expect(masterFor(icon).objects).toBe(masterOn(set.icons[i]!, set.rules, 16).master.objects),
    )
  })

  it.each(['fitted', 'scaled', undefined] as const)(
    'on a grid that it has masters for loses nothing that was drawn: %s',
    (how) => {
      const tuned = set.icons.find(({ masters }) => masters.length > 1)!
      const [main, small] = tuned.masters as [Icon['masters'][number], Icon['masters'][number]]
      const guides = [{ id: 'g', at: { x: 12, y: 12 }, angle: 90 }]
      const aside = [{ name: 'old', objects: [{ ...main.objects[0]!, id: 'old-1' }] }]
      const icon: Icon = { ...tuned, masters: [{ ...main, guides, title: 'new', alternatives: aside }, small] }
      const one = { ...set, icons: [icon] }
      const next = applyEdit(one, { kind: 'rules', rules: gridOf(16), renames: [], ...(how && { drawings: how }) })
      expect(setProblems(next)).toEqual([])
      const master = masterFor(next.icons[0]!)
      expect(master.guides![0]!.at.x).toBe(how ? 8 : 12)
      expect(master.alternatives!.map(({ name }) => name)).toEqual(how === 'fitted' ? ['old'] : ['old', '16 master'])
      const names = (objects: readonly { name: string }[]) => objects.map(({ name }) => name)
      expect(names(how === 'fitted' ? master.objects : master.alternatives!.at(-1)!.objects)).toEqual(
        names(small.objects),
      )
    },
  )
})
