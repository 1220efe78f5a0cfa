import { markupOf } from '../formats/markup'
import { type Opened, opened } from './composition'
import { RTL, SIDE } from './direction'
import type { IconRenderer } from './icon-renderer'
import { asProgram, withOwnIds } from './own-ids'
import { strokesOf } from './svg/svg'

/**
 * An icon as a module of a program has it: what mirrors says so in its root; of one with a drawing of its own for right to
 * left both are there, and the style sheet of directions shows one.
 */
export function openedFor(renderer: IconRenderer, grid: number, strokes: string): Pick<Opened, 'root' | 'inside'> {
  const of = (one: IconRenderer) => opened(one.compact(grid, 'current', strokesOf(strokes)))
  const { root, inside } = of(renderer)
  if (renderer.turned) {
    const other = of(renderer.turned)
    return {
      root: {},
      inside: [
        { name: 'g', own: { ...root, [SIDE]: 'ltr' }, inside: withOwnIds(inside) },
        {
          name: 'g',
          own: { ...other.root, [SIDE]: 'rtl', display: 'none' },
          inside: withOwnIds(other.inside, 'rtl-'),
        },
      ],
    }
  }
  const isMirrored = renderer.icon.rtl === 'mirrored'
  return { root: isMirrored ? { ...root, [RTL]: 'mirrored' } : root, inside: withOwnIds(inside) }
}

/**
 * The attributes of an icon's element as JSON, and its content as an expression: a text, or with ids a function of an
 * instance's own prefix, its `argument`.
 */
export function drawingOf(
  renderer: IconRenderer,
  grid: number,
  strokes: string,
  argument = 'id: string',
): { readonly attributes: string; readonly drawing: string } {
  const { root, inside } = openedFor(renderer, grid, strokes)
  return { attributes: JSON.stringify(root), drawing: asProgram(markupOf(inside), argument) }
}
