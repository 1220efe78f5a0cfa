import { writeTokens } from '../../formats/tokens'
import type { ResolvedPaint } from '../../drawing/evaluate/resolved'
import { pathData } from '../../formats/path-data'
import { aliasesOf, tagsOf } from '../../set/set'
import { onOff } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { isGradientPaint } from '../tone'
import { defineTarget } from '../target'
import { codesOf } from '../font/codes'

const painted = (paint: ResolvedPaint) =>
  isGradientPaint(paint)
    ? { stops: paint.stops.map(({ at, color }) => ({ at, color: color.light })) }
    : paint.ink
      ? 'currentColor'
      : paint.light

/** What a program wants to know of an icon: how it is found, and what it paints. */
function described(renderer: IconRenderer, code: number): string {
  const { icon, rules } = renderer
  return JSON.stringify({
    name: icon.name,
    aliases: aliasesOf(icon),
    tags: tagsOf(icon),
    grid: rules.grid.size,
    code: code.toString(16),
    paths: renderer.shapes(rules.grid.size).map(({ path, fill, stroke }) => ({
      d: pathData(path),
      ...(fill && { fill: painted(fill) }),
      ...(stroke && {
        stroke: painted(stroke.paint),
        width: Math.round(stroke.width * 1000) / 1000,
        cap: stroke.cap,
        join: stroke.join,
        ...(stroke.dash && { dash: stroke.dash }),
      }),
    })),
  })
}

/** The set for programs: names, tags and paths as JSON, and its rules as design tokens. */
export const data = defineTarget({
  id: 'data',
  name: 'Data and tokens',
  platform: 'Developers',
  note: 'Names, other names, tags, code points and paths as JSON; the rules as design tokens.',
  choices: { icons: onOff('icons as JSON', true), tokens: onOff('rules as design tokens', true) },
  whole(family, options) {
    const codes = codesOf(family)
    return [
      ...(options.icons
        ? [
            {
              path: 'developers/icons.json',
              made: {
                as: 'joined' as const,
                piece: (renderer: IconRenderer) => described(renderer, codes.get(renderer.icon.id) ?? 0),
                join: (pieces: readonly string[]) => `[\n${pieces.join(',\n')}\n]\n`,
              },
            },
          ]
        : []),
      ...(options.tokens
        ? [
            {
              path: 'developers/tokens.json',
              made: { as: 'fixed' as const, text: writeTokens(family.name, family.rules) },
            },
          ]
        : []),
    ]
  },
})
