import { png } from '../core/formats/png'
import { schemaSentence } from '../core/formats/plain-words'
import { drawingProblem } from '../core/picture/drawing-problem'
import { iconPicture } from '../core/picture/drawn'
import { picturePixels } from '../core/picture/pixels'
import { baseFor } from '../core/rules/rules-for-grid'
import { type Rules, Size } from '../core/rules/rules'
import type { Icon } from '../core/set/set'
import { replaceFile } from '../server/replace-file'
import { type Answer, type Options, UsageError } from './command'
import { readSet } from './read-set'

/** Draws one icon at a size in pixels, as it will be delivered. */
export async function proofCommand(files: readonly string[], { icon: name, size, out }: Options): Promise<Answer> {
  if (!name || !size || !out)
    throw new UsageError('Name the icon, the size and the file to write: --icon NAME --size N --out FILE.png.')
  const pixels = Size.safeParse(Number(size))
  if (!pixels.success) throw new UsageError(schemaSentence(pixels.error))
  const set = await readSet(files)
  const icon = set.icons.find((one) => one.name === name)
  if (!icon) throw new Error(`There is no icon “${name}” in “${set.name}”.`)
  const bytes = proofOf(icon, set.rules, pixels.data)
  await replaceFile(out, bytes)
  return {
    lines: [`${name} at ${pixels.data} px written to ${out}.`],
    value: { icon: name, size: pixels.data, out, bytes: bytes.length },
  }
}

/** An icon as a PNG file of a size, drawn by the master that fits. Throws a sentence if it cannot be drawn. */
function proofOf(icon: Icon, rules: Rules, size: number): Uint8Array {
  try {
    return png(picturePixels(iconPicture(icon, rules, 'light', baseFor(rules, size)), size))
  } catch (error) {
    throw new Error(drawingProblem(error), { cause: error })
  }
}
