import { iconPicture } from '../core/picture/drawn'
import type { Picture } from '../core/picture/picture'
import { picturePixels } from '../core/picture/pixels'
import { svgOfPicture } from '../core/picture/svg'
import type { IconSet } from '../core/set/set'
import { changesBetween, isSame } from '../core/targets/compare'
import { escaped } from '../core/formats/markup'
import { dataUri } from '../core/formats/data-uri'
import { replaceFile } from '../server/replace-file'
import { type Answer, type Options, UsageError } from './command'
import { readSet } from './read-set'
import { deliveredOf, namesIn } from './release'

/** The side that pictures are compared at, in pixels. */
const SIDE = 96
/** From which difference of a channel on a pixel counts as changed. */
const SEEN = 8

/**
 * Says which icons of one set file are new, gone, renamed or look otherwise in another, with the pixels that changed;
 * writes a page of pictures where one is asked for. Ends with 1 where anything differs.
 */
export async function diffCommand(files: readonly string[], { out, quiet }: Options): Promise<Answer> {
  const [before, after, ...more] = files
  if (!before || !after || more.length > 0) throw new UsageError('Name two set files: diff OLD NEW.')
  const [old, next] = [await readSet([before]), await readSet([after])]
  const changes = changesBetween(deliveredOf(old, []), deliveredOf(next, []))
  const changed = changes.changed.map((pair) => ({
    name: pair.after.name,
    pixels: changedPixels(pictureIn(old, pair.before.id), pictureIn(next, pair.after.id)),
  }))
  if (out) await replaceFile(out, page(old, next, changes, changed))
  const names = namesIn(changes)
  const line = (word: string, list: readonly string[]) => (list.length === 0 ? [] : [`${word}: ${list.join(', ')}`])
  return {
    lines: quiet
      ? []
      : isSame(changes)
        ? ['Nothing changed.']
        : [
            ...line('new', names.added),
            ...line('gone', names.removed),
            ...line(
              'renamed',
              names.renamed.map((pair) => pair.join(' → ')),
            ),
            ...line(
              'changed',
              changed.map(({ name, pixels }) => `${name} (${pixels} of ${SIDE * SIDE} pixels)`),
            ),
          ],
    value: { ...names, changed },
    ...(!isSame(changes) && { status: 1 as const }),
  }
}

const pictureIn = ({ icons, rules }: IconSet, id: string): Picture =>
  iconPicture(
    icons.find((icon) => icon.id === id)!,
    rules,
    'light',
  )

function changedPixels(before: Picture, after: Picture): number {
  const [a, b] = [before, after].map((picture) => picturePixels(picture, SIDE).data)
  let count = 0
  for (let i = 0; i < a!.length; i += 4)
    if ([0, 1, 2, 3].some((k) => Math.abs(a![i + k]! - b![i + k]!) >= SEEN)) count++
  return count
}

/** A page that shows what changed: before, after, and both over each other. */
function page(
  old: IconSet,
  next: IconSet,
  { added, removed, renamed, changed }: ReturnType<typeof changesBetween>,
  pixels: readonly { readonly pixels: number }[],
): string {
  const picture = (svg: string, more = '') =>
    `<img src="${dataUri(svg)}" width="${SIDE}" height="${SIDE}" alt=""${more}>`
  const one = (name: string, body: string) => `<figure>${body}<figcaption>${escaped(name)}</figcaption></figure>`
  const part = (title: string, body: readonly string[]) =>
    body.length === 0 ? '' : `<h2>${title}</h2>\n<div>${body.join('\n')}</div>\n`
  const find = (set: IconSet, id: string) => svgOfPicture(pictureIn(set, id))
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>${escaped(old.name)} → ${escaped(next.name)}</title>
<style>
body{font:13px/1.5 system-ui,sans-serif;margin:32px;color:#14231f;background:#eef2f0}
div{display:flex;flex-wrap:wrap;gap:12px}
figure{margin:0;padding:12px;background:#fbfcfb;border:1px solid #c9d3cf}
figcaption{margin-top:6px}
.row{align-items:center}
.over{position:relative;display:inline-block}.over img+img{position:absolute;left:0;top:0;opacity:.5;filter:invert(32%) sepia(90%) saturate(2400%) hue-rotate(350deg)}
</style>
<h1>${escaped(old.name)} → ${escaped(next.name)}</h1>
${part(
  'Changed',
  changed.map(({ before, after }, i) =>
    one(
      `${after.name}: ${pixels[i]!.pixels} pixels`,
      `<div class="row">${picture(before.svg)} → ${picture(after.svg)} <span class="over">${picture(before.svg)}${picture(after.svg)}</span></div>`,
    ),
  ),
)}${part(
    'New',
    added.map(({ id, name }) => one(name, picture(find(next, id)))),
  )}${part(
    'Gone',
    removed.map(({ id, name }) => one(name, picture(find(old, id)))),
  )}${part(
    'Renamed',
    renamed.map((pair) => one(`${pair.before.name} → ${pair.after.name}`, picture(pair.after.svg))),
  )}</html>
`
}
