import { type ComingPart, partsIn, withPlacements } from './images/parts'
import type { Plain } from './plain'
import type { Evidence } from './propose'
import { strokeTolerance } from './strokes-back'

/** Finds repeated pieces of drawings as parts, with evidence; replaces them by placements if `wanted`. */
export function withParts(
  icons: readonly Plain[],
  grid: number,
  wanted: boolean,
): { readonly drawings: readonly Plain[]; readonly parts: readonly ComingPart[]; readonly told: readonly Evidence[] } {
  const parts = partsIn(icons, strokeTolerance(grid))
  const iconsOf = (list: readonly ComingPart[]) => new Set(list.flatMap(({ uses }) => uses.map(({ icon }) => icon)))
  const told: Evidence = {
    topic: 'parts',
    what: parts.length === 1 ? '1 repeated part' : `${parts.length} repeated parts`,
    count: iconsOf(parts).size,
    of: icons.length,
    others: parts.slice(0, 6).map((part) => {
      const own = [...iconsOf([part])].map((i) => icons[i]!.name)
      return { what: part.name, count: own.length, icons: own.slice(0, 8) }
    }),
  }
  return {
    drawings: wanted ? withPlacements(icons, parts) : icons,
    parts: wanted ? parts : [],
    told: parts.length > 0 ? [told] : [],
  }
}
