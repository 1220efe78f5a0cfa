import type { Problem } from '../findings/problem'
import type { Picture } from '../picture/picture'
import type { Rules } from '../rules/rules'
import type { Icon } from '../set/set'
import type { Delivery } from '../set/settings'
import type { IconRenderer } from './icon-renderer'
import type { Choices, Options } from './options'
import type { Released } from './released'

/** What a file is named after; plans are made of names alone. */
export type Named = Pick<Icon, 'id' | 'name' | 'tags' | 'aliases' | 'rtl'>

/** A set as plans see it: no drawing is read. */
export type Family<I extends Named = Named> = {
  readonly name: string
  readonly kind: 'interface' | 'app'
  readonly icons: readonly I[]
  readonly rules: Rules
  readonly delivery?: Delivery | undefined
  /** Its last release, where there is one. */
  readonly released?: Released | undefined
  /** The icons that a target is delivered without, by its id: their names will not do there. */
  readonly without?: Readonly<Record<string, readonly string[]>> | undefined
}

/** A picture as so many pixels along a side; with a palette where that is smaller, or always of 32 bits. */
export type Raster = {
  readonly pixels: number
  readonly of: (renderer: IconRenderer) => Picture
  readonly colours?: '32 bits'
}

/** A font by its glyphs: each a path in units of `size`, y down, under its code point. */
export type FontPlan = {
  readonly family: string
  /** Its name in letters, digits and hyphens of ASCII, at most 63 (OpenType, name 6). */
  readonly postScript: string
  /** Whether the name of an icon, typed, becomes its glyph. */
  readonly ligatures: boolean
  readonly size: number
  readonly glyphs: readonly { readonly name: string; readonly code: number; readonly d: string }[]
}

/** Several pictures of an icon in one file: of Windows, of macOS. */
export type PicturesFile = 'ico' | 'icns'
/** A page of vectors, one unit of the picture to a point. */
export type PageFile = 'pdf'
export type FontFile = 'ttf' | 'woff2'

/** How a file is made from one icon. */
export type MadeOfIcon =
  | { readonly as: 'text'; readonly text: (renderer: IconRenderer) => string }
  /** A PNG. */
  | { readonly as: 'raster'; readonly picture: Raster }
  | { readonly as: PicturesFile; readonly pictures: readonly Raster[] }
  | { readonly as: PageFile; readonly of: (renderer: IconRenderer) => Picture }

/** How a file of the set as a whole is made: of nothing but names, or of a piece from each icon. */
export type MadeOfSet =
  | { readonly as: 'fixed'; readonly text: string }
  | {
      readonly as: 'joined'
      readonly piece: (renderer: IconRenderer) => string
      readonly join: (pieces: readonly string[]) => string
    }
  | {
      readonly as: 'font'
      readonly format: FontFile
      readonly piece: (renderer: IconRenderer) => string
      readonly join: (pieces: readonly string[]) => FontPlan
    }

/** One file to be written: its path within the delivery, with forward slashes, and how it is made. */
export type IconFile = { readonly path: string; readonly made: MadeOfIcon | Extract<MadeOfSet, { as: 'fixed' }> }
export type SetFile = { readonly path: string; readonly made: MadeOfSet }

/** Where a result is seen, for a picture of that. */
export type Surface = 'tab' | 'home' | 'launcher' | 'task bar' | 'tile' | 'tool bar' | 'tab bar' | 'text' | 'dock'

/** Preview of a result in its place, on light or dark ground. */
export type Preview = {
  readonly word: string
  readonly place: Surface
  readonly on: 'light' | 'dark'
  readonly picture: Picture
}

/** The platforms that targets are offered under, in that order. */
export const PLATFORMS = ['Plain files', 'Web', 'Apple', 'Android', 'Windows', 'Linux desktop', 'Developers'] as const
type Platform = (typeof PLATFORMS)[number]

/** A target: a list of files, by its options. */
export type Target<C extends Choices = Choices> = {
  readonly id: string
  readonly name: string
  readonly platform: Platform
  /** Its files, in a sentence. */
  readonly note: string
  /** Whether it is made of icons that stand for an application. */
  readonly isForApps?: true
  /** The programs that tests read it back with, the compared values, and the test file. */
  readonly readBy: readonly { readonly reader: string; readonly compares: string; readonly spec: string }[]
  /** What can be chosen, by name. */
  readonly choices: C
  /** What an icon is called in files of the whole set, where no file of its own tells: of two that are alike one is left out. */
  readonly called?: (icon: Named, options: Options<C>, family: Family) => string | null
  /** The files of one icon. */
  readonly each?: (icon: Named, family: Family, options: Options<C>) => readonly IconFile[]
  /** The files of the set as a whole; there are none of an empty one. */
  readonly whole?: (family: Family, options: Options<C>) => readonly SetFile[]
  /** How an icon looks where it is used. */
  readonly previews?: (renderer: IconRenderer, options: Options<C>) => readonly Preview[]
  /** Problems of a drawing there; each sentence goes on from the name of the icon. */
  readonly problems?: (renderer: IconRenderer, options: Options<C>) => readonly Problem[]
}

/** A target, its choices known to its files. */
export const defineTarget = <C extends Choices>(target: Target<C>): Target => target as unknown as Target
