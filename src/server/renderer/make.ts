import type { Problem } from '../../core/findings/problem'
import { strToU8 } from 'fflate'
import { png } from '../../core/formats/png'
import { type Picture } from '../../core/picture/picture'
import { picturePixels } from '../../core/picture/pixels'
import { svgOfPicture } from '../../core/picture/svg'
import type { StoredPictures } from '../../core/picture/drawn'
import type { Icon } from '../../core/set/set'
import type { DeliveredFile } from '../../core/targets/archive'
import { targetProblemsOf } from '../../core/targets/delivery-problems'
import { filesOfIcon, filesOfSet } from '../../core/targets/plan'
import { IconRenderer } from '../../core/targets/icon-renderer'
import type { Family, MadeOfIcon, MadeOfSet, Raster } from '../../core/targets/target'
import { FONTS, PAGES, PICTURES } from './containers/containers'

/** What an icon is delivered as: its files, its pieces of files of the whole set by their paths, and what speaks against it. */
export type MadeIcon = {
  readonly files: readonly DeliveredFile[]
  readonly pieces: Readonly<Record<string, string>>
  readonly problems: readonly Problem[]
}

/**
 * All files of one icon for some targets. `turned` is the icon that replaces it right to left, if any. Throws if it
 * cannot be drawn.
 */
export async function madeIcon(
  icon: Icon,
  drawn: StoredPictures | null,
  family: Family,
  targets: readonly string[],
  turned?: Icon,
): Promise<MadeIcon> {
  const other = turned ? new IconRenderer(turned, family.rules, null) : null
  const renderer = new IconRenderer(icon, family.rules, drawn, other)
  const files: DeliveredFile[] = []
  for (const { path, made } of filesOfIcon(icon, family, targets))
    files.push({ path, bytes: await bytesOfIcon(made, renderer) })
  const pieces = wholeFiles(family, targets).flatMap(({ path, made, target }) =>
    made.as === 'fixed' || family.without?.[target]?.includes(icon.id)
      ? []
      : [[path, pieceOf(made.piece, renderer)] as const],
  )
  return { files, pieces: Object.fromEntries(pieces), problems: targetProblemsOf(renderer, family, targets) }
}

/** The files of sets as a whole, by their families: planned once for all icons of a delivery. */
const whole = new WeakMap<Family, { readonly targets: string; readonly files: ReturnType<typeof filesOfSet> }>()

function wholeFiles(family: Family, targets: readonly string[]): ReturnType<typeof filesOfSet> {
  const known = whole.get(family)
  if (known?.targets === targets.join()) return known.files
  const files = filesOfSet(family, targets)
  whole.set(family, { targets: targets.join(), files })
  return files
}

/** Pieces of one renderer that several files share are computed once. */
const shared = new WeakMap<IconRenderer, Map<(renderer: IconRenderer) => string, string>>()

function pieceOf(piece: (renderer: IconRenderer) => string, renderer: IconRenderer): string {
  let known = shared.get(renderer)
  if (!known) shared.set(renderer, (known = new Map()))
  let text = known.get(piece)
  if (text === undefined) known.set(piece, (text = piece(renderer)))
  return text
}

async function bytesOfIcon(
  made: MadeOfIcon | Extract<MadeOfSet, { as: 'fixed' }>,
  renderer: IconRenderer,
): Promise<Uint8Array> {
  if (made.as === 'fixed') return strToU8(made.text)
  if (made.as === 'text') return strToU8(made.text(renderer))
  if (made.as === 'raster') return pictureOf(made.picture, renderer)
  if ('of' in made) return PAGES[made.as](made.of(renderer))
  // What reads these files takes pictures of 32 bits only.
  return PICTURES[made.as](
    made.pictures.map((picture) => ({
      pixels: picture.pixels,
      png: pictureOf({ ...picture, colours: '32 bits' }, renderer),
    })),
  )
}

/**
 * Pictures of one renderer by their documents, and PNG files by pixels, colours and document: equal ones, of one target or
 * of several, are arranged and written once.
 */
type Shared = { readonly pictures: Map<string, Picture>; readonly files: Map<string, Uint8Array> }
const sharedBy = new WeakMap<IconRenderer, Shared>()

function pictureOf({ pixels, of, colours }: Raster, renderer: IconRenderer): Uint8Array {
  let known = sharedBy.get(renderer)
  if (!known) sharedBy.set(renderer, (known = { pictures: new Map(), files: new Map() }))
  const asked = of(renderer),
    document = svgOfPicture(asked),
    key = `${pixels} ${colours} ${document}`
  const picture = known.pictures.get(document) ?? asked
  known.pictures.set(document, picture)
  let bytes = known.files.get(key)
  if (!bytes) known.files.set(key, (bytes = png(picturePixels(picture, pixels), colours)))
  return bytes
}

/** The files of a set as a whole, of the pieces of its icons in their order. */
export async function madeSet(
  family: Family,
  targets: readonly string[],
  pieces: Readonly<Record<string, readonly string[]>>,
): Promise<DeliveredFile[]> {
  const files: DeliveredFile[] = []
  for (const { path, made } of filesOfSet(family, targets)) {
    const own = pieces[path] ?? []
    const bytes =
      made.as === 'fixed'
        ? strToU8(made.text)
        : made.as === 'joined'
          ? strToU8(made.join(own))
          : await FONTS[made.format](made.join(own))
    files.push({ path, bytes })
  }
  return files
}
