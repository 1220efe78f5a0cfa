'use client'

import { Popover } from 'radix-ui'
import { type ReactNode, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import { isGradient, type Paint } from '@/core/drawing/model/paint'
import { colourOf, type NamedNumber, type NamedValues } from '@/core/drawing/model/values'
import { begun, cellBeside, editsCell, leaveCell, openCell } from '@/ui/cell-keys'
import { Chip } from '@/ui/chip'
import { ColourField } from '@/ui/colour-field'
import type { Limits } from '@/ui/limits'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import { goToStep } from '../../session/session'
import { cssPaint, paintWord } from '../operations/paint-words'
import { useBench } from '../state/context'

const panel = 'z-50 w-60 rounded-sheet border border-ink bg-sheet py-1 text-body outline-none'
const line =
  'flex h-6 w-full items-center gap-2 px-3 text-left hover:bg-ink hover:text-sheet focus-visible:bg-ink focus-visible:text-sheet focus-visible:outline-none aria-[current=true]:font-[640]'

/** A cell that opens a panel to choose from. */
export function ChoiceCell({
  label,
  shown,
  readOnly,
  children,
}: {
  label: string
  shown: ReactNode
  readOnly?: boolean
  children: ReactNode
}) {
  const bench = useBench()
  const [open, setOpen] = useState(false)
  /** How many steps of the history were done when it was opened. */
  const steps = useRef(0)
  const button = useRef<HTMLButtonElement>(null)
  /** Characters typed before the panel opened. */
  const typed = useRef('')
  const content = useRef<HTMLDivElement>(null)
  /** Whether Tab has led to another cell. */
  const hasLeft = useRef(false)
  if (readOnly) return <span className="block truncate px-1 text-quiet">{shown}</span>
  const show = () => {
    steps.current = bench.session.getState().history.past.length
    hasLeft.current = false
    setOpen(true)
  }
  const onPanelKey = (event: React.KeyboardEvent<HTMLDivElement>) => {
    const field = (event.target as HTMLElement).closest('input')
    if (event.key === 'Enter' && field && field.getAttribute('aria-invalid') === null) {
      // Runs after the field has taken or refused the typed value.
      setTimeout(() => field.getAttribute('aria-invalid') === null && setOpen(false))
    } else if (event.key === 'Tab' && button.current && fieldsIn(event.currentTarget).length <= 1) {
      event.preventDefault()
      field?.blur()
      setOpen(false)
      // At once: the next key must reach the next cell.
      hasLeft.current = true
      const next = cellBeside(button.current, event.shiftKey)
      if (next) openCell(next)
      else button.current.focus()
    } else if (!field) {
      if (/^Arrow(Up|Down)$/.test(event.key)) {
        event.preventDefault()
        goToLine(event.currentTarget, event.key === 'ArrowUp' ? -1 : 1)
      } else if (editsCell(event)) goToTyped(event.currentTarget, event.key)
    }
  }
  // The panel is only there while it is open: a ledger has hundreds of these cells.
  return (
    <>
      <button
        ref={button}
        type="button"
        data-cell="choice"
        aria-label={label}
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={({ detail }) => {
          if (detail > 0) begun.byPress = true
          show()
        }}
        onKeyDown={(event) => {
          if (leaveCell(event)) return
          if (event.key !== 'Tab') begun.byPress = false
          if (!editsCell(event)) return
          event.stopPropagation()
          event.preventDefault()
          // Characters wait here until the panel is open.
          if (event.key.length === 1 && !event.ctrlKey && !event.metaKey) typed.current += event.key
          if (open) return
          flushSync(show)
          if (!content.current || typed.current === '') return
          typeInto(content.current, typed.current)
          typed.current = ''
        }}
        className="block h-5 w-full truncate rounded-sheet px-1 text-left hover:bg-sheet hover:outline hover:outline-hair aria-expanded:bg-sheet aria-expanded:outline aria-expanded:outline-hand"
      >
        {shown}
      </button>
      {open && (
        <Popover.Root open onOpenChange={setOpen}>
          <Popover.Anchor virtualRef={button as React.RefObject<HTMLButtonElement>} />
          <Popover.Portal>
            <Popover.Content
              ref={content}
              aria-label={label}
              role="dialog"
              align="start"
              sideOffset={3}
              collisionPadding={8}
              className={panel}
              onEscapeKeyDown={() => {
                // A choice made since the field was opened is committed with the value.
                const { past } = bench.session.getState().history
                if (past.length > steps.current) goToStep(bench.session, steps.current)
              }}
              onKeyDown={onPanelKey}
              onOpenAutoFocus={(event) => {
                const panel = event.currentTarget as HTMLElement,
                  current = panel.querySelector<HTMLElement>('button[aria-current=true]')
                const isIn = panel.contains(document.activeElement)
                if (!isIn && !typed.current && !current) return
                event.preventDefault()
                if (isIn) return
                if (typed.current) typeInto(panel, typed.current)
                else current!.focus()
                typed.current = ''
              }}
              onCloseAutoFocus={(event) => {
                event.preventDefault()
                if (!hasLeft.current && !begun.byPress) button.current?.focus()
              }}
            >
              {children}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      )}
    </>
  )
}

/** The fields of a panel that text can be typed into. */
const fieldsIn = (panel: HTMLElement) => [...panel.querySelectorAll<HTMLElement>('input:not([type=range])')]

/** Moves the focus from one line of a panel to the next, and on to its field. */
function goToLine(panel: HTMLElement, by: 1 | -1): void {
  const lines = [...panel.querySelectorAll<HTMLElement>('[data-line], input:not([type=range])')]
  lines[Math.max(0, Math.min(lines.length - 1, lines.indexOf(document.activeElement as HTMLElement) + by))]?.focus()
}

/** Goes to the line that begins with the typed text, or types it into the field. */
function typeInto(panel: HTMLElement, text: string): void {
  goToTyped(panel, text[0]!)
  const field = document.activeElement
  if (!(field instanceof HTMLInputElement)) return
  // As React hears of it: by the field's own setter and an event.
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, text)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}

