import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { wholeDrawing } from '../../drawing/evaluate/evaluate'
import { timed } from '../../geometry/deadline'
import { type Ground, type Picture, pictureOf } from '../../picture/picture'
import { STARTERS } from '../../rules/starters'
import { isFailed, readIcon } from './read-icon'

/**
 * Returns the picture of an SVG file, read by the reader of foreign files, by default on light ground; null if the file
 * cannot be read or drawn.
 */
export function pictureOfSvg(text: string, ground: Ground = 'light'): Picture | null {
  const read = readIcon({ path: 'picture.svg', text }, 'drawn')
  if (isFailed(read)) return null
  try {
    const { objects, side } = read
    return timed(() => pictureOf(wholeDrawing(objects, sceneOf(STARTERS[0]!.rules)), side, ground))
  } catch {
    return null
  }
}
