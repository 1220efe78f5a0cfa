'use client'

import Link from 'next/link'
import { realSize } from '@/core/rules/real-size'
import type { IconSet } from '@/core/set/set'
import { useTheme } from '@/ui/theme'
import { IconPicture } from '../frame/icon-picture'
import { type FamilyMeasures, useAlikes } from '../session/family-measures'

/** From which likeness on pairs are shown, and how many. */
const LEAST = 0.55,
  MOST = 60

/** The pairs of a family that are most alike at 16 pixels, side by side and laid over each other. */
export function AlikeView({ set, family, setId }: { set: IconSet; family: FamilyMeasures; setId: string }) {
  const pairs = useAlikes(family, LEAST).slice(0, MOST)
  const icons = new Map(set.icons.map((icon) => [icon.id, icon]))
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const size = realSize(set.rules)
  return (
    <main className="min-h-0 overflow-y-auto bg-film p-4">
      {pairs.length === 0 && (
        <p className="p-6 text-quiet">
          {family.waiting > 0
            ? `${family.waiting} icons are still being compared.`
            : 'No two icons look alike at 16 pixels.'}
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
                  {Math.round(likeness * 100)} % alike
                </span>
              </p>
            </li>
          )
        })}
      </ul>
    </main>
  )
}
