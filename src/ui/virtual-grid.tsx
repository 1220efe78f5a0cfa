'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { type CSSProperties, type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { observeRect } from './observe-rect'

/** Cells of one size in rows, as many as fit; only those in sight are there. `cell` draws one item. */
export function VirtualGrid<T>({
  items,
  keyOf,
  width,
  height,
  label,
  className,
  style,
  cell,
}: {
  items: readonly T[]
  /** What tells an item from the others: its cell stays the same one where others come or go before it. */
  keyOf: (item: T) => string
  /** Of a cell, in pixels. */
  width: number
  height: number
  label: string
  className?: string
  style?: CSSProperties
  cell: (item: T) => ReactNode
}) {
  const count = items.length
  const scroller = useRef<HTMLDivElement>(null)
  const [room, setRoom] = useState(0)
  useLayoutEffect(() => {
    const target = scroller.current!
    const observer = new ResizeObserver(() => setRoom(target.clientWidth - PADDING * 2))
    observer.observe(target)
    return () => observer.disconnect()
  }, [])
  const columns = Math.max(1, Math.floor(room / width))
  const virtual = useVirtualizer({
    count: room > 0 ? Math.ceil(count / columns) : 0,
    getScrollElement: () => scroller.current,
    observeElementRect: observeRect,
    useFlushSync: false,
    estimateSize: () => height,
    overscan: 2,
    paddingStart: PADDING,
    paddingEnd: PADDING,
  })
  useEffect(() => virtual.measure(), [virtual, height])
  return (
    <div ref={scroller} className={className} style={style}>
      <ul aria-label={label} className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().flatMap(({ index: row, start }) =>
          Array.from({ length: Math.min(columns, count - row * columns) }, (_, column) => {
            const index = row * columns + column,
              item = items[index]!
            return (
              <li
                key={keyOf(item)}
                aria-posinset={index + 1}
                aria-setsize={count}
                className="absolute"
                style={{ top: start, left: PADDING + column * width, width: width + 1, height: height + 1 }}
              >
                {cell(item)}
              </li>
            )
          }),
        )}
      </ul>
    </div>
  )
}

const PADDING = 16