/** A letter moves the focus to the next line that begins with it; anything else to the field, which takes it. */
function goToTyped(panel: HTMLElement, key: string): void {
  const lines = [...panel.querySelectorAll<HTMLElement>('[data-line]')],
    at = lines.indexOf(document.activeElement as HTMLElement)
  const line = [...lines.slice(at + 1), ...lines.slice(0, at + 1)].find((one) =>
    one.textContent.trim().toLowerCase().startsWith(key.toLowerCase()),
  )
  if (line) line.focus()
  else fieldsIn(panel)[0]?.focus()
}

/** One choice in such a cell. */
export function Line({ current, onChoose, children }: { current: boolean; onChoose: () => void; children: ReactNode }) {
  return (
    <Popover.Close type="button" data-line aria-current={current} className={line} onClick={onChoose}>
      {children}
    </Popover.Close>
  )
}

export const SEVERAL = Symbol('several')

/** A weight or a radius: one of the rules by name, or a number of one's own. */
export function NamedNumberCell({
  label,
  value,
  list,
  none,
  byParent,
  limits,
  onChange,
  readOnly,
  children,
}: {
  label: string
  value: string | number | undefined | typeof SEVERAL
  list: readonly NamedNumber[]
  /** What 0 is called where it has a name. */
  none?: string
  /** The value that is inherited where the cell has none of its own, and the way back to inheriting. */
  byParent?: { readonly text: string; readonly onChoose: () => void }
  limits: Limits
  onChange: (value: string | number) => void
  readOnly?: boolean
  /** Further controls of the value. */
  children?: ReactNode
}) {
  const named = list.find(({ name }) => name === value)
  const shown =
    value === SEVERAL ? (
      <span className="text-quiet">several</span>
    ) : value === undefined ? (
      <span className="text-quiet">{byParent?.text ?? '–'}</span>
    ) : named ? (
      <>
        {named.name} <span className="text-quiet">{figure(named.value)}</span>
      </>
    ) : value === 0 && none ? (
      none
    ) : (
      figure(value as number)
    )
  return (
    <ChoiceCell
      label={`${label}: ${value === SEVERAL ? 'several' : named ? named.name : String(value ?? byParent?.text ?? '–')}`}
      shown={shown}
      readOnly={readOnly}
    >
      {byParent && (
        <Line current={value === undefined} onChoose={byParent.onChoose}>
          {byParent.text}
        </Line>
      )}
      {list.map(({ name, value: number }) => (
        <Line key={name} current={name === value} onChoose={() => onChange(name)}>
          <span className="flex-1">{name}</span>
          <span className="opacity-70">{figure(number)}</span>
        </Line>
      ))}
      {none && (
        <Line current={value === 0} onChoose={() => onChange(0)}>
          {none}
        </Line>
      )}
      <div className="mt-1 flex items-center gap-2 border-t border-hair px-3 pt-1.5 pb-0.5">
        <span className="flex-1 text-quiet">own</span>
        <NumberField
          label={`Own ${label}`}
          value={typeof value === 'number' ? value : (named?.value ?? null)}
          step={0.25}
          limits={limits}
          className="field !w-20 text-right"
          onChange={onChange}
        />
      </div>
      {children}
    </ChoiceCell>
  )
}

