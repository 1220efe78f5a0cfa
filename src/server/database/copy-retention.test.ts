import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOf, outdatedCopies } from './copy-retention'

const nameOf = (ago: number, today = '2026-11-29') =>
  `${new Date(Date.parse(today) - ago * 86_400_000).toISOString().slice(0, 10)}.db`

describe('copies of a shelf', () => {
  it('are kept of the last seven days of work and of four weeks before, and nothing else is touched', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(120), { maxLength: 60 }), (ago) => {
        const names = [...ago.map((n) => nameOf(n)), 'notes.txt', '2026-11-29.db.part']
        const gone = outdatedCopies(names, '2026-11-29')
        const left = names.filter((name) => dayOf(name) !== null && !gone.includes(name))
        const sorted = [...ago].sort((a, b) => a - b)
        for (const n of sorted.slice(0, 7)) expect(left).toContain(nameOf(n))
        expect(left.length).toBeLessThanOrEqual(11)
        expect(gone.every((name) => dayOf(name) !== null)).toBe(true)
        // The next day takes away nothing that is younger than a week.
        expect(outdatedCopies(left, '2026-11-29')).toEqual([])
      }),
    )
  })

  it('made before a change of the database are of their day', () => {
    expect(dayOf('2026-11-29 before 008-revisions.db')).toBe('2026-11-29')
    expect(dayOf('wise-square.db')).toBeNull()
  })
})
