import type { Loss } from '../../findings/loss'
import { fileError, type FileProblem } from '../../findings/problem'
import { Refusal } from '../../findings/refusal'
import type { DrawingObject } from '../../drawing/objects/object'
import { namedBy, type Style } from './names'
import type { Understanding } from './objects'
import { type Source } from './reading'
import { readSvgRoot } from './svg/read-svg'
import { parseXml, type XmlElement } from './svg/xml'
import { svgOfVectorDrawable } from './vector-drawable'

/** A read file: an icon on a square of so many units, and the features that are not supported. */
export type ReadIcon = {
  readonly path: string
  readonly name: string
  /** The name with a word at its end that may be a style; null where it has none. */
  readonly fullName: string | null
  readonly tags: readonly string[]
  readonly style: Style | null
  /** The size that folders or the name say, else the side of its square. */
  readonly base: number
  readonly side: number
  readonly how: Understanding
  readonly objects: readonly DrawingObject[]
  readonly unread: readonly Loss[]
  /** The code point of a glyph. */
  readonly code?: number
}

/** The formats that are read, by the first element of their files, and how each becomes an SVG document. */
const FORMATS: Readonly<Record<string, (root: XmlElement) => XmlElement>> = {
  svg: (root) => root,
  vector: svgOfVectorDrawable,
}

/** Reads one file. Whatever is wrong with it is said in a sentence; the rest of a folder is read all the same. */
export function readIcon({ path, text, code }: Source, how: Understanding = 'live'): ReadIcon | FileProblem {
  try {
    const root = parseXml(text)
    const format = Object.hasOwn(FORMATS, root.name) ? FORMATS[root.name]! : (one: XmlElement) => one
    const { side, objects, unread } = readSvgRoot(format(root), how)
    if (objects.length === 0) {
      const why = unread[0] ? `: ${unread[0].why}` : ''
      return fileError(path, `It contains no drawing${why}.`)
    }
    const { name, fullName, tags, size, style } = namedBy(path, side)
    return {
      path,
      name,
      fullName,
      tags,
      style,
      base: size ?? Math.max(4, Math.min(2048, Math.round(side))),
      side,
      how,
      objects,
      unread,
      ...(code !== undefined && { code }),
    }
  } catch (error) {
    if (error instanceof Refusal) return fileError(path, error.message)
    // What the kernel refuses, as numbers beyond all bounds, is a fault of the file as well.
    const why = error instanceof Error && error.message.endsWith('.') ? `: ${error.message}` : '.'
    return fileError(path, `It cannot be drawn${why}`)
  }
}

export const isFailed = <T extends object>(one: T | FileProblem): one is FileProblem => 'sentence' in one
