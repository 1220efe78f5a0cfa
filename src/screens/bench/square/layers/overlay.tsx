'use client'

import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { memo } from 'react'
import { rememberedPathData } from '@/core/formats/path-data'
import { extentOf, frameOf } from '@/core/drawing/evaluate/extent'
import { editable } from '@/core/drawing/edit/editable'
import { outline } from '@/core/drawing/evaluate/evaluate'
import { type Frame, frameCorners, framePoint } from '@/core/drawing/model/frame'
import { type DrawingObject, isCombining, isContainer, kindOf, type OfKind } from '@/core/drawing/objects/object'
import { HANDLES } from '@/core/drawing/edit/resize'
import { find, outermost, walk } from '@/core/drawing/objects/tree'
import type { Rules } from '@/core/rules/rules'
import { lockedWithin } from '../../state/locked'
import { useBench, useBenchState, usePreviewRules, useShownObjects } from '../../state/context'
import { toScreen, type View } from '../../state/view'
import { shownGrips } from '../../tools/pulls'
import { DIGITS } from '../../cells/shape-runs'
import type { Tool, Tools } from '../../tools/tool'
import { Axis, Drawables } from './drawables'
import { GradientMarks } from './gradient-marks'
import { NodeMarks } from './node-marks'
import { ReferenceMarks } from './references'
import { AllNodes } from './seeing'
import { BlurredEdges } from '../../cells/crisp'
import { SnagMarks } from '../snag-marks'
import { Slips } from './slip-marks'
import { type Slip, slip } from './slips'

const NOTHING = {}

/** Everything about the drawing that is not the drawing: outlines, handles, snap marks, figures. In screen pixels. */
export function Overlay({ view, tools }: { view: View; tools: Tools }) {
  const rules = usePreviewRules()
  const tool = useBenchState((state) => state.tool)
  const snags = useBenchState((state) => state.also.snags)
  const allNodes = useBenchState((state) => state.also.allNodes)
  return (
    <g pointerEvents="none" fill="none" stroke="var(--hand)">
      <Shifted scale={view.scale}>
        <Selected view={view} rules={rules} shows={tools[tool]!.shows ?? NOTHING} />
      </Shifted>
      {allNodes && <AllNodes view={view} />}
      <BlurredEdges view={view} />
      {snags && <SnagMarks view={view} />}
      <GradientMarks />
      <ToolMarks tool={tools[tool]!} view={view} />
      <ReferenceMarks view={view} />
      <InHandMarks view={view} rules={rules} />
    </g>
  )
}

/** What moves along with objects that are moved. */
function Shifted({ scale, children }: { scale: number; children: React.ReactNode }) {
  const by = useBenchState((state) => state.inHand.shifted?.by)
  return <g transform={by ? `translate(${by.x * scale} ${by.y * scale})` : undefined}>{children}</g>
}

/** Outlines of the selection and of the object under the pointer, with the selection's handles. */
const Selected = memo(function Selected({
  view,
  rules,
  shows,
}: {
  view: View
  rules: Rules
  shows: NonNullable<Tool['shows']>
}) {
  const objects = useShownObjects()
  const selection = useBenchState((state) => state.selection)
  const hover = useBenchState((state) => state.hover)
  const selected = outermost(objects, selection)
  const [only, ...more] = selected
  const nodes = shows.nodes && only && more.length === 0 ? editable(only, sceneOf(rules)) : null
  const scope = useBenchState((state) => state.scope)
  const within = scope === null ? undefined : find(objects, scope)?.object
  // What a combination is made of is seen while one is in it.
  const inScope = isCombining(within) ? within.members.filter(({ id, hidden }) => !hidden && !selection.has(id)) : null
  const locked = lockedWithin(objects)
  const free = selected.filter(({ id }) => !locked.has(id))
  const axes = mirrorsAround(objects, selection)
  const hovered = hover !== null && !selection.has(hover) && shows.hovered ? find(objects, hover)?.object : undefined
  return (
    <>
      {hovered && <Outlines objects={[hovered]} rules={rules} view={view} width={1} />}
      {axes
        .filter(({ flip }) => flip)
        .map(({ id, at, angle }) => (
          <Axis key={id} view={view} at={at} angle={angle} size={rules.grid.size} />
        ))}
      <Outlines objects={inScope ?? []} rules={rules} view={view} width={1} dashed />
      <Outlines
        objects={selected.flatMap((picked) => (isContainer(picked) ? picked.members : []))}
        rules={rules}
        view={view}
        width={1}
        dashed
      />
      <Outlines objects={selected} rules={rules} view={view} width={1.5} />
      {nodes && <NodeMarks path={nodes} view={view} />}
      {shows.handles && <Handles selected={free} rules={rules} view={view} />}
      {(shows.handles || shows.grips) && <Grips objects={free} view={view} />}
    </>
  )
})

