'use client'

import type { Rules } from '@/core/rules/rules'
import { type Icon, masterFor } from '@/core/set/set'
import { useSnags, weighty } from '../../session/snags'

/** A diamond at an icon that has snags, with their number. */
export function SnagDot({ icon, rules }: { icon: Icon; rules: Rules }) {
  const snags = useSnags(masterFor(icon), rules)
  const count = snags ? weighty(snags).length : 0
  if (count === 0) return null
  const text = count === 1 ? 'a snag' : `${count} snags`
  return (
    <span
      role="img"
      aria-label={`${icon.name}: ${text}`}
      title={text}
      className="absolute top-1.5 right-2 size-[5px] rotate-45 bg-snag"
    />
  )
}
