'use client'

import { memo, useId } from 'react'
import { rememberedPathData } from '@/core/formats/path-data'
import type { Path } from '@/core/geometry/path'
import type { View } from '../../state/view'
import { DIGITS } from '../../cells/shape-runs'

/** Tints that follow each other so that neighbours differ. */
const HUES = [32, 200, 95, 275, 150, 340]

/** Areas over the square: tinted in turn, hatched, or washed. */
export const Areas = memo(
  function Areas({ paths, look, view }: { paths: readonly Path[]; look: 'tinted' | 'hatched' | 'washed'; view: View }) {
    const hatch = useId()
    const group = { transform: `translate(${view.x} ${view.y}) scale(${view.scale})`, stroke: 'none' as const }
    const all = (list: readonly Path[]) => list.map((path) => rememberedPathData(path, DIGITS)).join('')
    if (look === 'washed')
      return (
        <g {...group}>
          <path d={all(paths)} fill="var(--hand)" fillOpacity={0.35} />
        </g>
      )
    if (look === 'hatched')
      return (
        <>
          <pattern
            id={hatch}
            width={7}
            height={7}
            patternUnits="userSpaceOnUse"
            patternTransform={`scale(${1 / view.scale}) rotate(45)`}
          >
            <path d="M0 0V7" stroke="var(--ink)" strokeOpacity={0.45} strokeWidth={1} />
          </pattern>
          <g {...group}>
            <path d={all(paths)} fill={`url(#${hatch})`} />
          </g>
        </>
      )
    return (
      <g {...group}>
        {HUES.map((hue, i) => (
          <path
            key={hue}
            d={all(paths.filter((_, k) => k % HUES.length === i))}
            fill={`oklch(70% 0.14 ${hue})`}
            fillOpacity={0.3}
          />
        ))}
      </g>
    )
  },
  (a, b) =>
    a.look === b.look &&
    a.view === b.view &&
    a.paths.length === b.paths.length &&
    a.paths.every((path, i) => path === b.paths[i]),
)
