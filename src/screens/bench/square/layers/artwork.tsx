'use client'

import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { memo } from 'react'
import { evaluate, excessIn } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { type NamedValues, roughly } from '@/core/drawing/model/values'
import { find, walk } from '@/core/drawing/objects/tree'
import { useSessionState } from '../../../session/use-session'
import { useBench, useBenchState, useRules, useShownObjects } from '../../state/context'
import { ShapeRuns } from '../../cells/shape-runs'

/**
 * The drawing, in grid units. Unchanged objects are not rendered again; objects outside an opened container are dimmed.
 */
export function Artwork() {
  const objects = useShownObjects()
  const rules = useRules()
  const settled = useSettled()
  const scope = useBenchState((state) => state.scope)
  // Upper bound of shapes drawn on the screen in time; beyond it a message is shown.
  if (excessIn(objects, rules)) return null
  const count = Math.ceil(objects.length / SHEAF)
  return Array.from({ length: count }, (_, i) => {
    const sheaf = objects.slice(i * SHEAF, (i + 1) * SHEAF)
    const values = sheaf.map((object) => (!settled || settled.has(object) ? rules : roughly(rules)))
    return <Sheaf key={i} objects={sheaf} values={values} scope={scope} />
  })
}

/** The objects that are done while others are in hand, which are drawn less closely until they are let go; null where none is. */
function useSettled(): ReadonlySet<DrawingObject> | null {
  const isPreview = useSessionState(({ preview }) => preview !== null)
  const bench = useBench()
  return isPreview ? new Set(bench.objects) : null
}

/** The number of objects compared at once: in a large drawing only chunks that changed are gone through. */
const SHEAF = 32

const Sheaf = memo(
  function Sheaf({
    objects,
    values,
    scope,
  }: {
    objects: readonly DrawingObject[]
    values: readonly NamedValues[]
    scope: string | null
  }) {
    return objects.map((drawn, i) => (
      <ObjectShapes
        key={drawn.id}
        object={drawn}
        values={values[i]!}
        dimmed={scope !== null && !find([drawn], scope)}
      />
    ))
  },
  (a, b) =>
    a.scope === b.scope &&
    a.objects.length === b.objects.length &&
    a.objects.every((object, i) => object === b.objects[i] && a.values[i] === b.values[i]),
)

const ObjectShapes = memo(function ObjectShapes({
  object,
  values,
  dimmed,
}: {
  object: DrawingObject
  values: NamedValues
  dimmed: boolean
}) {
  const faded = useBenchState(
    ({ also, selection }) => also.dimOthers && selection.size > 0 && !outlives(object, selection),
  )
  const by = useBenchState(({ inHand: { shifted } }) => (shifted?.ids.has(object.id) ? shifted.by : null))
  return (
    <g opacity={dimmed || faded ? 0.25 : undefined} transform={by ? `translate(${by.x} ${by.y})` : undefined}>
      <ShapeRuns shapes={evaluate(object, sceneOf(values))} />
    </g>
  )
})

/** True for a selected object or a container of one. */
const outlives = (object: DrawingObject, selection: ReadonlySet<string>): boolean =>
  [...walk([object])].some((place) => selection.has(place.object.id))
