import fc from 'fast-check'
import { expect, it } from 'vitest'
import { smallBox } from '../../../../testing/samples'
import { rangeOf, rowsOf, rowsWith } from './rows'

const objects = [
  smallBox('a', 1),
  {
    kind: 'group' as const,
    id: 'g',
    name: 'Deck',
    members: [smallBox('b', 2), { ...smallBox('c', 3), locked: true as const }],
  },
  smallBox('d', 4),
]
const ids = (rows: ReturnType<typeof rowsOf>) => rows.map(({ object }) => object.id)

it('a range is the rows between, whichever end is pressed first, without what is locked', () => {
  const rows = rowsOf(objects, new Set())
  expect(ids(rows)).toEqual(['d', 'g', 'c', 'b', 'a'])
  fc.assert(
    fc.property(fc.constantFrom(...ids(rows)), fc.constantFrom(...ids(rows)), (from, to) => {
      const range = rangeOf(rows, from, to)
      expect(range).toEqual(rangeOf(rows, to, from))
      const [a, b] = [from, to].map((id) => ids(rows).indexOf(id)).sort((p, q) => p - q)
      expect(range).toEqual(
        ids(rows)
          .slice(a, b! + 1)
          .filter((id) => id !== 'c'),
      )
    }),
  )
  expect(rangeOf(rows, 'gone', 'b')).toEqual(['b'])
})

it('what is sought is found by name and by kind, folded or not', () => {
  expect(ids(rowsOf(objects, new Set(['g'])))).toEqual(['d', 'g', 'a'])
  expect(ids(rowsWith(objects, 'DECK '))).toEqual(['g'])
  expect(ids(rowsWith(objects, 'rect'))).toEqual(['d', 'c', 'b', 'a'])
})
