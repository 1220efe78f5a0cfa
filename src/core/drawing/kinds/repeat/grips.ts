import type { GripsFacet } from '../facets/grips'
import { distance, type Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { apply, translation } from '../../../geometry/transform'
import type { Grip, GripPull, Pulled } from '../../scene/grip'
import type { Scene } from '../../scene/scene'
import { placesOf } from './places'
import type { Repeat } from './schema'

/** Grips of a repeat: its centre and the copied place, or the next copies of a lattice. */
function repeatGrips(object: Repeat): Grip[] {
  const { course, from } = object
  switch (course.by) {
    case 'turn':
      return [
        { id: 'at', at: course.at, what: 'centre', isPlace: true },
        { id: 'from', at: from, what: 'radius', isPlace: true },
      ]
    case 'path':
      return []
    case 'lattice': {
      const places = placesOf({ ...object, course: { ...course, columns: 2, rows: 2, shift: 0 } })
      return [
        { id: 'across', at: apply(places[1]!, from), what: 'distance across', isPlace: true },
        { id: 'down', at: apply(places[2]!, from), what: 'distance down', isPlace: true },
      ]
    }
  }
}

function pulledRepeat(object: Repeat, grip: string, to: Point, scene: Scene, { step }: GripPull): Pulled<Repeat> {
  const on = (value: number) => (step === null ? tidy(value) : Math.round(value / step) * step)
  const at = { x: on(to.x), y: on(to.y) }
  const { course, from } = object
  if (course.by === 'turn') {
    if (grip === 'at') return { object: { ...object, course: { ...course, at } }, figure: `about ${at.x}, ${at.y}` }
    const move = translation(at.x - from.x, at.y - from.y)
    const members = object.members.map((member) => scene.moved(member, move))
    return {
      object: { ...object, from: at, members },
      figure: `radius ${Math.round(distance(at, course.at) * 1000) / 1000}`,
    }
  }
  if (course.by !== 'lattice') return { object, figure: '' }
  const vector = { x: tidy(at.x - from.x), y: tidy(at.y - from.y) }
  const key = grip === 'across' ? 'across' : 'down'
  return { object: { ...object, course: { ...course, [key]: vector } }, figure: `${vector.x}, ${vector.y} ${key}` }
}

export const grips: GripsFacet<Repeat> = { places: repeatGrips, pull: pulledRepeat }
