import { withNewIds } from '@/core/drawing/objects/tree'
import type { Point } from '@/core/geometry/point'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'

/** Whether a text is an SVG document, as far as its beginning tells. */
export const isSvgText = (text: string): boolean =>
  /^\s*(?:<\?xml[^>]*>\s*)?(?:<!--[\s\S]*?-->\s*|<!DOCTYPE[^>]*>\s*)*<svg[\s>]/i.test(text)

/**
 * Adds an SVG document to the open icon as live objects under the rules of the set, scaled to the grid, centred at a
 * place if given. Unsupported features are reported. The reader is loaded on first use.
 */
export async function laySvg(bench: Bench, text: string, name: string, middle: Point | null): Promise<void> {
  const { here } = bench
  if (!here) return say({ text: 'Add an icon first: + icon, on the left.' })
  const [{ readSvg }, { onGrid }, { underRules }, { Refusal }] = await Promise.all([
    import('@/core/formats/import/svg/read-svg'),
    import('@/core/formats/import/on-grid'),
    import('@/core/formats/import/under-rules'),
    import('@/core/findings/refusal'),
  ])
  try {
    const { objects, side, unread } = readSvg(text)
    if (objects.length === 0) return say({ text: `Nothing in ${name} is drawn.`, tone: 'fault' })
    const { size } = bench.rules.grid
    const corner = middle ? { x: middle.x - size / 2, y: middle.y - size / 2 } : undefined
    const laid = underRules(onGrid({ objects, side }, size, corner), bench.rules).map((one) => withNewIds(one, newId))
    bench.add(laid, `Lay ${name}`)
    const [first] = unread
    if (first)
      say({
        text: `Not imported from ${name}: ${first.what}, ${first.why}${unread.length > 1 ? `; and ${unread.length - 1} more` : ''}.`,
      })
  } catch (error) {
    say({
      tone: 'fault',
      text: error instanceof Refusal ? `${name}: ${error.message}` : `${name} cannot be drawn.`,
    })
  }
}
