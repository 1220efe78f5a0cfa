'use client'

import clsx from 'clsx'
import { ToggleGroup } from 'radix-ui'

type Option<T extends string> = { readonly value: T; readonly label: string; readonly hint?: string }

const item =
  'h-6 flex-none whitespace-nowrap border border-hair bg-sheet px-2.5 -ml-px first:ml-0 first:rounded-l-sheet last:rounded-r-sheet hover:bg-film data-[state=on]:relative data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-sheet'

/** One of a few words. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  className,
}: {
  label: string
  value: T
  options: readonly Option<T>[]
  onChange: (value: T) => void
  className?: string
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      className={clsx('flex', className)}
      value={value}
      onValueChange={(next) => next && onChange(next as T)}
    >
      {options.map((option) => (
        <ToggleGroup.Item key={option.value} value={option.value} title={option.hint} className={item}>
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

/** Any of a few words. */
export function Choices<T extends string>({
  label,
  value,
  options,
  onChange,
  className,
}: {
  label: string
  value: readonly T[]
  options: readonly Option<T>[]
  onChange: (value: T[]) => void
  className?: string
}) {
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={label}
      className={clsx('flex', className)}
      value={[...value]}
      onValueChange={(next) => onChange(next as T[])}
    >
      {options.map((option) => (
        <ToggleGroup.Item key={option.value} value={option.value} title={option.hint} className={item}>
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
