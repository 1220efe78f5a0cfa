import type { IconSet } from './set'
import type { Delivery } from './settings'

/** Code points of icons by their ids. */
type Codes = Readonly<Record<string, number>>

/** Where the code points of icons begin: in the private use area of the first plane, and beyond it in a plane of its own. */
const FIRST = 0xe001,
  LAST = 0xf8ff,
  BEYOND = 0xf0000

/** The next code point after all that were ever given. */
export function nextCode(codes: Codes): number {
  const next = Math.max(FIRST - 1, ...Object.values(codes)) + 1
  return next > LAST && next < BEYOND ? BEYOND : next
}

/** Code points with those added that others have beside them; of one that both gave to an icon the first stands. */
export function unitedCodes(first: Codes = {}, others: Codes = {}): Codes {
  const taken = new Set(Object.values(first))
  const codes: Record<string, number> = { ...first }
  // What two icons got at the same time the later one gets anew, after all that were ever given.
  const doubled: string[] = []
  for (const [id, code] of Object.entries(others)) {
    if (codes[id] !== undefined) continue
    if (taken.has(code)) doubled.push(id)
    else {
      codes[id] = code
      taken.add(code)
    }
  }
  for (const id of doubled) codes[id] = nextCode(codes)
  return codes
}

/** A delivery with code points; the same where it has them, or where there are none. */
export function withCodes(delivery: Delivery | undefined, codes: Codes): Delivery | undefined {
  const ids = Object.keys(codes)
  const own = delivery?.codes ?? {}
  if (ids.length === Object.keys(own).length && ids.every((id) => own[id] === codes[id])) return delivery
  return { ...delivery, codes }
}

/** A set after a change, with all code points that it had before: once given they are never taken back. */
export function keepingCodes(set: IconSet, before: IconSet): IconSet {
  if (set.delivery === before.delivery) return set
  const delivery = withCodes(set.delivery, unitedCodes(before.delivery?.codes, set.delivery?.codes))
  return delivery === set.delivery ? set : { ...set, ...(delivery && { delivery }) }
}
