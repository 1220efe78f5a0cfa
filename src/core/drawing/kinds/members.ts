import type { Thing } from '../model/traits'

export const visible = <T extends Thing>(members: readonly T[]): T[] => members.filter(({ hidden }) => !hidden)
