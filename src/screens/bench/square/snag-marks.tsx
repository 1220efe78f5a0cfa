'use client'

import type { Snag } from '@/core/checks/check'
import { useOpenSnags } from '../operations/use-open-snags'
import { useSlot } from '../state/context'
import { toScreen, type View } from '../state/view'
import { SNAGS } from '../operations/snags'

/** Where the snags of the open icon are: small diamonds and stretches; the one pointed at in the list stands out. */
export function SnagMarks({ view }: { view: View }) {
  const snags = useOpenSnags()
  const { pointed } = useSlot(SNAGS)
  return (
    <>
      {snags?.map((snag, i) => (
        <Mark key={i} snag={snag} view={view} strong={pointed?.sentence === snag.sentence} />
      ))}
    </>
  )
}

function Mark({ snag, view, strong }: { snag: Snag; view: View; strong: boolean }) {
  const { spot, severity } = snag
  if (!spot || (severity === 'note' && !strong)) return null
  const a = toScreen(view, spot.at),
    b = spot.to && toScreen(view, spot.to),
    at = b ? { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 } : a,
    r = strong ? 7 : 5
  return (
    <g stroke={severity === 'error' ? 'var(--fault)' : 'var(--snag)'} data-snag={snag.check}>
      {b && <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} strokeWidth={strong ? 4 : 2.5} />}
      <path
        d={`M${at.x} ${at.y - r}L${at.x + r} ${at.y}L${at.x} ${at.y + r}L${at.x - r} ${at.y}Z`}
        fill={strong ? 'currentColor' : 'var(--sheet)'}
        color={severity === 'error' ? 'var(--fault)' : 'var(--snag)'}
        strokeWidth={1.5}
      />
    </g>
  )
}
