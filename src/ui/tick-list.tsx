'use client'

import { Check, ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

/** A checkbox line of the list: its label, tooltip and state. */
export type Tick = {
  readonly word: string
  readonly hint?: string
  readonly on: boolean
  readonly onChange: () => void
}

/** Lines of which one is chosen, under a heading. */
export type Choices = {
  readonly heading: string
  readonly value: string
  readonly options: readonly { readonly value: string; readonly word: string; readonly hint?: string }[]
  readonly onChange: (value: string) => void
}

const line =
  'flex min-h-6 items-center gap-2 pr-4 pl-2 outline-none select-none data-[highlighted]:bg-ink data-[highlighted]:text-sheet'

/** A button that opens a list of ticks and choices; the list stays open while lines are ticked. */
export function TickList({
  label,
  shown,
  choices = [],
  ticks = [],
}: {
  label: string
  shown: ReactNode
  choices?: readonly Choices[]
  ticks?: readonly Tick[]
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={label}
        title={label}
        className="flex h-full flex-none items-center gap-1 border-l border-hair px-2 whitespace-nowrap hover:bg-film data-[state=open]:bg-film"
      >
        {shown}
        <ChevronDown size={12} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          collisionPadding={8}
          className="z-50 min-w-44 rounded-sheet border border-ink bg-sheet py-1 text-body text-ink"
          onCloseAutoFocus={(event) => event.preventDefault()}
        >
          {choices.map(({ heading, value, options, onChange }) => (
            <DropdownMenu.RadioGroup key={heading} value={value} onValueChange={onChange}>
              <Heading>{heading}</Heading>
              {options.map((option) => (
                <DropdownMenu.RadioItem
                  key={option.value}
                  value={option.value}
                  title={option.hint}
                  className={line}
                  onSelect={(event) => event.preventDefault()}
                >
                  <Mark />
                  {option.word}
                </DropdownMenu.RadioItem>
              ))}
            </DropdownMenu.RadioGroup>
          ))}
          {choices.length > 0 && ticks.length > 0 && <DropdownMenu.Separator className="my-1 h-px bg-hair" />}
          {ticks.map(({ word, hint, on, onChange }) => (
            <DropdownMenu.CheckboxItem
              key={word}
              checked={on}
              onCheckedChange={onChange}
              title={hint}
              className={line}
              onSelect={(event) => event.preventDefault()}
            >
              <Mark />
              {word}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

const Heading = ({ children }: { children: string }) => (
  <DropdownMenu.Label className="px-2 pt-1 pb-0.5 text-small text-quiet">{children}</DropdownMenu.Label>
)

const Mark = () => (
  <span className="grid size-3.5 flex-none place-items-center">
    <DropdownMenu.ItemIndicator>
      <Check size={13} aria-hidden />
    </DropdownMenu.ItemIndicator>
  </span>
)
