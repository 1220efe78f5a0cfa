import type { Delivery } from '../set/settings'

/** Something that can be chosen about a target: one of several, on or off, or a short text. */
export type Choice =
  | {
      readonly as: 'one of'
      readonly word: string
      readonly of: readonly { readonly value: string; readonly label: string }[]
      readonly usual: string
    }
  | { readonly as: 'switch'; readonly word: string; readonly usual: boolean }
  | {
      readonly as: 'text'
      readonly word: string
      readonly usual: string
      /** Another valid text, which changes the files. */
      readonly example: string
      /** Why a text will not do, in a sentence; null where it will. */
      readonly fault: (text: string) => string | null
    }

export type Choices = Readonly<Record<string, Choice>>

/** Chosen options, by name. */
export type Options<C extends Choices = Choices> = {
  readonly [K in keyof C]: C[K] extends { as: 'switch' } ? boolean : string
}

export const oneOf = (word: string, usual: string, of: Readonly<Record<string, string>>) => ({
  as: 'one of' as const,
  word,
  usual,
  of: Object.entries(of).map(([value, label]) => ({ value, label })),
})

export const onOff = (word: string, usual: boolean) => ({ as: 'switch' as const, word, usual })

export const text = (word: string, usual: string, example: string, fault: (text: string) => string | null) => ({
  as: 'text' as const,
  word,
  usual,
  example,
  fault,
})

/** A colour as six digits. */
export const colour = (word: string, usual: string) =>
  text(word, usual, '#123456', (value) =>
    /^#[0-9a-f]{6}$/i.test(value) ? null : 'A colour is # and six digits, as in #fbfcfb.',
  )

/** Why something kept or typed will not do for a choice, in a sentence; null where it will. */
export function choiceProblem(choice: Choice, value: unknown): string | null {
  switch (choice.as) {
    case 'switch':
      return typeof value === 'boolean' ? null : `“${choice.word}” is on or off.`
    case 'one of':
      return choice.of.some((one) => one.value === value)
        ? null
        : `“${choice.word}” is one of ${choice.of.map((one) => one.label).join(', ')}.`
    case 'text':
      return typeof value !== 'string' ? `“${choice.word}” is a text.` : choice.fault(value)
  }
}

/** The options of a target: the set's valid choices, defaults otherwise. */
export function optionsOf<C extends Choices>(
  { id, choices }: { readonly id: string; readonly choices: C },
  delivery: Delivery | undefined,
): Options<C> {
  const kept = delivery?.options?.[id] ?? {}
  return Object.fromEntries(
    Object.entries(choices).map(([key, choice]) => {
      const value = kept[key]
      return [key, value !== undefined && choiceProblem(choice, value) === null ? value : choice.usual]
    }),
  ) as Options<C>
}

/** A delivery with some of a target's choices made otherwise. */
export const withOptions = (
  delivery: Delivery | undefined,
  target: string,
  chosen: Readonly<Record<string, string | boolean>>,
): Delivery => ({
  ...delivery,
  options: { ...delivery?.options, [target]: { ...delivery?.options?.[target], ...chosen } },
})
