import { createKeybindingsHandler } from 'tinykeys'
import { describe, expect, it, vi } from 'vitest'
import { inKeys, isMeant, type Keyboard, keyName, PLAIN, watched } from './keys'

const mac: Keyboard = { mac: true, printed: new Map() }
const french: Keyboard = {
  mac: false,
  printed: new Map([
    ['KeyQ', 'a'],
    ['KeyA', 'q'],
    ['KeyW', 'z'],
    ['Digit1', '&'],
    ['BracketLeft', '^'],
  ]),
}

describe('keys are shown', () => {
  it('as they are named on the system, in its order', () => {
    expect(keyName('$mod+Shift+KeyZ', PLAIN)).toBe('Ctrl Shift Z')
    expect(keyName('$mod+Shift+KeyZ', mac)).toBe('⇧⌘Z')
    expect(keyName('$mod+Alt+KeyC', mac)).toBe('⌥⌘C')
    expect(keyName('Alt+ArrowLeft', PLAIN)).toBe('Alt Left')
    expect(keyName('Digit4', mac)).toBe('4')
    expect(keyName('Delete', mac)).toBe('⌦')
    expect(keyName('Delete', PLAIN)).toBe('Delete')
  })

  it('with the signs that are printed on them, but for those that go by character', () => {
    expect(keyName('KeyQ', french)).toBe('A')
    expect(keyName('Digit1', french)).toBe('&')
    expect(keyName('$mod+KeyZ', french)).toBe('Ctrl Z')
    expect(keyName('$mod+BracketLeft', french)).toBe('Ctrl ^')
    expect(keyName('Escape', french)).toBe('Esc')
  })

  it('in sentences too', () => {
    expect(inKeys('Copy first (Ctrl Alt C), then Ctrl D · Alt: leave a copy · [KeyQ]: select', mac)).toBe(
      'Copy first (⌥⌘C), then ⌘D · ⌥: leave a copy · Q: select',
    )
    expect(inKeys('Ctrl D · [KeyQ]: select', french)).toBe('Ctrl D · A: select')
  })
})

/** What a person presses: the character, and the place of the key on the keyboard. */
class Press {
  constructor(
    readonly key: string,
    readonly code: string,
  ) {}
  getModifierState(mod: string): boolean {
    return mod === 'Control'
  }
}
vi.stubGlobal('KeyboardEvent', Press)
const press = (key: string, code: string) => new Press(key, code) as unknown as KeyboardEvent

describe('keys are taken', () => {
  it('by character with Ctrl on any Latin keyboard, by place where there are no such letters', () => {
    const undo = vi.fn(),
      close = vi.fn()
    const bind = (binding: string, run: () => void) =>
      watched(binding).map((key) => [key, (event: KeyboardEvent) => isMeant(binding, event) && run()] as const)
    const handler = createKeybindingsHandler(
      Object.fromEntries([...bind('$mod+KeyZ', undo), ...bind('$mod+KeyW', close)]),
    )
    handler(press('z', 'KeyW'))
    expect([undo.mock.calls.length, close.mock.calls.length]).toEqual([1, 0])
    handler(press('я', 'KeyZ'))
    expect([undo.mock.calls.length, close.mock.calls.length]).toEqual([2, 0])
    handler(press('w', 'KeyZ'))
    expect([undo.mock.calls.length, close.mock.calls.length]).toEqual([2, 1])
  })
})
