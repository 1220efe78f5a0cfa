import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boxIcon, pier } from '../../testing/samples'
import { runs } from '../../testing/runs'
import { withFixedCodes } from '../targets/font/codes'
import { unitedCodes } from './code-points'
import { applyEdit } from './edit'
import { advance, beginning, type History, redo, undo } from './history'
import { mergedSet } from './merge-set'
import type { IconSet } from './set'

type Act = {
  readonly window: 0 | 1
  readonly kind: 'add' | 'remove' | 'release' | 'undo' | 'redo' | 'targets' | 'save'
}

const act: fc.Arbitrary<Act> = fc.record({
  window: fc.constantFrom(0 as const, 1 as const),
  kind: fc.constantFrom('add', 'remove', 'release', 'undo', 'redo', 'targets', 'save', 'save'),
})

/** Two windows on one set: the stored set, and the history and merge base of each window. */
class Windows {
  stored: IconSet = pier
  readonly histories: [History, History] = [beginning(pier), beginning(pier)]
  readonly bases: [IconSet, IconSet] = [pier, pier]
  private count = 0

  go({ window, kind }: Act): void {
    const history = this.histories[window],
      { present } = history
    const edited = (edit: Parameters<typeof advance>[1]) => (this.histories[window] = advance(history, edit, kind))
    switch (kind) {
      case 'add':
        return void edited({ kind: 'add-icons', icons: [boxIcon(`new-${this.count++}`)], at: present.icons.length })
      case 'remove':
        return void (present.icons[1] && edited({ kind: 'remove-icons', ids: [present.icons[1].id] }))
      case 'targets':
        return void edited({ kind: 'delivery', delivery: { targets: ['font', `png`.slice(0, 1 + (this.count % 3))] } })
      case 'undo':
        return void (this.histories[window] = undo(history))
      case 'redo':
        return void (this.histories[window] = redo(history))
      case 'release': {
        const delivery = withFixedCodes(present)!
        this.histories[window] = { ...history, present: applyEdit(present, { kind: 'delivery', delivery }) }
        return this.save(window)
      }
      case 'save':
        return this.save(window)
    }
  }

  private save(window: 0 | 1): void {
    const history = this.histories[window]
    const { set, conflicts } = mergedSet(this.bases[window], history.present, this.stored)
    expect(conflicts.filter(({ key }) => key === 'codes')).toEqual([])
    this.stored = this.bases[window] = set
    this.histories[window] = { ...history, present: set }
  }
}

describe('code points', () => {
  it('that were saved stay with their icons for good and are never given twice, whatever two windows do, undo and merge', () => {
    fc.assert(
      fc.property(fc.array(act, { minLength: 4, maxLength: 40 }), (acts) => {
        const windows = new Windows()
        for (const one of acts) {
          const before = windows.stored.delivery?.codes ?? {}
          windows.go(one)
          const after = windows.stored.delivery?.codes ?? {}
          expect(after).toMatchObject(before)
          expect(new Set(Object.values(after)).size).toBe(Object.keys(after).length)
        }
      }),
      runs(300),
    )
  })

  it('of which two icons got one at the same time move: the later one, after all that were ever given', () => {
    expect(unitedCodes({ oar: 0xe001, buoy: 0xe003 }, { oar: 0xe009, ferry: 0xe003, quay: 0xe002 })).toEqual({
      oar: 0xe001,
      buoy: 0xe003,
      quay: 0xe002,
      ferry: 0xe004,
    })
    expect(unitedCodes({ oar: 0xf8ff }, { buoy: 0xf8ff })).toEqual({ oar: 0xf8ff, buoy: 0xf0000 })
  })
})
