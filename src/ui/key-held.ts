'use client'

import { useEffect, useState } from 'react'

/** Whether a key is held down, by its place on the keyboard. */
export function useKeyHeld(code: string): boolean {
  const [isHeld, setHeld] = useState(false)
  useEffect(() => {
    const told = (event: KeyboardEvent) => event.code === code && setHeld(event.type === 'keydown')
    const gone = () => setHeld(false)
    window.addEventListener('keydown', told)
    window.addEventListener('keyup', told)
    window.addEventListener('blur', gone)
    return () => {
      window.removeEventListener('keydown', told)
      window.removeEventListener('keyup', told)
      window.removeEventListener('blur', gone)
    }
  }, [code])
  return isHeld
}
