'use client'

import { useId, useState } from 'react'

/** One of many things by its name. */
type Named = { readonly id: string; readonly name: string }

/** Up to how many are listed whole; among more one is found by typing. */
const LISTED = 200
/** How many are offered while one types. */
const OFFERED = 30

/** A choice of one thing among many by its name: a list, or, where that were too long, a field that offers what fits. */
export function NameChoice({
  label,
  all,
  chosen,
  prompt,
  className,
  onChoose,
}: {
  label: string
  all: readonly Named[]
  /** The id of the one that is chosen; null where none is. */
  chosen: string | null
  /** The placeholder. */
  prompt: string
  className: string
  onChoose: (id: string) => void
}) {
  const list = useId()
  const [text, setText] = useState<string | null>(null)
  if (all.length <= LISTED)
    return (
      <select
        aria-label={label}
        value={chosen ?? ''}
        onChange={({ target }) => target.value !== '' && onChoose(target.value)}
        className={className}
      >
        {chosen === null && <option value="">{prompt}</option>}
        {all.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    )
  const name = all.find(({ id }) => id === chosen)?.name ?? ''
  const sought = (text ?? '').trim().toLowerCase()
  const choose = (typed: string) => {
    const one = all.find((other) => other.name.toLowerCase() === typed.trim().toLowerCase())
    if (one && one.id !== chosen) onChoose(one.id)
    setText(null)
  }
  return (
    <>
      <input
        aria-label={label}
        list={list}
        placeholder={prompt}
        value={text ?? name}
        onFocus={({ target }) => target.select()}
        onChange={({ target, nativeEvent }) => {
          // A choice from the list is complete; typing may go on.
          const { inputType } = nativeEvent as InputEvent
          if (inputType === undefined || inputType === 'insertReplacementText') choose(target.value)
          else setText(target.value)
        }}
        onKeyDown={({ key, currentTarget }) => key === 'Enter' && choose(currentTarget.value)}
        onBlur={() => text !== null && choose(text)}
        className={className}
      />
      <datalist id={list}>
        {text !== null &&
          all
            .filter((one) => one.name.toLowerCase().includes(sought))
            .slice(0, OFFERED)
            .map((one) => <option key={one.id} value={one.name} />)}
      </datalist>
    </>
  )
}
