'use client'

import { memo } from 'react'
import type { Snag } from '@/core/checks/snag'
import { useOpenSnags } from '../operations/use-open-snags'
import { useSlice } from '../state/context'
import { toScreen, type View } from '../state/view'
import { SNAGS } from '../operations/snags'

/** Where the snags of the open icon are: small diamonds and stretches; the one pointed at in the list stands out. */
export function SnagMarks({ view }: { view: View }) {
  const snags = useOpenSnags()
  const { pointed } = useSlice(SNAGS)
  const strong = pointed && snags?.find(({ sentence }) => sentence === pointed.sentence)
  return (
    <>
      {snags && <Quiet snags={snags} view={view} />}
      {strong && <Marks snags={[strong]} view={view} strong />}
    </>
  )
}

/** All but notes, those of one check in one path: a mark for each would take longer than the eye waits. */
const Quiet = memo(function Quiet({ snags, view }: { snags: readonly Snag[]; view: View }) {
  const shown = snags.filter(({ severity }) => severity !== 'note')
  return [...new Set(shown.map(({ check }) => check))].map((check) => (
    <Marks key={check} snags={shown.filter((snag) => snag.check === check)} view={view} />
  ))
})

/** The marks of the snags of one check. */
function Marks({ snags, view, strong = false }: { snags: readonly Snag[]; view: View; strong?: boolean }) {
  const r = strong ? 7 : 5
  const { check, severity } = snags[0]!
  const spots = snags.flatMap(({ spot }) => spot ?? [])
  const stretches = spots.flatMap(({ at, to }) => (to ? [[toScreen(view, at), toScreen(view, to)] as const] : []))
  const middles = spots.map(({ at, to }) => toScreen(view, to ? { x: (at.x + to.x) / 2, y: (at.y + to.y) / 2 } : at))
  const colour = severity === 'error' ? 'var(--fault)' : 'var(--snag)'
  return (
    <g stroke={colour} data-snag={check}>
      <path d={stretches.map(([a, b]) => `M${a.x} ${a.y}L${b.x} ${b.y}`).join('')} strokeWidth={strong ? 4 : 2.5} />
      <path
        d={middles.map(({ x, y }) => `M${x} ${y - r}l${r} ${r}l${-r} ${r}l${-r} ${-r}Z`).join('')}
        fill={strong ? colour : 'var(--sheet)'}
        strokeWidth={1.5}
      />
    </g>
  )
}
