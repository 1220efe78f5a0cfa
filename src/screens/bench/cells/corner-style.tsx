'use client'

import clsx from 'clsx'
import { CornerStyle } from '@/core/drawing/model/style'
import { type SEVERAL } from './value-cell'

/** What each style draws at the top right corner of a square. */
const PICTURES: Record<CornerStyle, string> = {
  round: 'M1 3H7A6 6 0 0 1 13 9V13',
  bevel: 'M1 3H7L13 9V13',
  scoop: 'M1 3H7A6 6 0 0 0 13 9V13',
  notch: 'M1 3H7V9H13V13',
  squircle: 'M1 3H5C11 3 13 5 13 11V13',
}

/** Chooses the shape of a corner within its radius: round, bevel, scoop, notch or squircle. */
export function CornerStyleChoice({
  label,
  value,
  onChange,
}: {
  label: string
  value: CornerStyle | undefined | typeof SEVERAL
  onChange: (style: CornerStyle) => void
}) {
  return (
    <div role="radiogroup" aria-label={label} className="mx-3 mt-1.5 mb-1 flex border border-hair">
      {CornerStyle.options.map((style) => {
        const on = value === style || (value === undefined && style === 'round')
        return (
          <button
            key={style}
            type="button"
            role="radio"
            aria-checked={on}
            aria-label={style}
            title={style}
            onClick={() => onChange(style)}
            className={clsx('grid h-6 flex-1 place-items-center', on ? 'bg-ink text-sheet' : 'hover:bg-film')}
          >
            <svg
              viewBox="0 0 14 14"
              width="14"
              height="14"
              fill="none"
              stroke="currentColor"
              strokeWidth="1.5"
              aria-hidden
            >
              <path d={PICTURES[style]} />
            </svg>
          </button>
        )
      })}
    </div>
  )
}
