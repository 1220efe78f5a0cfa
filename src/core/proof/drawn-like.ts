import { likeness, type Seen } from './look-alikes'

/** Pictures that share less with another are not like it. */
const LEAST = 0.15

/** The pictures of a family that are drawn like one of them, that first, the others by how much alike they are. */
export function drawnLike<T extends Seen>(family: readonly T[], id: string): readonly T[] {
  const model = family.find((one) => one.id === id)
  if (!model?.balance) return model ? [model] : []
  const { cover } = model.balance
  const alike = family.flatMap((one) => {
    const share = one.balance && one !== model ? likeness(cover, one.balance.cover) : 0
    return share >= LEAST ? [{ one, share }] : []
  })
  return [model, ...alike.sort((a, b) => b.share - a.share).map(({ one }) => one)]
}
