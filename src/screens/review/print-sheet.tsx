'use client'

import { useEffect, useState } from 'react'
import { createPortal } from 'react-dom'
import type { IconSet } from '@/core/set/set'
import { documentOf } from '@/workers/draw'

type Drawn = { readonly id: string; readonly name: string; readonly documents: readonly (string | null)[] }

/**
 * All icons of a set for printing: they are drawn first, then the browser's print dialog opens; nothing shows on the
 * screen.
 */
export function PrintSheet({ set, sizes, onEnd }: { set: IconSet; sizes: readonly number[]; onEnd: () => void }) {
  const [drawn, setDrawn] = useState<readonly Drawn[] | null>(null)
  useEffect(() => {
    let isWanted = true
    void Promise.all(
      set.icons.map(async (icon): Promise<Drawn> => {
        const documents = sizes.map((size) => documentOf(icon, set.rules, 'light', size))
        return { id: icon.id, name: icon.name, documents: (await Promise.all(documents)).map(({ svg }) => svg ?? null) }
      }),
    ).then((all) => isWanted && setDrawn(all))
    return () => {
      isWanted = false
    }
  }, [set, sizes])
  useEffect(() => {
    if (!drawn) return
    window.print()
    onEnd()
  }, [drawn, onEnd])
  if (!drawn) return null
  return createPortal(
    <div className="print-sheet">
      <h1>{set.name}</h1>
      <ul>
        {drawn.map(({ id, name, documents }) => (
          <li key={id}>
            <span>
              {documents.map((svg, i) =>
                svg ? (
                  <img
                    key={i}
                    alt=""
                    width={sizes[i]}
                    height={sizes[i]}
                    src={`data:image/svg+xml,${encodeURIComponent(svg)}`}
                  />
                ) : null,
              )}
            </span>
            {name}
          </li>
        ))}
      </ul>
    </div>,
    document.body,
  )
}
