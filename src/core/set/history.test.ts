import { describe, expect, it } from 'vitest'
import { boxIcon, pier } from '../../testing/samples'
import { advance, beginning, bounded, type History, undo } from './history'

/** A history of so many steps, each of which draws one icon with so many boxes anew. */
function drawn(steps: number, boxes: number): History {
  const [box] = boxIcon('oar').masters[0]!.objects
  let history = beginning(pier)
  for (let step = 0; step < steps; step++) {
    const objects = Array.from({ length: boxes }, (_, i) => ({ ...box!, id: `${step}-${i}` }))
    const edit = { kind: 'master', icon: 'oar', master: 24, drawn: { base: 24, objects } } as const
    history = advance(history, edit, `step ${step}`)
  }
  return history
}

describe('a history', () => {
  it('lets go of its oldest steps where they hold too much, keeps the last one, and undoes what is left as before', () => {
    const history = drawn(20, 100)
    // 100 boxes and their icon, at 250 bytes each.
    const perStep = 250 * 102
    const ten = bounded(history, 10.5 * perStep)
    expect(ten.past).toEqual(history.past.slice(-10))
    expect(ten.present).toBe(history.present)
    expect(undo(ten).present).toEqual(undo(history).present)
    expect(bounded(history, 1).past).toEqual(history.past.slice(-1))
    expect(bounded(history)).toBe(history)
    // Undone steps count too.
    const back = Array.from({ length: 5 }).reduce<History>(undo, history)
    expect(bounded(back, 10.5 * perStep).past).toEqual(back.past.slice(-5))
  })
})
