import { refusalIn } from '../../drawing/evaluate/evaluate'
import { styleOf } from '../../drawing/scene/shared-style'
import type { Styled } from '../../drawing/objects/object'
import { pathBounds } from '../../geometry/path'
import type { Check, Checked } from '../check'
import { paintedIn, said } from '../look/seen'

/** Least coverage of a pixel that is legible. */
const READ = 0.75

/** Strokes and shapes that are less than a pixel across at the smallest size: they come out grey. */
export const belowPixel: Check = {
  id: 'below-pixel',
  concerns: 'size',
  isSeen: true,
  word: 'finer than a pixel',
  severity: 'note',
  find(checked) {
    const { rules } = checked,
      smallest = rules.sizes[0]!,
      pixel = rules.grid.size / smallest
    return paintedIn(checked.objects).flatMap(({ object }) => {
      const across = thickness(object, checked)
      if (across === null || across >= READ * pixel) return []
      const box = pathBounds(checked.scene.ink(object))!
      return [
        {
          sentence: `“${object.name}” is ${said(across / pixel)} px across at ${smallest} px and comes out grey.`,
          objects: [object.id],
          spot: { at: { x: box.x + box.w / 2, y: box.y + box.h / 2 } },
        },
      ]
    })
  },
}

/** How thick an object paints where it is thinnest by its style: its stroke, or the shorter side of its area; null where it paints nothing. */
function thickness(object: Styled, { scene }: Checked): number | null {
  const { fill, stroke, weight } = styleOf(object, scene)
  if (object.role === 'cuts' || refusalIn(object, scene)) return null
  const box = pathBounds(scene.ink(object))
  if (!box || (fill === 'none' && stroke === 'none')) return null
  // A stroke around an area only makes it larger.
  if (fill === 'none') return Math.min(scene.weight(weight), box.w, box.h)
  return Math.min(box.w, box.h)
}
