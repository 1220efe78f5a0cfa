import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../../formats/set-file'
import { masterFor } from '../../set/set'
import { rulesForGrid } from '../rules-for-grid'
import { fitted } from './fit'
import { withPin } from './pin'
import { type HeldTie, withTiePin } from './tie'

const { rules, icons } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const at16 = rulesForGrid(rules, 16)
const cases = icons.map((icon) => {
  const { objects } = masterFor(icon)
  const on16 = (pins: Parameters<typeof fitted>[3]) => fitted(objects, rules, at16, pins)
  return { name: icon.name, on16, before: on16([]) }
})
const at = (tie: HeldTie, among: readonly HeldTie[]) =>
  among.find(({ kind, at: place }) => kind === tie.kind && place.x === tie.at.x && place.y === tie.at.y)!

describe('what relates places of a derived master', () => {
  it('is kept once a person holds to it, whatever edges have to give way', () => {
    let held = 0
    for (const { name, on16, before } of cases)
      for (const tie of before.ties.filter(({ state }) => state === 'missed')) {
        const after = on16(withTiePin([], tie, true))
        expect([name, tie.kind, at(tie, after.ties).state]).toEqual([name, tie.kind, 'pinned'])
        held++
      }
    expect(held).toBeGreaterThan(2)
  })

  it('is let go one by one: nothing else that held is missed for it; left to the fitting again, all is as it was', () => {
    for (const { name, on16, before } of cases.filter((_, i) => i % 3 === 0))
      for (const tie of before.ties.filter((one, i) => one.state === 'holds' && i % 2 === 0)) {
        const pins = withTiePin([], tie, false)
        const after = on16(pins)
        expect(at(tie, after.ties).state).toBe('let-go')
        const missed = after.ties.filter((one) => one.state === 'missed' && at(one, before.ties)?.state === 'holds')
        expect([name, tie.kind, missed.filter(({ kind }) => kind !== 'slant')]).toEqual([name, tie.kind, []])
        expect(withTiePin(pins, tie, null)).toEqual([])
      }
  })

  it('lets one side move without the other, once it need not be its own mirror image', () => {
    const alongX = (list: (typeof cases)[0]['before']['held']) => list.filter(({ axis }) => axis === 'x')
    for (const { on16, before } of cases.filter(({ name }) => name === 'low-tide' || name === 'lantern')) {
      const [edge] = alongX(before.held)
      const letGo = before.ties
        .filter(({ kind }) => kind === 'left-right')
        .reduce((pins, tie) => withTiePin(pins, tie, false), [] as ReturnType<typeof withTiePin>)
      const farWith = (pins: typeof letGo) =>
        alongX(on16(withPin(pins, edge!, { axis: 'x', at: edge!.at, to: edge!.place - 1 }, 16 / 24)).held).at(-1)!.place
      const far = alongX(before.held).at(-1)!.place
      expect(farWith([])).toBeCloseTo(far + 1, 3)
      expect(farWith(letGo)).toBeCloseTo(far, 3)
    }
  })
})
