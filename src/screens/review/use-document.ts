import { useEffect, useState } from 'react'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { documentOf } from '@/workers/draw'

/** The document of an icon in the ink's own colour; null until it is drawn, and where it cannot be. */
export function useDocument(icon: Icon, rules: Rules): string | null {
  const [found, setFound] = useState<{ icon: Icon; rules: Rules; svg: string | null } | null>(null)
  useEffect(() => {
    let isWanted = true
    void documentOf(icon, rules, 'light').then(({ svg }) => isWanted && setFound({ icon, rules, svg: svg ?? null }))
    return () => {
      isWanted = false
    }
  }, [icon, rules])
  return found?.icon === icon && found.rules === rules ? found.svg : null
}
