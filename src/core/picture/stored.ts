import type { GroupEffect, Shape } from '../drawing/scene/shape'
import type { Layer, Picture } from './picture'

/** A stored effect. `outer` is the number of the effect around it; the shapes of its mask are stored shapes. */
type StoredEffect = Omit<GroupEffect, 'mask' | 'outer'> & {
  readonly mask: readonly StoredShape[] | null
  readonly outer: number | null
}

/** A stored shape. `effect` is the number of its effect. */
type StoredShape = Omit<Shape, 'effect'> & { readonly effect?: number }

type Stored = Omit<Picture, 'layers'> & {
  readonly layers: readonly (Omit<Layer, 'shapes'> & { readonly shapes: readonly StoredShape[] })[]
  readonly effects: readonly StoredEffect[]
}

/**
 * A picture as JSON, to be kept and sent: numbers are exact, and shapes under one effect refer to it by its number, so that
 * they are one group again when it is read.
 */
export function pictureText(picture: Picture): string {
  const effects: StoredEffect[] = []
  const numbers = new Map<GroupEffect, number>()
  const numberOf = (effect: GroupEffect): number => {
    let number = numbers.get(effect)
    if (number === undefined) {
      const outer = effect.outer && numberOf(effect.outer)
      const stored = { ...effect, mask: effect.mask && effect.mask.map(storedShape), outer }
      numbers.set(effect, (number = effects.push(stored) - 1))
    }
    return number
  }
  const storedShape = ({ effect, ...shape }: Shape): StoredShape => ({
    ...shape,
    ...(effect && { effect: numberOf(effect) }),
  })
  const layers = picture.layers.map((layer) => ({ ...layer, shapes: layer.shapes.map(storedShape) }))
  return JSON.stringify({ ...picture, layers, effects } satisfies Stored)
}

/** Number of pictures that were read and are remembered: one is drawn at many sizes. */
const MOST = 32

const known = new Map<string, Picture>()

/** The picture of a text that `pictureText` made; equal texts have the same picture. Throws for other texts. */
export function pictureIn(text: string): Picture {
  const picture = known.get(text) ?? readPicture(text)
  // The one that was wanted last is forgotten last.
  known.delete(text)
  known.set(text, picture)
  if (known.size > MOST) known.delete(known.keys().next().value!)
  return picture
}

function readPicture(text: string): Picture {
  const { effects: stored, layers, ...picture } = JSON.parse(text) as Stored
  // An effect refers only to effects before it.
  const effects: GroupEffect[] = []
  const shapeOf = ({ effect, ...shape }: StoredShape): Shape => ({
    ...shape,
    ...(effect !== undefined && { effect: effects[effect]! }),
  })
  for (const { mask, outer, ...effect } of stored)
    effects.push({ ...effect, mask: mask && mask.map(shapeOf), outer: outer === null ? null : effects[outer]! })
  return { ...picture, layers: layers.map((layer) => ({ ...layer, shapes: layer.shapes.map(shapeOf) })) }
}
