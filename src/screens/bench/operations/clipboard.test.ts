import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { Hand } from '../../../testing/hand'
import { copySelection, PASTING, pasteObjects } from './clipboard'
import { undoStep } from '../../session/session'

/** A clipboard event with what was copied in it. */
function clipboard() {
  const held = new Map<string, string>()
  return {
    held,
    preventDefault: () => undefined,
    clipboardData: {
      setData: (type: string, text: string) => held.set(type, text),
      getData: (type: string) => held.get(type) ?? '',
    },
  } as unknown as ClipboardEvent & { held: Map<string, string> }
}

const disc: DrawingObject = {
  kind: 'ellipse',
  id: 'd',
  name: 'd',
  x: 0,
  y: 0,
  w: 4,
  h: 4,
  style: { fill: 'brass', stroke: 'none', weight: 'main' },
}
const float = { name: 'float', at: { x: 2, y: 2 }, objects: [disc] }
const placement: DrawingObject = { kind: 'placement', id: 'p', name: 'Float', part: 'float', at: { x: 12, y: 12 } }

/** A bench whose set has a part and a swatch that others lack, with the part on the clipboard. */
function copied() {
  const there = new Hand(placement),
    event = clipboard()
  const rules = {
    ...there.bench.setRules,
    parts: [float],
    palette: [...there.bench.setRules.palette, { name: 'brass', color: '#e8b04a' }],
  }
  there.bench.edit({ kind: 'add', objects: [], into: null, at: 0 }, 'Rules', rules)
  there.bench.select(['p'])
  copySelection(there.bench, event, false)
  return event
}

describe('a part pasted into another set', () => {
  it('is not there before it was said that what it needs may come along, then all of it in one step', () => {
    const event = copied(),
      { bench } = new Hand()
    pasteObjects(bench, event)
    expect(bench.objects).toEqual([])
    const { question } = bench.read(PASTING)
    expect(question!.lacks).toEqual(['the swatch “brass”', 'the part “float”'])
    question!.accept()
    expect(bench.objects).toMatchObject([{ kind: 'placement', part: 'float' }])
    expect(bench.setRules.parts?.map(({ name }) => name)).toEqual(['float'])
    expect(bench.setRules.palette.map(({ name }) => name)).toContain('brass')
    undoStep(bench.session)
    expect(bench.objects).toEqual([])
    expect(bench.setRules.parts).toBeUndefined()
  })

  it('comes at once where nothing is lacking, and what is no drawing changes nothing', () => {
    const event = copied(),
      { bench } = new Hand()
    pasteObjects(bench, event)
    bench.read(PASTING).question!.accept()
    bench.put(PASTING, { question: null })
    pasteObjects(bench, event)
    expect(bench.read(PASTING).question).toBeNull()
    expect(bench.objects).toHaveLength(2)
    for (const type of event.held.keys()) event.held.set(type, '{"objects": 7')
    pasteObjects(bench, event)
    expect(bench.objects).toHaveLength(2)
  })
})
