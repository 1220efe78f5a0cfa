import { customAlphabet } from 'nanoid'

/** A new id for an object or an icon. */
export const newId = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 10)