/** One of a few words, or what the rules say. */
export function WordCell<T extends string>({
  label,
  value,
  words,
  byRules,
  byDefault = byRules && { word: byRules, why: 'by the rules' },
  onChange,
  readOnly,
}: {
  label: string
  value: T | undefined | typeof SEVERAL
  words: readonly T[]
  /** What the rules say; the choice to follow them is offered when it is given. */
  byRules?: T
  /** What counts where nothing is chosen, and why. */
  byDefault?: { readonly word: T; readonly why: string } | undefined
  onChange: (value: T | undefined) => void
  readOnly?: boolean
}) {
  const text = value === SEVERAL ? 'several' : (value ?? byDefault?.word ?? '–')
  const shown = <span className={value === undefined || value === SEVERAL ? 'text-quiet' : undefined}>{text}</span>
  return (
    <ChoiceCell label={`${label}: ${text}`} shown={shown} readOnly={readOnly}>
      {byDefault && (
        <Line current={value === undefined} onChoose={() => onChange(undefined)}>
          <span className="flex-1">{byDefault.why}</span>
          <span className="opacity-70">{byDefault.word}</span>
        </Line>
      )}
      {words.map((word) => (
        <Line key={word} current={word === value} onChoose={() => onChange(word)}>
          {word}
        </Line>
      ))}
    </ChoiceCell>
  )
}

/** A paint: none, a swatch of the rules, or a colour of one's own; gradients are made where all of the finish is. */
export function PaintCell({
  label,
  value,
  rules,
  onChange,
  onMore,
  readOnly,
}: {
  label: string
  value: Paint | typeof SEVERAL
  rules: NamedValues
  onChange: (value: string) => void
  /** Goes to where gradients are made. */
  onMore: () => void
  readOnly?: boolean
}) {
  const text = value === SEVERAL ? 'several' : paintWord(value)
  const own =
    value === SEVERAL || value === 'none' || isGradient(value) ? '#14231f' : colourOf(value, rules).light.slice(0, 7)
  const shown =
    value === SEVERAL || value === 'none' ? (
      <span className="text-quiet">{text}</span>
    ) : (
      <>
        <Chip paint={cssPaint(value, rules)} /> <span className="ml-0.5">{text}</span>
      </>
    )
  return (
    <ChoiceCell label={`${label}: ${text}`} shown={shown} readOnly={readOnly}>
      <Line current={value === 'none'} onChoose={() => onChange('none')}>
        <Chip paint={null} /> none
      </Line>
      {rules.palette.map(({ name, color }) => (
        <Line key={name} current={name === value} onChoose={() => onChange(name)}>
          <Chip paint={color} /> <span className="flex-1">{name}</span>{' '}
          <span className="font-mono text-small opacity-70">{color}</span>
        </Line>
      ))}
      <Line current={false} onChoose={onMore}>
        <span className="flex-1">gradient, opacity, more fills …</span>
      </Line>
      <div className="mt-1 border-t border-hair px-3 pt-2 pb-1">
        <ColourField label={`Own ${label}`} value={own} onChange={onChange} height={110} />
      </div>
    </ChoiceCell>
  )
}
