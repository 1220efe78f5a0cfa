'use client'

import { boxBetween } from '@/core/geometry/box'
import { transformPath } from '@/core/geometry/path'
import { pathData } from '@/core/formats/path-data'
import { extentOf, frameOf } from '@/core/drawing/adjust'
import { outline } from '@/core/drawing/evaluate'
import { type Frame, frameCorners, framePoint } from '@/core/drawing/frame'
import { type DrawingObject, isContainer } from '@/core/drawing/object'
import { HANDLES } from '@/core/drawing/resize'
import { find, outermost } from '@/core/drawing/tree'
import type { Rules } from '@/core/rules/rules'
import { isLocked } from '../bench'
import { useBenchState, useRules, useShownObjects } from '../context'
import { toScreen, type View } from '../view'
import { NodeMarks, PenPath } from './node-marks'

/** Everything about the drawing that is not the drawing: outlines, handles, snap marks, figures. In screen pixels. */
export function Overlay({ view }: { view: View }) {
  const rules = useRules()
  const objects = useShownObjects()
  const selection = useBenchState((state) => state.selection)
  const hover = useBenchState((state) => state.hover)
  const tool = useBenchState((state) => state.tool)
  const selected = outermost(objects, selection)
  const [only, ...more] = selected
  const hovered = hover !== null && !selection.has(hover) && (tool === 'select' || tool === 'nodes') ? find(objects, hover)?.object : undefined
  return (
    <g pointerEvents="none" fill="none" stroke="var(--hand)">
      {hovered && <OutlineOf object={hovered} rules={rules} view={view} width={1} />}
      {selected.map((picked) => (
        <g key={picked.id}>
          {isContainer(picked) && picked.members.map((member) => <OutlineOf key={member.id} object={member} rules={rules} view={view} width={1} dashed />)}
          <OutlineOf object={picked} rules={rules} view={view} width={1.5} />
        </g>
      ))}
      {tool === 'nodes' && more.length === 0 && only?.kind === 'path' && <NodeMarks path={only} view={view} />}
      {tool === 'select' && <Handles selected={selected.filter(({ id }) => !isLocked(objects, id))} rules={rules} view={view} />}
      <InHandMarks view={view} rules={rules} />
    </g>
  )
}

function OutlineOf({ object, rules, view, width, dashed }: { object: DrawingObject; rules: Rules; view: View; width: number; dashed?: boolean }) {
  const path = transformPath(outline(object, rules), [view.scale, 0, 0, view.scale, view.x, view.y])
  return <path d={pathData(path, 2)} strokeWidth={width} strokeDasharray={dashed ? '2 3' : undefined} />
}

function Handles({ selected, rules, view }: { selected: readonly DrawingObject[]; rules: Rules; view: View }) {
  const [first, ...more] = selected
  if (!first) return null
  if (more.length === 0 && first.kind === 'line') {
    return [first.from, first.to].map((end, i) => {
      const { x, y } = toScreen(view, end)
      return <circle key={i} cx={x} cy={y} r={4} fill="var(--sheet)" strokeWidth={1.5} />
    })
  }
  const frame: Frame = more.length === 0 ? frameOf(first, rules) : extentOf(selected, rules)!
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

function InHandMarks({ view, rules }: { view: View; rules: Rules }) {
  const { marks, figure, lasso, pen, trail, intent } = useBenchState((state) => state.inHand)
  const start = toScreen(view, { x: -1, y: -1 }), end = toScreen(view, { x: rules.grid.size + 1, y: rules.grid.size + 1 })
  const box = lasso && boxBetween(toScreen(view, lasso.from), toScreen(view, lasso.to))
  return (
    <>
      {pen && <PenPath view={view} pen={pen} />}
      {trail && <path d={`M${trail.map((p) => { const { x, y } = toScreen(view, p); return `${x} ${y}` }).join('L')}`} strokeWidth={1.5} />}
      {marks.map((mark, i) => {
        if (mark.kind === 'point') {
          const { x, y } = toScreen(view, mark.at)
          return (
            <g key={i}>
              <path d={`M${x - 6} ${y - 6}l12 12M${x - 6} ${y + 6}l12 -12`} />
              <Label x={x + 12} y={y - 10} text={mark.label} />
            </g>
          )
        }
        const { x, y } = toScreen(view, { x: mark.value, y: mark.value })
        return mark.kind === 'x' ? (
          <g key={i}>
            <path d={`M${x} ${start.y}V${end.y}`} />
            <Label x={x + 6} y={start.y + 2} text={mark.label} />
          </g>
        ) : (
          <g key={i}>
            <path d={`M${start.x} ${y}H${end.x}`} />
            <Label x={end.x - 4} y={y - 5} text={mark.label} />
          </g>
        )
      })}
      {box && <rect x={box.x + 0.5} y={box.y + 0.5} width={box.w} height={box.h} fill="var(--hand)" fillOpacity=".06" strokeDasharray="3 3" />}
      {figure && <Figure view={view} {...figure} />}
      {intent && <Intent view={view} {...intent} />}
    </>
  )
}

/** A word at a snap mark, on a slip of its own so that it can be read over ink and lines. */
function Label({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <g stroke="none">
      <rect x={x - 4} y={y - 11} width={text.length * 5.9 + 8} height={15} rx={2} fill="var(--sheet)" stroke="var(--hair)" />
      <text x={x} y={y} fontSize="11" fill="var(--ink)">
        {text}
      </text>
    </g>
  )
}

/** What the next press would do, beside the pointer. */
function Intent({ view, at, word }: { view: View; at: { x: number; y: number }; word: string }) {
  const { x, y } = toScreen(view, at)
  return <Label x={x + 16} y={y + 22} text={word} />
}

function Figure({ view, at, text }: { view: View; at: { x: number; y: number }; text: string }) {
  const { x, y } = toScreen(view, at)
  const width = text.length * 6.4 + 14
  return (
    <g stroke="none">
      <rect x={x - width / 2} y={y + 12} width={width} height={18} rx={2} fill="var(--hand)" />
      <text x={x} y={y + 25} fontSize="11.5" fontWeight={600} fill="#fff" textAnchor="middle">
        {text}
      </text>
    </g>
  )
}
