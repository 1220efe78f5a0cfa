import { boxAbout, boxCentre, type Box } from '../geometry/box'
import { pathNodes } from '../geometry/path'
import type { Point } from '../geometry/point'
import { extent } from '../drawing/adjust'
import { outline } from '../drawing/evaluate'
import type { DrawingObject } from '../drawing/object'
import type { Rules } from '../rules/rules'

/** A place on one axis that a position can snap to, and what is there, in a word or two. */
export type SnapLine = { readonly value: number; readonly label: string }

export type SnapPoint = { readonly at: Point; readonly label: string }

/** What positions can snap to in a square: lines across, lines down, points, and the grid's step (null when it is off). */
export type SnapTargets = {
  readonly xs: readonly SnapLine[]
  readonly ys: readonly SnapLine[]
  readonly points: readonly SnapPoint[]
  readonly step: number | null
}

/** Which things are snapped to. */
export type SnapSwitches = { readonly grid: boolean; readonly keylines: boolean; readonly objects: boolean }

/** Everything to snap to: square, live area and keylines from the rules, and edges, centres and nodes of the objects given. */
export function snapTargets(rules: Rules, objects: readonly DrawingObject[], on: SnapSwitches): SnapTargets {
  const xs: SnapLine[] = [], ys: SnapLine[] = [], points: SnapPoint[] = []
  const box = ({ x, y, w, h }: Box, label: string, centre: string) => {
    xs.push({ value: x, label }, { value: x + w, label }, { value: x + w / 2, label: centre })
    ys.push({ value: y, label }, { value: y + h, label }, { value: y + h / 2, label: centre })
  }
  if (on.keylines) {
    const { size } = rules.grid
    const middle = { x: size / 2, y: size / 2 }
    box(boxAbout(middle, size, size), 'square edge', 'square centre')
    box(boxAbout(middle, rules.liveArea, rules.liveArea), 'live area', 'square centre')
    for (const { name, w, h } of rules.keylines) box(boxAbout(middle, w, h), `${name} keyline`, 'square centre')
    points.push({ at: middle, label: 'square centre' })
  }
  if (on.objects) {
    for (const object of objects) {
      if (object.hidden) continue
      const around = extent(object, rules)
      box(around, 'edge', 'centre')
      points.push({ at: boxCentre(around), label: 'centre' })
      for (const at of pathNodes(outline(object, rules))) points.push({ at, label: 'node' })
    }
  }
  return { xs, ys, points, step: on.grid ? rules.grid.step : null }
}
