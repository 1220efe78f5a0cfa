'use client'

import clsx from 'clsx'
import { type ComponentProps, useRef } from 'react'
import { useBenchState } from '../../state/context'
import { toScreen } from '../../state/view'

/** A box over the square moves away when the pointer's drag is nearer than this, in pixels. */
const NEAR = 40

/** Something that lies over the square: it gives way while something in hand is under it or near it. */
export function OverSquare({ className, ...rest }: ComponentProps<'div'>) {
  const element = useRef<HTMLDivElement>(null)
  const givesWay = useGivesWay(element)
  return (
    <div
      ref={element}
      className={clsx(className, 'absolute', givesWay && 'pointer-events-none opacity-10')}
      {...rest}
    />
  )
}

function useGivesWay(element: React.RefObject<HTMLDivElement | null>): boolean {
  // Where it lies is asked for once in a drag.
  const box = useRef<DOMRect | null>(null)
  return useBenchState(({ dragging, pointer, view }) => {
    const here = element.current
    if (!dragging || !pointer || !view || !here?.offsetParent) {
      box.current = null
      return false
    }
    box.current ??= new DOMRect(here.offsetLeft, here.offsetTop, here.offsetWidth, here.offsetHeight)
    const { x, y } = toScreen(view, pointer),
      { left, right, top, bottom } = box.current
    return x > left - NEAR && x < right + NEAR && y > top - NEAR && y < bottom + NEAR
  })
}
