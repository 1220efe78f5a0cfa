import { distance, type Point } from '@/core/geometry/point'
import { type Circle, circlesTouching, type Touched } from '@/core/geometry/solve'
import { tidy } from '@/core/geometry/tidy'
import { nearestCarrier } from '@/core/snap/places'
import { nearestOf } from '@/core/snap/snap-circle'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { freshShape } from './boxes/box-shape'
import { ELLIPSE } from './boxes/ellipse-shape'
import { caught } from './snapping'
import type { At, Tool } from './tool'

/** A place a circle has to go through, or a line or circle it has to touch near a place. */
export type Condition = { readonly touched: Touched; readonly near: Point }

/**
 * What a press asks of a circle: a point where there is one to catch, else to touch the edge there, else the place
 * itself.
 */
export function conditionAt(bench: Bench, at: At): Condition {
  const targets = bench.targetsAtRest
  const { point, marks } = caught(bench, at, targets)
  const isPoint = marks.some((mark) => mark.kind === 'point' && mark.label !== 'edge')
  const edge = isPoint || at.free ? undefined : nearestCarrier(targets.curves, at.p, bench.reach)
  return edge ? { touched: edge, near: at.p } : { touched: { centre: point, r: 0 }, near: point }
}

/**
 * The circle that meets three conditions, of all there are the one that does so nearest to where they were asked for;
 * null when there is none.
 */
export function circleOf(conditions: readonly [Condition, Condition, Condition]): Circle | null {
  const all = circlesTouching(conditions.map(({ touched }) => touched) as [Touched, Touched, Touched])
  const off = (circle: Circle) =>
    conditions.reduce((sum, { touched, near }) => sum + distance(touchPlace(circle, touched), near), 0)
  return all.length > 0 ? all.reduce((best, one) => (off(one) < off(best) ? one : best)) : null
}

function touchPlace(circle: Circle, touched: Touched): Point {
  if (!('centre' in touched)) return nearestOf(touched, circle.centre)
  return touched.r === 0 ? touched.centre : nearestOf(circle, touched.centre)
}

/** A circle by three presses: through points, touching edges. */
export function threePlaces(bench: Bench): Omit<Tool, 'cursor' | 'hint' | 'twice'> {
  let conditions: readonly Condition[] = []
  let undone: readonly Condition[] = []
  const id = { current: newId() }
  const words = ['first place', 'second place', 'third place']
  const circle = (last: Condition): Circle | null =>
    conditions.length === 2 ? circleOf([conditions[0]!, conditions[1]!, last]) : null
  const draw = ({ centre, r }: Circle) =>
    freshShape(bench, ELLIPSE, id.current, bench.nameFor('Ellipse'), {
      x: tidy(centre.x - r),
      y: tidy(centre.y - r),
      w: tidy(2 * r),
      h: tidy(2 * r),
    })
  const giveUp = () => {
    conditions = undone = []
    bench.drop()
  }
  return {
    press(at) {
      const next = conditionAt(bench, at)
      if (conditions.length < 2) {
        conditions = [...conditions, next]
        undone = []
        return null
      }
      const found = circle(next)
      if (!found || found.r > 1e5) {
        say({ text: 'No circle meets these three places; choose another third.' })
        return null
      }
      const object = draw(found)
      giveUp()
      bench.edit({ kind: 'add', objects: [object], ...bench.top }, 'Draw a circle by three places')
      bench.select([object.id])
      id.current = newId()
      bench.take('select')
      return null
    },
    hover(at) {
      const next = conditionAt(bench, at),
        found = circle(next)
      const touches = !('centre' in next.touched) || next.touched.r > 0
      bench.preview(found && found.r < 1e4 ? { kind: 'add', objects: [draw(found)], ...bench.top } : null)
      bench.hold({
        marks: conditions.map(({ touched, near }) => ({
          kind: 'point' as const,
          at: near,
          label: 'centre' in touched && touched.r === 0 ? 'through' : 'touches',
        })),
        intent: { at: at.p, word: `${words[conditions.length]}: ${touches ? 'touches' : 'through'}` },
        figure: found ? { at: found.centre, text: `⌀ ${figure(tidy(2 * found.r))}` } : null,
      })
    },
    building() {
      if (conditions.length + undone.length === 0) return null
      const last = conditions.at(-1),
        [first] = undone
      const go = (now: readonly Condition[], later: readonly Condition[]) => () => {
        conditions = now
        undone = later
        bench.drop()
      }
      return {
        back: last ? go(conditions.slice(0, -1), [last, ...undone]) : null,
        forth: first ? go([...conditions, first], undone.slice(1)) : null,
        // Fewer than three places are no circle.
        keep: giveUp,
      }
    },
    key(key, down = true) {
      if (!down || conditions.length === 0 || (key !== 'Escape' && key !== 'Backspace')) return false
      if (key === 'Escape') giveUp()
      else conditions = conditions.slice(0, -1)
      return true
    },
  }
}
