import { z } from 'zod'
import { writeTokens } from '../../formats/tokens'
import { basesOf, rulesForGrid } from '../../rules/rules-for-grid'
import { aliasesOf, tagsOf } from '../../set/set'
import { onOff } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { defineTarget } from '../target'
import { codesOf } from '../font/codes'
import { described, IconsFile } from './described'

/** Data of an icon for programs: its labels, and its drawing on each grid. */
function iconOf(renderer: IconRenderer, code: number, nameOf: (id: string) => string | undefined): string {
  const { icon, rules } = renderer
  const bases = [rules.grid.size, ...basesOf(rules).filter((base) => base !== rules.grid.size)]
  const one: IconsFile['icons'][number] = {
    name: icon.name,
    aliases: [...aliasesOf(icon)],
    tags: [...tagsOf(icon)],
    ...(icon.rtl && { rtl: typeof icon.rtl === 'string' ? icon.rtl : { icon: nameOf(icon.rtl.icon) ?? icon.name } }),
    code: code.toString(16),
    drawings: bases.map((grid) => ({
      grid,
      sizes: rulesForGrid(rules, grid).sizes,
      items: described(renderer.shapes(grid)),
    })),
  }
  return JSON.stringify(one)
}

const schema = (): string => {
  const value = z.toJSONSchema(IconsFile, { io: 'input' })
  return `${JSON.stringify({ ...value, title: 'Icons of a set' }, null, 2)}\n`
}

/** The set for programs: names, tags and drawings as JSON with their schema, and its rules as design tokens. */
export const data = defineTarget({
  id: 'data',
  name: 'Data and tokens',
  platform: 'Developers',
  note: 'Names, other names, tags, code points and all that is painted as JSON, with its schema; the rules as design tokens.',
  readBy: [
    { reader: 'its schema', compares: 'valid', spec: 'src/core/targets/data/data.test.ts' },
    {
      reader: 'a program that draws from it alone',
      compares: 'every icon, grid and ground, within 2 of 255',
      spec: 'src/core/targets/data/data.test.ts',
    },
  ],
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
                piece: (renderer: IconRenderer) =>
                  iconOf(
                    renderer,
                    codes.get(renderer.icon.id) ?? 0,
                    (id) => family.icons.find((one) => one.id === id)?.name,
                  ),
                join: (pieces: readonly string[]) =>
                  `{"$schema": "./icons.schema.json", "version": 2, "set": ${JSON.stringify(family.name)}, "icons": [\n${pieces.join(',\n')}\n]}\n`,
              },
            },
            { path: 'developers/icons.schema.json', made: { as: 'fixed' as const, text: schema() } },
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
