import { type Field, smoothness } from '../field'
import { freehandRun } from './trace'
import type { Bend } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Bend> = {
  fields: ({ strokes }) => [
    WIDTH,
    ...(strokes.some(({ trace }) => trace) ? [SMOOTHNESS] : []),
    ...strokes.map((_, i) => lying(i)),
  ],
}

const WIDTH: Field<Bend> = {
  id: 'width',
  what: 'the width',
  as: 'number',
  prefix: 'Width ',
  suffix: ' %',
  step: 5,
  limits: { least: -10_000, most: 10_000 },
  read: ({ width }) => width * 100,
  write: (object, value) => ({ ...object, width: value / 100 }),
}

const LIES = {
  'as drawn': undefined,
  'flipped over it': 'flipped',
  'from its end': 'reversed',
  'both ways': 'both',
} as const

/** Fields for the course of the members along one of the strokes. */
const lying = (i: number): Field<Bend> => ({
  id: `stroke ${i + 1}`,
  what: `how it lies along stroke ${i + 1}`,
  as: 'choice',
  options: Object.keys(LIES),
  read: ({ strokes }) => Object.entries(LIES).find(([, lies]) => lies === strokes[i]?.lies)![0],
  write: (object, word) => ({
    ...object,
    strokes: object.strokes.map((one, k) => {
      if (k !== i) return one
      const { lies: _, ...rest } = one
      const lies = LIES[word as keyof typeof LIES]
      return lies ? { ...rest, lies } : rest
    }),
  }),
})

const SMOOTHNESS: Field<Bend> = smoothness({
  read: ({ strokes }) => strokes.find(({ trace }) => trace)?.trace!.smoothness ?? 0,
  write: (object, value) => ({
    ...object,
    strokes: object.strokes.map((one) => {
      if (!one.trace) return one
      const trace = { ...one.trace, smoothness: value }
      const run = freehandRun(trace)
      return run ? { ...one, run, trace } : one
    }),
  }),
})
