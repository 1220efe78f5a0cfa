'use client'

import { useCallback, useSyncExternalStore } from 'react'
import type { Ground } from '@/core/picture/picture'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { CrossedOut, PixelPicture } from '@/ui/pixel-picture'
import { useSession } from '../session/use-session'
import { shownBy } from '../session/stored-drawings'

/**
 * An icon of the open set in real pixels: as the server keeps it drawn, or drawn here where it changed since it was
 * opened.
 */
export function IconPicture({
  icon,
  rules,
  ground,
  size,
  scale = 1,
  label,
  className,
}: {
  icon: Icon
  rules: Rules
  ground: Ground
  size: number
  /** How many screen pixels show one of its own. */
  scale?: number
  label: string
  className?: string
}) {
  const { stored } = useSession().getState()
  const drawing = useSyncExternalStore(
    stored.subscribe,
    useCallback(() => stored.of(icon, rules), [stored, icon, rules]),
    () => undefined,
  )
  const side = { width: size * scale, height: size * scale }
  if (drawing?.problem !== undefined)
    return <CrossedOut problem={drawing.problem} label={label} className={className} style={side} />
  const source = shownBy(drawing, icon, rules, ground, size)
  return source ? (
    <PixelPicture source={source} size={size} scale={scale} label={label} className={className} />
  ) : (
    <span aria-hidden className={className} style={{ ...side, display: 'block' }} />
  )
}
