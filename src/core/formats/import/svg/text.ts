import type { DrawingObject } from '../../../drawing/objects/object'
import { sceneOf } from '../../../drawing/evaluate/evaluated-scene'
import type { Path } from '../../../geometry/path'
import type { Box } from '../../../geometry/box'
import { STARTERS } from '../../../rules/starters'
import { pathBounds } from '../../../geometry/path'
import type { Look } from './look'
import { readLength } from './values'
import type { XmlElement } from './xml'

const scene = sceneOf(STARTERS[0]!.rules)

/** All characters in an element, white space as one space (SVG 2 §11.7). */
function charactersIn({ text, children }: XmlElement): string {
  const inner = children.filter(({ name }) => name === 'tspan' || name === 'textPath').map(charactersIn)
  return [text, ...inner].join(' ').replace(/\s+/g, ' ').trim()
}

/** What a `text` element says in the shipped face, as outlines in its own units; null where it says nothing. */
export function textOutline(element: XmlElement, look: Look, view: Box): Path | null {
  const text = charactersIn(element).slice(0, 500)
  const size = readLength(look['font-size']) ?? 16
  if (text === '' || !(size > 0)) return null
  const bold = look['font-weight'] === 'bold' ? 700 : Number(look['font-weight']) || 400
  const at = {
    x: readLength(element.attributes.x?.split(/[\s,]+/)[0], { whole: view.w }) ?? 0,
    y: readLength(element.attributes.y?.split(/[\s,]+/)[0], { whole: view.h }) ?? 0,
  }
  const set = (x: number): Path =>
    scene.edge({
      kind: 'text',
      id: 't',
      name: 't',
      at: { x, y: at.y },
      text,
      size,
      spacing: 0,
      boldness: bold >= 650 ? 700 : bold >= 500 ? 600 : 400,
      style: { fill: '#000000', stroke: 'none', weight: 1 },
    } as DrawingObject)
  const path = set(at.x)
  const box = pathBounds(path)
  if (!box) return null
  const share = look['text-anchor'] === 'middle' ? 0.5 : look['text-anchor'] === 'end' ? 1 : 0
  return share === 0 ? path : set(at.x - share * (box.x + box.w - at.x))
}
