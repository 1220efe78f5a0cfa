'use client'

import { useEffect, useState } from 'react'

/** True from when an element has come into sight, or near it; for what need not be fetched or drawn before. */
export function useSeen(element: React.RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(false)
  useEffect(() => {
    const target = element.current
    if (seen || !target) return
    const observer = new IntersectionObserver(([entry]) => entry!.isIntersecting && setSeen(true), {
      rootMargin: '200px',
    })
    observer.observe(target)
    return () => observer.disconnect()
  }, [element, seen])
  return seen
}
