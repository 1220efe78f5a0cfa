'use client'

import Link from 'next/link'
import { realSize } from '@/core/rules/real-size'
import type { IconSet } from '@/core/set/set'
import { useTheme } from '@/ui/theme'
import { IconPicture } from '../frame/icon-picture'
import { type FamilyMeasures, useAlikes } from '../session/family-measures'

/** From which likeness on pairs are compared, and are near. */
const LEAST = 0.3,
  NEAR = 0.55

/** How many pairs are shown at most, and how many where none is near. */
const MOST = 60,
  FEW = 9

/** The pairs of a family that are most alike at 16 pixels, near or not, side by side and laid over each other. */
export function AlikeView({ set, family, setId }: { set: IconSet; family: FamilyMeasures; setId: string }) {
  const all = useAlikes(family, LEAST),
    near = all.filter(({ likeness }) => likeness >= NEAR).length,
    pairs = all.slice(0, Math.min(MOST, Math.max(near, FEW)))
  const icons = new Map(set.icons.map((icon) => [icon.id, icon]))
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const size = realSize(set.rules)
  return (
    <main className="min-h-0 overflow-y-auto bg-film p-4">
      {(family.waiting > 0 || near === 0) && (
        <p className="px-1 pb-3 text-quiet">
          {family.waiting > 0
            ? `${family.waiting} icons are still being compared.`
            : `No two icons look alike at 16 pixels.${pairs.length > 0 ? ' These pairs are the nearest.' : ''}`}
        </p>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-px">
        {pairs.map(({ a, b, likeness }) => {
          const [one, other] = [icons.get(a), icons.get(b)]
          if (!one || !other) return null
          return (
            <li key={`${a} ${b}`} className="border border-hair bg-sheet px-3 py-2.5">
              <div className="flex items-center gap-4">
                {[one, other].map((icon) => (
                  <Link
                    key={icon.id}
                    href={`/sets/${setId}/draw/${encodeURIComponent(icon.name)}`}
                    title={`Draw ${icon.name}`}
                    className="flex items-end gap-2"
                  >
                    <IconPicture icon={icon} rules={set.rules} ground={ground} size={16} label={`${icon.name} at 16`} />
                    <IconPicture icon={icon} rules={set.rules} ground={ground} size={size} label={icon.name} />
                  </Link>
                ))}
                <span className="relative ml-auto" style={{ width: size, height: size }}>
                  {[one, other].map((icon, i) => (
                    <IconPicture
                      key={icon.id}
                      icon={icon}
                      rules={set.rules}
                      ground={ground}
                      size={size}
                      label={`${icon.name} over the other`}
                      className={
                        i === 0 ? 'absolute inset-0 opacity-50' : 'absolute inset-0 opacity-50 mix-blend-multiply'
                      }
                    />
                  ))}
                </span>
              </div>
              <p className="mt-2 flex justify-between text-small">
                <span className="truncate">
                  {one.name} · {other.name}
                </span>
                <span className={likeness >= 0.8 ? 'flex-none font-[640] text-snag' : 'flex-none text-quiet'}>
                  {Math.round(likeness * 100)} % alike{likeness < NEAR && ', not near'}
                </span>
              </p>
            </li>
          )
        })}
      </ul>
    </main>
  )
}
