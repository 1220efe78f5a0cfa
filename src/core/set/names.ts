import { z } from 'zod'
import { isSeen, UNSEEN_SENTENCE } from '../drawing/model/label'

const RESERVED = /^(?:con|prn|aux|nul|com\d|lpt\d)(?:\.|$)/i

/** The name of an icon: also the name of its files, so it must be a good file name everywhere. */
export const IconName = z
  .string()
  .min(1, 'Give the icon a name.')
  .max(80, 'A name has at most 80 characters.')
  .refine((name) => name === name.trim(), 'A name cannot begin or end with a space.')
  .refine(isSeen, UNSEEN_SENTENCE)
  .refine(
    (name) => !/[/\\:*?"<>|]/.test(name),
    'A name cannot contain / \\ : * ? " < > | because files are named after it.',
  )
  .refine((name) => !name.startsWith('.') && !name.endsWith('.'), 'A name cannot begin or end with a dot.')
  .refine((name) => !RESERVED.test(name), 'That name is reserved by some systems; choose another.')

/** The name of a set: any short line of text. */
export const SetName = z
  .string()
  .transform((name) => name.trim())
  .pipe(z.string().min(1, 'Give the set a name.').max(80, 'A name has at most 80 characters.'))
  .refine((name) => !/[\r\n\u2028\u2029]/.test(name), 'A name is one line of text.')
  .refine(isSeen, UNSEEN_SENTENCE)

/** The name as a file system sees it that ignores case. Icons with equal keys would be written to one file. */
export const nameKey = (name: string): string => name.normalize('NFC').toLowerCase()

/** The name itself where it is free, else with the smallest number from 2 on that makes it free. */
export function freeName(name: string, taken: readonly string[], separator: '-' | ' ' = '-'): string {
  const keys = new Set(taken.map(nameKey))
  if (!keys.has(nameKey(name))) return name
  const stem = [...name.replace(new RegExp(`${separator}\\d+$`), '').slice(0, 74)].filter(isSeen).join('')
  for (let n = 2; ; n++) if (!keys.has(nameKey(`${stem}${separator}${n}`))) return `${stem}${separator}${n}`
}
