import type { LedgerFacet } from '../facets/ledger'
import { distance, type Point, subtract } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { translation } from '../../../geometry/transform'
import type { Scene } from '../../scene/scene'
import type { Field } from '../field'
import { countOf } from './places'
import type { Course, OfCourse, Repeat } from './schema'

const MANY = { least: 1, most: 500, whole: true }

/** The numbers of a repeat, by what its copies go along. */
function repeatFields({ course, copies }: Repeat): Field<Repeat>[] {
  const own = copies ? [OWN_COPIES] : []
  switch (course.by) {
    case 'turn':
      return [...of('turn', TURN), ...own]
    case 'path':
      return [...of('path', course.distance === undefined ? PATH : [...PATH, DISTANCE]), ...own]
    case 'lattice':
      return [...of('lattice', LATTICE), ...own]
  }
}

/** Fields of one course as fields of a repeat with that course. */
const of = <By extends Course['by']>(_: By, fields: readonly Field<OfCourse<By>>[]): Field<Repeat>[] =>
  fields as unknown as Field<Repeat>[]

const withCourse = <R extends Repeat>(object: R, change: Partial<R['course']>): R => ({
  ...object,
  course: { ...object.course, ...change },
})

const TURN: readonly Field<OfCourse<'turn'>>[] = [
  {
    id: 'count',
    what: 'the count',
    as: 'number',
    suffix: '×',
    step: 1,
    limits: MANY,
    read: ({ course }) => course.count,
    write: (object, count) => withCourse(object, { count }),
  },
  {
    id: 'angle',
    what: 'the angle',
    as: 'number',
    prefix: 'Sweep ',
    suffix: '°',
    step: 15,
    limits: { least: -360, most: 360 },
    read: ({ course }) => course.angle,
    write: (object, angle) => withCourse(object, { angle }),
  },
  {
    id: 'radius',
    what: 'the radius',
    as: 'number',
    prefix: 'Radius ',
    limits: { least: 0, most: 1e5 },
    read: ({ from, course }) => distance(from, course.at),
    write: (object, radius, scene) => withRadius(object, radius, scene),
  },
  {
    id: 'copies turn',
    what: 'whether copies turn',
    as: 'choice',
    options: ['turned', 'upright'],
    read: ({ course }) => (course.upright ? 'upright' : 'turned'),
    write({ course: { upright: _, ...course }, ...object }, way) {
      return { ...object, course: way === 'upright' ? { ...course, upright: true } : course } as OfCourse<'turn'>
    },
  },
]

const PATH: readonly Field<OfCourse<'path'>>[] = [
  {
    id: 'count',
    what: 'the count',
    as: 'number',
    suffix: '×',
    step: 1,
    limits: MANY,
    read: ({ course }) => (course.distance === undefined ? course.count : Math.max(1, countOf(course))),
    write({ course: { distance: _, ...course }, ...object }, count) {
      return { ...object, course: { ...course, count } } as OfCourse<'path'>
    },
  },
  {
    id: 'spread',
    what: 'how copies are spread',
    as: 'choice',
    options: ['by count', 'by distance'],
    read: ({ course }) => (course.distance === undefined ? 'by count' : 'by distance'),
    write({ course: { distance, ...course }, ...object }, way) {
      return {
        ...object,
        course: way === 'by count' ? course : { ...course, distance: distance ?? 4 },
      } as OfCourse<'path'>
    },
  },
  {
    id: 'ends',
    what: 'whether its ends have copies',
    as: 'choice',
    options: ['with ends', 'without ends'],
    read: ({ course }) => (course.inside ? 'without ends' : 'with ends'),
    write({ course: { inside: _, ...course }, ...object }, way) {
      return { ...object, course: way === 'with ends' ? course : { ...course, inside: true } } as OfCourse<'path'>
    },
  },
  {
    id: 'copies turn',
    what: 'whether copies turn',
    as: 'choice',
    options: ['upright', 'turned'],
    read: ({ course }) => (course.turned ? 'turned' : 'upright'),
    write({ course: { turned: _, ...course }, ...object }, way) {
      return { ...object, course: way === 'turned' ? { ...course, turned: true } : course } as OfCourse<'path'>
    },
  },
]

/** The distance of copies along a path. */
const DISTANCE: Field<OfCourse<'path'>> = {
  id: 'distance',
  what: 'the distance',
  as: 'number',
  prefix: 'Distance ',
  limits: { least: 0.01, most: 1e6 },
  read: ({ course }) => course.distance ?? 0,
  write: (object, value) => withCourse(object, { distance: value }),
}

const size = ({ x, y }: Point): number => Math.hypot(x, y)

/** A vector of another length, to the right (or downwards) where it had none. */
function lengthened(vector: Point, length: number, otherwise: Point): Point {
  const now = size(vector),
    unit = now > 0 ? { x: vector.x / now, y: vector.y / now } : otherwise
  return { x: tidy(unit.x * length), y: tidy(unit.y * length) }
}

const apart = (key: 'across' | 'down', otherwise: Point): Field<OfCourse<'lattice'>> => ({
  id: key,
  what: `the distance ${key}`,
  as: 'number',
  suffix: ` ${key}`,
  limits: { least: 0, above: true, most: 1e5 },
  read: ({ course }) => size(course[key]),
  write: (object, length) => withCourse(object, { [key]: lengthened(object.course[key], length, otherwise) }),
})

const rank = (key: 'columns' | 'rows'): Field<OfCourse<'lattice'>> => ({
  id: key,
  what: `the ${key}`,
  as: 'number',
  suffix: ` ${key}`,
  step: 1,
  limits: MANY,
  read: ({ course }) => course[key],
  write: (object, count) => withCourse(object, { [key]: count }),
})

const LATTICE: readonly Field<OfCourse<'lattice'>>[] = [
  rank('columns'),
  rank('rows'),
  apart('across', { x: 1, y: 0 }),
  apart('down', { x: 0, y: 1 }),
  {
    id: 'shift',
    what: 'the shift of every other row',
    as: 'number',
    prefix: 'Shift ',
    suffix: ' %',
    step: 10,
    limits: { least: -100, most: 100 },
    read: ({ course }) => (course.shift ?? 0) * 100,
    write({ course: { shift: _, ...course }, ...object }, value) {
      return { ...object, course: value === 0 ? course : { ...course, shift: value / 100 } } as OfCourse<'lattice'>
    },
  },
]

/** The way back to all copies alike. */
const OWN_COPIES: Field<Repeat> = {
  id: 'own copies',
  what: 'the copies',
  as: 'reset',
  word: 'own copies',
  title: 'Make all copies alike again',
  write: ({ copies: _, ...rest }) => rest as Repeat,
}

/** A repeat whose members are so far from its centre, in the direction in which they are. */
function withRadius<R extends OfCourse<'turn'>>(object: R, radius: number, scene: Scene): R {
  const { from, course } = object
  const now = distance(from, course.at),
    away = lengthened(subtract(from, course.at), radius, { x: 0, y: -1 })
  if (now === radius) return object
  const to = { x: tidy(course.at.x + away.x), y: tidy(course.at.y + away.y) }
  const move = translation(to.x - from.x, to.y - from.y)
  return { ...object, from: to, members: object.members.map((member) => scene.moved(member, move)) }
}

export const ledger: LedgerFacet<Repeat> = { fields: repeatFields }
