import { documentsFor, drawnIcon } from '../core/formats/drawn'
import { png } from '../core/formats/png'
import { rasterised } from '../core/formats/rasterised'
import { schemaSentence } from '../core/formats/plain-words'
import { Size } from '../core/rules/rules'
import { replaceFile } from '../server/replace-file'
import { type Answer, type Options, UsageError } from './command'
import { readSet } from './read-set'

/** Draws one icon at a size in pixels, as it will be delivered. */
export async function proofCommand(files: readonly string[], { icon: name, size, out }: Options): Promise<Answer> {
  if (!name || !size || !out) throw new UsageError('Say which: --icon NAME --size N --out FILE.png.')
  const pixels = Size.safeParse(Number(size))
  if (!pixels.success) throw new UsageError(schemaSentence(pixels.error))
  const set = await readSet(files)
  const icon = set.icons.find((one) => one.name === name)
  if (!icon) throw new Error(`There is no icon “${name}” in “${set.name}”.`)
  const drawn = drawnIcon(icon, set.rules)
  if (!drawn.svg) throw new Error(drawn.problem)
  const { light } = documentsFor(drawn, set.rules, pixels.data)
  const bytes = png(rasterised(light, pixels.data))
  await replaceFile(out, bytes)
  return {
    lines: [`${name} at ${pixels.data} px written to ${out}.`],
    value: { icon: name, size: pixels.data, out, bytes: bytes.length },
  }
}