/** Mirror lines that are selected or contain the selection. */
function mirrorsAround(objects: readonly DrawingObject[], selection: ReadonlySet<string>): OfKind<'mirror'>[] {
  const found = [...walk(objects)]
    .filter(({ object }) => selection.has(object.id))
    .flatMap(({ object, parents }) => [object, ...parents])
  return [...new Set(found)].filter((object) => object.kind === 'mirror')
}

/** The outlines of objects, in one path: with many of them a path for each would take longer than the eye waits. */
function Outlines({
  objects,
  rules,
  view,
  width,
  dashed,
}: {
  objects: readonly DrawingObject[]
  rules: Rules
  view: View
  width: number
  dashed?: boolean
}) {
  if (objects.length === 0) return null
  return (
    <path
      d={objects.map((object) => rememberedPathData(outline(object, sceneOf(rules)), DIGITS)).join('')}
      transform={`translate(${view.x} ${view.y}) scale(${view.scale})`}
      vectorEffect="non-scaling-stroke"
      strokeWidth={width}
      strokeDasharray={dashed ? '2 3' : undefined}
    />
  )
}

function Handles({ selected, rules, view }: { selected: readonly DrawingObject[]; rules: Rules; view: View }) {
  const [first, ...more] = selected
  if (!first) return null
  const ends = more.length === 0 ? kindOf(first).grips.ends?.(first) : undefined
  if (ends) {
    return ends.map((end, i) => {
      const { x, y } = toScreen(view, end)
      return <circle key={i} cx={x} cy={y} r={4} fill="var(--sheet)" strokeWidth={1.5} />
    })
  }
  const frame: Frame = more.length === 0 ? frameOf(first, sceneOf(rules)) : extentOf(selected, sceneOf(rules))!
  const corners = frameCorners(frame).map((corner) => toScreen(view, corner))
  return (
    <>
      <path d={`M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`} strokeWidth={1} opacity=".55" />
      {HANDLES.map((handle, i) => {
        const { x, y } = toScreen(view, framePoint(frame, handle))
        return <path key={i} d={`M${x - 5} ${y}h10M${x} ${y - 5}v10`} strokeWidth={2} />
      })}
    </>
  )
}

/** The places by which a shape's own numbers are dragged: small diamonds. */
function Grips({ objects, view }: { objects: readonly DrawingObject[]; view: View }) {
  const places = shownGrips(useBench(), objects).map(({ at }) => toScreen(view, at))
  const d = places.map(({ x, y }) => `M${x} ${y - 4.5}l4.5 4.5l-4.5 4.5l-4.5 -4.5Z`).join('')
  return <path d={d} fill="var(--sheet)" strokeWidth={1.25} />
}

/** Marks of the current tool. */
function ToolMarks({ tool, view }: { tool: Tool; view: View }) {
  useShownObjects()
  useBenchState((state) => state.slices)
  useBenchState((state) => state.inHand.kept)
  useBenchState((state) => state.pivot)
  useBenchState((state) => state.selection)
  return tool.marks ? <Drawables list={tool.marks()} view={view} /> : null
}

function InHandMarks({ view, rules }: { view: View; rules: Rules }) {
  const { marks, figure, drawn, intent } = useBenchState((state) => state.inHand)
  const start = toScreen(view, { x: -1, y: -1 }),
    end = toScreen(view, { x: rules.grid.size + 1, y: rules.grid.size + 1 })
  const slips: Slip[] = []
  if (figure) {
    const { x, y } = toScreen(view, figure.at)
    slips.push(slip(figure.text, 'figure', x, y + 12, true))
  }
  if (intent) {
    const { x, y } = toScreen(view, intent.at)
    slips.push(slip(intent.word, 'word', x + 12, y + 11))
  }
  for (const mark of marks) {
    const { x, y } = toScreen(view, mark.kind === 'point' ? mark.at : { x: mark.value, y: mark.value })
    if (mark.kind === 'point') slips.push(slip(mark.label, 'word', x + 8, y - 21))
    else
      slips.push(
        mark.kind === 'x' ? slip(mark.label, 'word', x + 2, start.y - 9) : slip(mark.label, 'word', end.x - 8, y - 16),
      )
  }
  return (
    <>
      <Drawables list={drawn} view={view} />
      {marks.map((mark, i) => {
        if (mark.kind === 'point') {
          const { x, y } = toScreen(view, mark.at)
          return (
            <g key={i}>
              <path d={`M${x - 6} ${y - 6}l12 12M${x - 6} ${y + 6}l12 -12`} />
            </g>
          )
        }
        const { x, y } = toScreen(view, { x: mark.value, y: mark.value })
        return mark.kind === 'x' ? (
          <path key={i} d={`M${x} ${start.y}V${end.y}`} />
        ) : (
          <path key={i} d={`M${start.x} ${y}H${end.x}`} />
        )
      })}
      <Slips slips={slips} />
    </>
  )
}
