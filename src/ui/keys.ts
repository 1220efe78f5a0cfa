'use client'

import { useSyncExternalStore } from 'react'

/** The keyboard: its system's modifier signs, and its printed characters, if known. */
export type Keyboard = {
  readonly mac: boolean
  /** The character on a key, by the key's place: KeyQ is “a” on a French keyboard. */
  readonly printed: { get(code: string): string | undefined }
}

export const PLAIN: Keyboard = { mac: false, printed: new Map() }

/** What browsers tell of the keyboard, and only some of them. */
type Telling = Navigator & {
  readonly userAgentData?: { readonly platform?: string }
  readonly keyboard?: { getLayoutMap?(): Promise<ReadonlyMap<string, string>> }
}

let keyboard = PLAIN
let asked = false
const watching = new Set<() => void>()

function learn(next: Partial<Keyboard>): void {
  keyboard = { ...keyboard, ...next }
  for (const tell of watching) tell()
}

function watch(tell: () => void): () => void {
  watching.add(tell)
  if (!asked) {
    asked = true
    const { userAgentData, platform, keyboard: layout } = navigator as Telling
    if (/mac|iphone|ipad/i.test(userAgentData?.platform || platform)) learn({ mac: true })
    layout?.getLayoutMap?.().then(
      (printed) => learn({ printed }),
      // Not told in a frame or to a page that is not in sight.
      () => undefined,
    )
  }
  return () => watching.delete(tell)
}

/** The known keyboard; a default before the browser answers. */
export const useKeyboard = (): Keyboard =>
  useSyncExternalStore(
    watch,
    () => keyboard,
    () => PLAIN,
  )

/** The same outside React, for messages. */
export const keyboardNow = (): Keyboard => keyboard

const SIGNS: Readonly<Record<string, string>> = {
  Slash: '/',
  Period: '.',
  Comma: ',',
  BracketLeft: '[',
  BracketRight: ']',
  Backquote: '`',
  Escape: 'Esc',
  Equal: '+',
  Minus: '−',
}
const MAC: Readonly<Record<string, string>> = {
  Control: '⌃',
  Alt: '⌥',
  Shift: '⇧',
  $mod: '⌘',
  Backspace: '⌫',
  Delete: '⌦',
  Enter: '↩',
}
/** Modifiers in the order in which each system names them. */
const ORDER = { mac: ['Control', 'Alt', 'Shift', '$mod'], other: ['$mod', 'Control', 'Alt', 'Shift'] }

/**
 * A key in tinykeys' notation as printed on the keyboard: `$mod+Shift+KeyZ` is Ctrl Shift Z, or ⇧⌘Z. Letters with the
 * system's modifier are matched by character, other keys by position.
 */
export function keyName(key: string, { mac, printed }: Keyboard = keyboard): string {
  const parts = key.split('+'),
    last = parts.pop() ?? '',
    order = ORDER[mac ? 'mac' : 'other']
  const sign = byCharacter(key) ? undefined : printed.get(last)
  const name =
    sign && sign.trim() !== '' && !SIGNS[last]?.startsWith('Esc')
      ? sign.toUpperCase()
      : ((mac ? MAC[last] : undefined) ?? SIGNS[last] ?? last.replace(/^Key|^Digit|^Arrow/, ''))
  const held = parts
    .sort((a, b) => order.indexOf(a) - order.indexOf(b))
    .map((part) => (mac ? MAC[part] : undefined) ?? (part === '$mod' ? 'Ctrl' : part))
  return mac ? `${held.join('')}${name}` : [...held, name].join(' ')
}

/** A sentence that names keys, with the signs of the keyboard: `Ctrl` and `Alt`, and places of keys in brackets. */
export function inKeys(text: string, board: Keyboard = keyboard): string {
  const placed = text.replace(/\[((?:Key|Digit)\w)\]/g, (_, code: string) => keyName(code, board))
  if (!board.mac) return placed
  return placed
    .replace(/\bCtrl Alt (\w)\b/g, '⌥⌘$1')
    .replace(/\bCtrl Shift (\w)\b/g, '⇧⌘$1')
    .replace(/\bCtrl (\w)\b/g, '⌘$1')
    .replace(/\bCtrl\b/g, '⌘')
    .replace(/\bAlt\b/g, '⌥')
}

/** Whether a key is matched by character: Ctrl+Z, wherever Z is. ⌥ makes other characters and is not. */
export const byCharacter = (key: string): boolean => /^\$mod\+(?:Shift\+)?Key[A-Z]$/.test(key)

/**
 * Whether a pressed key matches a binding by character: on keyboards with other Latin letters the character decides, on
 * Greek or Cyrillic ones the position.
 */
export const isMeant = (key: string, event: Pick<KeyboardEvent, 'key'>): boolean =>
  !byCharacter(key) || !/^[a-z]$/i.test(event.key) || event.key.toUpperCase() === key.at(-1)

/** The keys of a binding as tinykeys is to watch for: those by character under both their place and their character. */
export const watched = (key: string): string[] => (byCharacter(key) ? [key, key.replace(/Key([A-Z])$/, '$1')] : [key])
