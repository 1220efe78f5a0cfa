'use client'

import { rightToLeft } from '@/core/set/direction'
import type { Icon } from '@/core/set/set'
import { IconPicture } from './icon-picture'

/** An icon in real pixels, in its right-to-left form. */
export function TurnedPicture({
  icon,
  family,
  ...props
}: Omit<React.ComponentProps<typeof IconPicture>, 'className'> & { family: readonly Icon[] }) {
  const { icon: shown, isMirrored } = rightToLeft(icon, family)
  return <IconPicture icon={shown} {...props} className={isMirrored ? '-scale-x-100' : ''} />
}
