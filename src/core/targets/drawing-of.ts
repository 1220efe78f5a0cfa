import { markupOf } from '../formats/markup'
import { opened } from './composition'
import type { IconRenderer } from './icon-renderer'
import { asProgram, withOwnIds } from './own-ids'
import { strokesOf } from './svg/svg'

/**
 * An icon as a module of a program has it: the attributes of its element as JSON, and what is in it as an expression, a text
 * or, where it has ids, a function of an instance's own mark, its `argument`.
 */
export function drawingOf(
  renderer: IconRenderer,
  grid: number,
  strokes: string,
  argument = 'id: string',
): { readonly attributes: string; readonly drawing: string } {
  const { root, inside } = opened(renderer.compactDocument(grid, 'current', strokesOf(strokes)))
  return { attributes: JSON.stringify(root), drawing: asProgram(markupOf(withOwnIds(inside)), argument) }
}
