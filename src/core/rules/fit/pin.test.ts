import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../../formats/set-file'
import { applyEdit } from '../../set/edit'
import { masterOn, type Standing } from '../../set/masters'
import { pinsOf } from '../../set/set'
import { fitted } from './fit'
import { rulesForGrid } from '../rules-for-grid'
import { masterFor } from '../../set/set'
import { withPin } from './pin'

const { set } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
const { rules } = set!
const at16 = rulesForGrid(rules, 16),
  SCALE = 16 / 24
const icons = set!.icons.filter((_, i) => i % 4 === 0)

describe('what a person pins of a derived master', () => {
  it('lies where it is pinned, whatever else has to give way, and everything else is fitted around it', () => {
    for (const icon of icons) {
      const { objects } = masterFor(icon)
      const before = fitted(objects, rules, at16)
      for (const one of before.held.filter((_, i) => i % 3 === 0)) {
        const to = one.place + 0.5
        const pins = withPin([], one, { axis: one.axis, at: one.at, to }, SCALE)
        const { held, objects: after } = fitted(objects, rules, at16, pins)
        const same = held.find(({ axis, at }) => axis === one.axis && at === one.at)!
        expect([icon.name, one.axis, one.at, same.state]).toEqual([icon.name, one.axis, one.at, 'pinned'])
        expect(Math.abs(same.place - to), `${icon.name} ${one.axis} ${one.at}`).toBeLessThan(0.002)
        expect(after.map(({ id, kind }) => [id, kind])).toEqual(objects.map(({ id, kind }) => [id, kind]))
      }
    }
  })

  it('is let go: no other coordinate is less crisp for it, and without any pin all is as it was', () => {
    for (const icon of icons) {
      const { objects } = masterFor(icon)
      const before = fitted(objects, rules, at16)
      const [one] = before.held
      if (!one) continue
      const pins = withPin([], one, { axis: one.axis, at: one.at, to: null }, SCALE)
      expect(
        fitted(objects, rules, at16, pins).held.find(({ axis, at }) => axis === one.axis && at === one.at)!.state,
      ).toBe('let-go')
      expect(withPin(pins, one, null, SCALE)).toEqual([])
      expect(fitted(objects, rules, at16, []).objects).toEqual(before.objects)
    }
  })

  it('stays with the master while its drawing goes on following the main one', () => {
    const icon = icons[0]!
    const derived = (of: typeof set) =>
      masterOn(
        of!.icons.find(({ id }) => id === icon.id)!,
        rules,
        16,
      )
    const heldOf = ({ standing }: { standing: Standing }) => (standing.by === 'derivation' ? standing.held : [])
    const one = heldOf(derived(set)).find(({ state }) => state === 'crisp')!
    const pin = { axis: one.axis, at: one.at, to: one.place + 1 }
    const pinned = applyEdit(set!, { kind: 'pins', icon: icon.id, master: 16, pins: [pin] })
    const { master, standing } = derived(pinned)
    expect(pinsOf(master)).toEqual([pin])
    expect(standing).toMatchObject({ by: 'derivation', isChanged: false, conflicts: [] })
    expect(master.objects).not.toEqual(derived(set).master.objects)
    // The name of an object of the main drawing arrives.
    const [first] = masterFor(icon).objects
    const renamed = applyEdit(pinned, {
      kind: 'draw',
      icon: icon.id,
      master: 24,
      edit: { kind: 'replace', objects: [{ ...first!, name: 'Keel' }] },
    })
    expect(derived(renamed).master.objects[0]!.name).toBe('Keel')
    const { pins: _, ...rest } = derived(
      applyEdit(renamed, { kind: 'pins', icon: icon.id, master: 16, pins: [] }),
    ).master
    expect(rest.objects).toEqual(
      derived(
        applyEdit(set!, {
          kind: 'draw',
          icon: icon.id,
          master: 24,
          edit: { kind: 'replace', objects: [{ ...first!, name: 'Keel' }] },
        }),
      ).master.objects,
    )
  })
})
