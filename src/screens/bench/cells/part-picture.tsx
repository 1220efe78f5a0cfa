'use client'

import { evaluateAll } from '@/core/drawing/evaluate/evaluate'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { inkOf } from '@/core/drawing/scene/ink'
import { boxUnion } from '@/core/geometry/box'
import { pathBounds } from '@/core/geometry/path'
import type { Part, Rules } from '@/core/rules/rules'
import { ShapeRuns } from './shape-runs'
import { orNone } from '../state/or-none'

/** A part as large as fits a square of so many pixels. */
export function PartPicture({ part, rules, size }: { part: Part; rules: Rules; size: number }) {
  const shapes = orNone(() => evaluateAll(part.objects, sceneOf(rules)))
  const box = boxUnion(orNone(() => shapes.flatMap((shape) => inkOf(shape).flatMap((path) => pathBounds(path) ?? []))))
  if (!box) return <span style={{ width: size, height: size }} />
  const side = Math.max(box.w, box.h) || 1
  const view = [box.x - (side - box.w) / 2, box.y - (side - box.h) / 2, side, side]
  return (
    <svg width={size} height={size} viewBox={view.join(' ')} aria-hidden>
      <ShapeRuns shapes={shapes} />
    </svg>
  )
}
