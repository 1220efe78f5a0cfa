import clsx from 'clsx'

/** A small square of a paint: a colour, a CSS gradient, or crossed out where there is none. */
export function Chip({ paint, large }: { paint: string | null; large?: boolean }) {
  return (
    <span
      aria-hidden
      className={clsx('inline-block flex-none border border-ink align-[-1px]', large ? 'size-[15px]' : 'size-[11px]')}
      style={{ background: paint ?? 'linear-gradient(135deg, transparent 46%, var(--fault) 46% 54%, transparent 54%)' }}
    />
  )
}
