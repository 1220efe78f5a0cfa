import { COPY_DAYS, COPY_WEEKS, DAY_MS } from '../retention'

/** The day of a copy in ISO 8601, from the name of its file: “2026-11-29.db”, “2026-11-29 before 008-revisions.db”. */
export const dayOf = (name: string): string | null =>
  /^(\d{4}-\d{2}-\d{2})(?: before [\w-]+)?\.db$/.exec(name)?.[1] ?? null

/**
 * The copies that are no longer kept on a day: of the last seven days on which there are any all stay, of each of the four
 * weeks before them the latest. Files that are no copies are not named.
 */
export function outdatedCopies(names: readonly string[], today: string): string[] {
  const copies = names.flatMap((name) => {
    const day = dayOf(name)
    return day === null ? [] : [{ name, day, at: Date.parse(day) }]
  })
  const days = [...new Set(copies.map(({ day }) => day))].sort().reverse()
  const recent = new Set(days.slice(0, COPY_DAYS))
  const weekOf = (at: number) => Math.floor((Date.parse(today) - at) / (7 * DAY_MS))
  const weekly = new Map<number, string>()
  for (const day of days.slice(COPY_DAYS)) {
    const week = weekOf(Date.parse(day))
    if (!weekly.has(week) && weekly.size < COPY_WEEKS) weekly.set(week, day)
  }
  const kept = new Set([...recent, ...weekly.values()])
  return copies.flatMap(({ name, day }) => (kept.has(day) ? [] : name))
}
