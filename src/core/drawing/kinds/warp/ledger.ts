import type { Field } from '../field'
import { type Form, type Warp } from './schema'
import { asLattice, cornersOf } from './space'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Warp> = {
  fields: ({ form }) => [FORM, ...(form.by === 'form' ? [AMOUNT] : form.by === 'lattice' ? [PAIRS] : [])],
}

const WAYS = ['four corners', 'bow', 'S-curve', 'swell', 'pinch', 'lattice'] as const

const FORMS = { bow: 'bow', 'S-curve': 'wave', swell: 'swell', pinch: 'pinch' } as const

function wayOf(form: Form): (typeof WAYS)[number] {
  if (form.by === 'corners') return 'four corners'
  if (form.by === 'lattice') return 'lattice'
  return form.form === 'wave' ? 'S-curve' : form.form
}

const FORM: Field<Warp> = {
  id: 'form',
  what: 'the form',
  as: 'choice',
  options: WAYS,
  read: ({ form }) => wayOf(form),
  write(object, way) {
    const { form } = object
    if (way === 'four corners') return { ...object, form: { by: 'corners', corners: cornersOf(form) } }
    if (way === 'lattice') return { ...object, form: asLattice(form) }
    const amount = form.by === 'form' ? form.amount : 0.2
    return { ...object, form: { by: 'form', form: FORMS[way as keyof typeof FORMS], amount } }
  },
}

const AMOUNT: Field<Warp> = {
  id: 'amount',
  what: 'the amount',
  as: 'number',
  suffix: ' %',
  step: 5,
  limits: { least: -1000, most: 1000 },
  read: ({ form }) => (form.by === 'form' ? form.amount * 100 : 0),
  write: (object, value) =>
    object.form.by === 'form' ? { ...object, form: { ...object.form, amount: value / 100 } } : object,
}

const PAIRS: Field<Warp> = {
  id: 'handles',
  what: 'how handles move',
  as: 'choice',
  options: ['single handles', 'mirrored pairs'],
  read: ({ form }) => (form.by === 'lattice' && form.pairs ? 'mirrored pairs' : 'single handles'),
  write(object, way) {
    if (object.form.by !== 'lattice') return object
    const { pairs: _, ...form } = object.form
    return { ...object, form: way === 'mirrored pairs' ? { ...form, pairs: true } : form }
  },
}
