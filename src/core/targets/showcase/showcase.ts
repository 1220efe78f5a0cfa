import { element, markupOf, SVG } from '../../formats/markup'
import { baseFor, basesOf } from '../../rules/rules-for-grid'
import { realSize } from '../../rules/real-size'
import { aliasesOf, tagsOf } from '../../set/set'
import { opened } from '../composition'
import type { IconRenderer } from '../icon-renderer'
import { componentName } from '../modules'
import { android, resourceName } from '../android/android'
import { apple } from '../apple/apple'
import { fileName } from '../naming'
import { onOff, optionsOf } from '../options'
import { withOwnIds } from '../own-ids'
import { textPreviews } from '../previews'
import { type Released, sinceRelease } from '../released'
import { defineTarget, type Family, type Target } from '../target'
import { web } from '../web/web'
import { type Shown, showcasePage } from './page'

/** The name of an icon in other targets, by their options. */
function codeOf(name: string, { delivery, rules }: Pick<Family, 'delivery' | 'rules'>): Shown['code'] {
  const size = realSize(rules)
  const file = (target: Target) =>
    fileName(name, optionsOf(target, delivery) as { case: string; pattern: string }, size)
  return [
    ['React, Vue', `<${componentName(name)} />`],
    ['Sprite', element('svg', {}, element('use', { href: `sprite.svg#${file(web)}` }))],
    ['Apple', `Image(${JSON.stringify(file(apple))})`],
    ['Android', `@drawable/${resourceName(optionsOf(android, delivery).pattern as string, name)}`],
  ]
}

function shown(renderer: IconRenderer, code: Shown['code'], released?: Released): Shown {
  const { icon, rules } = renderer,
    { name } = icon
  const since = released && sinceRelease(icon.id, renderer.document(rules.grid.size, 'light'), released)
  const on = (grid: number): string => {
    const { root, viewBox, inside } = opened(renderer.compact(grid, 'current'))
    return element('svg', { xmlns: SVG, viewBox, ...root }, markupOf(withOwnIds(inside)))
  }
  return {
    name,
    words: aliasesOf(icon),
    ...(icon.rtl && {
      rtl:
        icon.rtl === 'mirrored'
          ? 'mirrors right to left'
          : icon.rtl === 'kept'
            ? 'stays as it is right to left'
            : 'another icon right to left',
    }),
    tags: tagsOf(icon),
    ...(since && { since }),
    svg: Object.fromEntries(basesOf(rules).map((grid) => [grid, on(grid)])),
    code,
  }
}

/** One page of the set for everyone: found, seen in every size, copied. It opens from a file and asks nothing of anywhere. */
export const showcase = defineTarget({
  id: 'showcase',
  name: 'Showcase',
  platform: 'Web',
  note: 'One page of all icons that opens anywhere: found by name and tag, seen at every size and on dark, copied as SVG or code; what is new since the last release, where that is wanted.',
  readBy: [
    {
      reader: 'Chromium',
      compares: 'opened from a file: search, dark, copying, no request to elsewhere',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  choices: {
    code: onOff('code for each platform', true),
    since: onOff('what is new since the last release', false),
  },
  whole: (family, { code, since }) => [
    {
      path: 'showcase/index.html',
      made: {
        as: 'joined',
        piece: (renderer) =>
          JSON.stringify(
            shown(renderer, code ? codeOf(renderer.icon.name, family) : [], since ? family.released : undefined),
          ),
        join: (pieces) =>
          showcasePage(
            family.name,
            family.rules.sizes,
            pieces.map((piece) => JSON.parse(piece) as Shown),
            realSize(family.rules),
            (size) => baseFor(family.rules, size),
            since ? family.released?.number : undefined,
          ),
      },
    },
  ],
  previews: (renderer) => textPreviews(renderer),
})
