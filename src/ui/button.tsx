import clsx from 'clsx'
import type { ComponentProps } from 'react'

/**
 * A button in words: `plain` within a line of text, `framed` by itself, `strong` for the one thing a screen is about.
 */
export function Button({
  look = 'framed',
  className,
  ...props
}: ComponentProps<'button'> & { look?: 'plain' | 'framed' | 'strong' }) {
  return (
    <button
      type="button"
      {...props}
      className={clsx(
        'inline-flex h-6 items-center justify-center gap-1.5 rounded-sheet px-2.5 whitespace-nowrap disabled:text-quiet/60',
        look === 'plain' && 'text-ink enabled:hover:bg-faint',
        look === 'framed' &&
          'border border-ink/70 bg-sheet enabled:hover:border-ink enabled:hover:bg-film disabled:border-hair',
        look === 'strong' &&
          'border border-ink bg-ink text-sheet enabled:hover:border-hand enabled:hover:bg-hand enabled:hover:text-white disabled:border-hair disabled:bg-hair disabled:text-quiet',
        className,
      )}
    />
  )
}
