import type { Picture } from '../../../core/picture/picture'
import type { FontFile, FontPlan, PageFile, PicturesFile } from '../../../core/targets/target'
import { icns } from './icns'
import { ico } from './ico'
import { pdf } from './pdf'
import type { PictureFile } from './picture-file'
import { ttf } from './ttf'
import { woff2 } from './woff2'

// A container loads its package when its first file is written: most threads never write one.

/** What writes the files that hold several pictures of an icon. */
export const PICTURES: Readonly<Record<PicturesFile, PictureFile>> = { ico, icns }

/** Writers of a picture as a page of vectors. */
export const PAGES: Readonly<Record<PageFile, (picture: Picture) => Promise<Uint8Array>>> = { pdf }

/** What writes the glyphs of a set as a font. */
export const FONTS: Readonly<Record<FontFile, (plan: FontPlan) => Promise<Uint8Array>>> = { ttf, woff2 }
