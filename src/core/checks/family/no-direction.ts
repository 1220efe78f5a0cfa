import type { FamilyCheck, Sibling } from '../family-check'
import { about } from '../family-check'

/** Words of names and tags for what runs along a line of text. */
const ALONG = new Set(
  (
    'align arrow back backward bullet caret chevron enter exit forward indent left list login logout next outdent paragraph ' +
    'previous quote redo reply return right send text undo'
  ).split(' '),
)

/** How much of its ink may not meet its own mirror image in one that has no direction, as a share. */
const ASIDE = 0.12

const words = ({ name, tags = [] }: Sibling): string[] =>
  [name, ...tags].flatMap((one) =>
    one
      .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
      .toLowerCase()
      .split(/[^a-z0-9]+/),
  )

/** How much of a picture of so many pixels does not meet its mirror image, as a share of it. */
function aside(cover: Float32Array): number {
  const side = Math.round(Math.sqrt(cover.length))
  let all = 0,
    apart = 0
  for (let i = 0; i < cover.length; i++) {
    const x = i % side
    all += cover[i]!
    apart += Math.abs(cover[i]! - cover[i - x + (side - 1 - x)]!) / 2
  }
  return all === 0 ? 0 : apart / all
}

const known = new WeakMap<Sibling, boolean>()

/** Whether an icon looks directional, remembered for it: families are looked at again and again. */
function looksDirected(one: Sibling): boolean {
  let is = known.get(one)
  if (is === undefined) {
    is = one.balance !== null && words(one).some((word) => ALONG.has(word)) && aside(one.balance.cover) > ASIDE
    known.set(one, is)
  }
  return is
}

/** Icons that look directional, by their names and their drawings, and do not say what becomes of them right to left. */
export const noDirection: FamilyCheck = {
  id: 'no-direction',
  word: 'right to left not set',
  severity: 'note',
  find: (family) =>
    new Map(
      family.flatMap((one) =>
        one.rtl === undefined && looksDirected(one)
          ? [
              about(
                one.id,
                'Its name is of a direction: set whether it is mirrored where text runs from right to left.',
              ),
            ]
          : [],
      ),
    ),
}
