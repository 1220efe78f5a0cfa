'use client'

import { useMemo } from 'react'
import type { Repair } from '@/core/checks/mended'
import { applyDrawingEdit } from '@/core/drawing/edit/edit'
import { evaluateAll } from '@/core/drawing/evaluate/evaluate'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { inkOfAll } from '@/core/drawing/scene/ink'
import { pathData } from '@/core/formats/path-data'
import type { Rules } from '@/core/rules/rules'

/** The side of the picture in pixels. */
const SIDE = 148

/** A drawing in grey ink, the outline of what repairs make of it in red, and a ring around the place of each. */
export function RepairPicture({
  objects,
  repairs,
  shown,
  rules,
  label,
}: {
  objects: readonly DrawingObject[]
  repairs: readonly Repair[]
  /** The places of the repairs that are shown. */
  shown: ReadonlySet<number>
  rules: Rules
  label: string
}) {
  const { size } = rules.grid
  const key = [...shown].join()
  const [before, after, places] = useMemo(() => {
    const ink = (list: readonly DrawingObject[]) => pathData(inkOfAll(evaluateAll(list, sceneOf(rules))))
    const some = repairs.filter((_, i) => shown.has(i))
    return [
      ink(objects),
      ink(some.reduce<readonly DrawingObject[]>((list, { edit }) => applyDrawingEdit(list, edit), objects)),
      some.flatMap(({ snag }) => (snag.spot ? [snag.spot.at] : [])),
    ]
    // The set of places is new each time; its key is not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [objects, repairs, rules, key])
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`0 0 ${size} ${size}`}
      width={SIDE}
      height={SIDE}
      className="flex-none border border-hair bg-sheet"
    >
      <path d={before} fill="var(--ink)" opacity={0.35} />
      <path d={after} fill="none" stroke="var(--hand)" strokeWidth={1.25} vectorEffect="non-scaling-stroke" />
      {places.map(({ x, y }, i) => (
        <circle
          key={i}
          cx={x}
          cy={y}
          r={size / 16}
          fill="none"
          stroke="var(--hand)"
          strokeWidth={1}
          strokeDasharray="3 2"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  )
}
