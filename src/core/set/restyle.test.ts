import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { extentOf } from '../drawing/evaluate/extent'
import { moveObject } from '../drawing/objects/transform-object'
import { scaled } from '../rules/fit/brought'
import { fitted } from '../rules/fit/fit'
import type { OfKind } from '../drawing/objects/object'
import { walk } from '../drawing/objects/tree'
import { iconSvg } from '../picture/drawn'
import { readSetFile } from '../formats/set-file'
import { basesOf, rulesForGrid } from '../rules/rules-for-grid'
import { Rules } from '../rules/rules'
import { applyEdit } from './edit'
import { masterOn } from './masters'
import { mergedSet } from './merge-set'
import { onOtherGridFrom, restyledSet } from './restyle'
import { type Icon, masterFor, setProblems } from './set'

const set = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const thin: Rules = {
  ...set.rules,
  weights: set.rules.weights.map((one) => (one.name === 'main' ? { ...one, value: 1.5 } : one)),
}
const gridOf = (size: number): Rules => {
  const { masters: _, ...rules } = rulesForGrid({ ...set.rules, masters: [] }, size)
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

  it.each(['quayside', 'skerry-app'])(
    'leaves them so on every grid and ground, whatever changes by name: %s',
    (file) => {
      const before = readSetFile(readFileSync(`demo/${file}.wisesquare.json`, 'utf8')).set!
      const was: Rules = { ...before.rules, masters: [{ base: 16 }], grid: { ...before.rules.grid } }
      const all = { ...before, rules: before.rules.grid.size === 24 ? was : before.rules }
      const dark = '#123456'
      const after: Rules = {
        ...all.rules,
        cap: all.rules.cap === 'butt' ? 'round' : 'butt',
        join: all.rules.join === 'bevel' ? 'round' : 'bevel',
        weights: all.rules.weights.map((one) => ({ ...one, value: one.value * 0.75 })),
        radii: all.rules.radii.map(({ name, value }) => ({ name, value: value + 0.5 })),
        palette: all.rules.palette.map((one) => ({ ...one, color: '#654321', dark })),
        ...(all.rules.gradients && {
          gradients: all.rules.gradients.map((one) => ({
            ...one,
            stops: one.stops.toReversed().map((stop, i) => ({ ...stop, at: one.stops[i]!.at })),
          })),
        }),
        ...(all.rules.plates && {
          plates: all.rules.plates.map((one) => ({ ...one, shape: 'circle' as const, w: one.w / 2 })),
        }),
        ...(all.rules.parts && {
          parts: all.rules.parts.map((one) => ({ ...one, at: { x: one.at.x + 1, y: one.at.y } })),
        }),
        ...(all.rules.finishes && {
          finishes: all.rules.finishes.map((one) => ({ ...one, style: { ...one.style, fill: '#ffffff' } })),
        }),
        ...(all.rules.masters && {
          masters: [{ base: 16, weights: all.rules.weights.map(({ name }) => ({ name, value: 3 })) }],
        }),
      }
      const except = all.icons.filter((_, i) => i % 2 === 0).map(({ id }) => id)
      const next = restyledSet(all, { rules: after, renames: [], except })
      expect(setProblems(next)).toEqual([])
      expect(Rules.safeParse(next.rules).error).toBeUndefined()
      const looks = (icon: Icon, rules: Rules) =>
        basesOf(rules).flatMap((base) =>
          evaluateAll(masterOn(icon, rules, base).master.objects, sceneOf(rulesForGrid(rules, base))).map((shape) =>
            JSON.parse(
              JSON.stringify(shape, (key, value) => (['name', 'ink', 'weight'].includes(key) ? undefined : value)),
            ),
          ),
        )
      const [kept, others] = [true, false].map((isKept) =>
        all.icons.flatMap((icon, i) => (except.includes(icon.id) === isKept ? [[icon, next.icons[i]!] as const] : [])),
      )
      for (const [one, other] of kept!)
        expect([one.name, looks(other, next.rules)]).toEqual([one.name, looks(one, all.rules)])
      for (const [one, other] of others!) expect(other.masters).toBe(one.masters)
    },
  )

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

  it('has one fitting: computed before or not, read anew, merged with what was drawn elsewhere', () => {
    const icons = set.icons.slice(0, 8),
      few = { ...set, icons }
    const edit = { kind: 'rules', rules: gridOf(20), renames: [], drawings: 'fitted' } as const
    const anew = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
    const cold = applyEdit(few, edit)
    const fits = onOtherGridFrom(few).map((one) => ({
      ...one,
      objects: anew(fitted(anew(one.of), anew(set.rules), gridOf(20)).objects),
    }))
    expect(applyEdit(few, { ...edit, fits }).icons).toEqual(cold.icons)
    // Fits of other drawings are ignored.
    expect(applyEdit(anew(few), { ...edit, fits: anew(fits).map((one) => ({ ...one, objects: [] })) }).icons).toEqual(
      cold.icons,
    )
    for (const { id, masters } of icons) {
      const [object] = masters[0]!.objects
      const moved = {
        kind: 'draw',
        icon: id,
        master: 24,
        edit: { kind: 'replace', objects: [moveObject(object!, { x: 0.5, y: 0 })] },
      } as const
      const theirs = applyEdit(few, moved)
      const merged = mergedSet(few, cold, anew(theirs))
      expect([id, merged.conflicts]).toEqual([id, []])
      expect(merged.set.icons.find((icon) => icon.id === id)).toEqual(
        applyEdit(theirs, edit).icons.find((icon) => icon.id === id),
      )
    }
  })

  it('only scaled to another grid and back is what it was', () => {
    const { masters: _, ...plain } = set.rules
    const there = restyledSet({ ...set, rules: plain }, { rules: gridOf(32), renames: [], drawings: 'scaled' }),
      back = restyledSet(there, { rules: plain, renames: [], drawings: 'scaled' })
    const rounded = ({ icons }: typeof set) =>
      icons.map(({ masters }) =>
        JSON.parse(
          JSON.stringify(masters[0], (_, value) => (typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value)),
        ),
      )
    expect(rounded(back)).toEqual(rounded(set))
  })

  it.each(['fitted', 'scaled'] as const)(
    'brings plates and parts along once, where the rules did so already too: %s',
    (drawings) => {
      const app = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!
      const half: Rules = { ...rulesForGrid(app.rules, 512), sizes: app.rules.sizes }
      const halved: Rules = {
        ...half,
        plates: app.rules.plates!.map((one) => ({ ...one, w: one.w / 2, h: one.h / 2 })),
        parts: app.rules.parts?.map((one) => ({
          ...one,
          at: { x: one.at.x / 2, y: one.at.y / 2 },
          objects: scaled(one.objects, app.rules, half),
        })),
      }
      for (const rules of [half, halved]) {
        const next = restyledSet(app, { rules, renames: [], drawings })
        next.icons.forEach((icon, i) => {
          const was = extentOf(masterFor(app.icons[i]!).objects, sceneOf(app.rules))!,
            is = extentOf(masterFor(icon).objects, sceneOf(next.rules))!
          expect([icon.name, Math.abs(is.w / was.w - 0.5) < 0.02, Math.abs(is.h / was.h - 0.5) < 0.02]).toEqual([
            icon.name,
            true,
            true,
          ])
        })
      }
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
