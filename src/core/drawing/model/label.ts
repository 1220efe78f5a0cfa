import { z } from 'zod'

/** Invisible characters, characters that change the writing direction, line ends, and lone surrogates. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\p{Surrogate}]/u

export const isSeen = (name: string): boolean => !UNSEEN.test(name)

/** What a name with such characters is refused with. */
export const UNSEEN_SENTENCE = 'A name cannot contain characters that are not seen.'

/** A short name for people, of an object or a picture. */
export const Label = z
  .string()
  .min(1, 'A name has at least one character.')
  .max(80, 'A name has at most 80 characters.')
  .refine(isSeen, UNSEEN_SENTENCE)
