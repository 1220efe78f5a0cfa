'use client'

import { REFERENCES } from '../../operations/references'
import { useEffect, useRef, useState } from 'react'
import { pixelMap, type Reference } from '@/core/drawing/model/reference'
import type { Mismatch } from '@/core/proof/mismatch'
import { referencesOf } from '@/core/set/set'
import { useBench, useBenchState, useRules, useShownMaster, useDeferredMaster, useSlice } from '../../state/context'
import { comparison } from '../../operations/compare'
import { pictureUrl } from '../../operations/pictures'
import { toScreen, type View } from '../../state/view'

const NONE: readonly Reference[] = []

/** The pictures that the icon is drawn by, those under the square or those over it, in grid units. */
export function ReferenceLayer({ over, view }: { over: boolean; view: View }) {
  const references = useShownMaster((master) => (master ? referencesOf(master) : NONE))
  const dimmed = useSlice(REFERENCES).compare !== null
  if (dimmed) return null
  return references
    .filter((one) => !one.hidden && (one.over === true) === over)
    .map((one) => <PictureOf key={one.id} reference={one} view={view} />)
}

function PictureOf({ reference, view }: { reference: Reference; view: View }) {
  const { id, picture, size, opacity, crop } = reference
  const map = pixelMap(reference)
  // Pixels are drawn without smoothing once they are large enough to measure between.
  const large = Math.hypot(map[0], map[1]) * view.scale >= 3
  return (
    <g
      transform={`translate(${view.x} ${view.y}) scale(${view.scale}) matrix(${map.join(' ')})`}
      opacity={opacity}
      data-reference={reference.name}
    >
      {crop && (
        <clipPath id={`crop-${id}`}>
          <rect x={crop.x} y={crop.y} width={crop.w} height={crop.h} />
        </clipPath>
      )}
      <image
        href={pictureUrl(picture)}
        width={size.w}
        height={size.h}
        preserveAspectRatio="none"
        clipPath={crop ? `url(#crop-${id})` : undefined}
        style={{ imageRendering: large ? 'pixelated' : 'auto' }}
      />
    </g>
  )
}

/** The outline of the reference in hand, with the corners by which it is sized. */
export function ReferenceMarks({ view }: { view: View }) {
  const inHand = useReferenceInHand()
  const reference = useShownMaster((master) =>
    master && inHand ? (referencesOf(master).find(({ id }) => id === inHand) ?? null) : null,
  )
  if (!reference || reference.hidden) return null
  const map = pixelMap(reference),
    { w, h } = reference.size
  const corners = [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ].map(([x, y]) => toScreen(view, { x: map[0] * x! + map[2] * y! + map[4], y: map[1] * x! + map[3] * y! + map[5] }))
  return (
    <g stroke="var(--guide)">
      <path d={`M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`} strokeDasharray="5 3" />
      {!reference.locked &&
        corners.map(({ x, y }, i) => <path key={i} d={`M${x - 5} ${y}h10M${x} ${y - 5}v10`} strokeWidth={2} />)}
    </g>
  )
}

/** Where the icon and a reference differ, in colours, over the square; the figure goes to the panel. */
export function DifferenceLayer({ view }: { view: View }) {
  const bench = useBench()
  const compare = useSlice(REFERENCES).compare
  const master = useDeferredMaster()
  const objects = master?.objects
  const rules = useRules()
  const canvas = useRef<HTMLCanvasElement>(null)
  const [shown, setShown] = useState<Mismatch | null>(null)
  const reference = master && compare ? referencesOf(master).find(({ id }) => id === compare) : undefined
  useEffect(() => {
    let current = true
    if (objects && reference) {
      void comparison(objects, rules, reference).then((found) => {
        if (!current) return
        setShown(found)
        bench.put(REFERENCES, { mismatch: found && { mean: found.mean, ofInk: found.ofInk } })
      })
    } else bench.put(REFERENCES, { mismatch: null })
    return () => {
      current = false
    }
  }, [bench, objects, reference, rules])
  useEffect(() => {
    if (!shown || !canvas.current) return
    const { width, height, data } = shown.picture
    canvas.current.width = width
    canvas.current.height = height
    canvas.current.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0)
  }, [shown, reference])
  if (!reference) return null
  const size = rules.grid.size * view.scale
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={`The difference of the icon and ${reference.name}`}
      className="pointer-events-none absolute bg-sheet"
      style={{ left: view.x, top: view.y, width: size, height: size }}
    />
  )
}

function useReferenceInHand(): string | null {
  const { referenceInHand } = useSlice(REFERENCES)
  const open = useBenchState((state) => state.panel === 'references')
  return open ? referenceInHand : null
}
