import { cased, fileName, naming } from '../naming'
import { onOff, oneOf } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { barPreviews } from '../previews'
import { defineTarget, type Family } from '../target'
import { figureColours, SYMBOLIC, symbolic, symbolicPreviews } from './symbolic'

const CONTEXTS = {
  actions: 'Actions',
  apps: 'Applications',
  categories: 'Categories',
  devices: 'Devices',
  emblems: 'Emblems',
  places: 'Places',
  status: 'Status',
}

/** The largest picture that a desktop asks for; beyond it there are the scalable ones. */
const LARGEST = 512

/** The folders of pictures: a size in each, at once and twice the density. */
const foldersOf = (sizes: readonly number[], twice: boolean) =>
  sizes
    .flatMap((size) => (twice ? [1, 2] : [1]).map((scale) => ({ size, scale })))
    .filter(({ size, scale }) => size * scale <= LARGEST)

const folderOf = ({ name }: Pick<Family, 'name'>) => `linux/${cased(name, 'kebab')}`

/** A theme for desktops: pictures by size, scalable and symbolic ones, and the index that says where they are. */
export const linux = defineTarget({
  id: 'linux',
  name: 'Icon theme',
  platform: 'Linux desktop',
  note: 'Theme folders by size and scale, scalable and symbolic variants, and the index that lists them (freedesktop.org icon themes).',
  readBy: [
    {
      reader: 'gtk-update-icon-cache',
      compares: 'takes the theme, folder by folder',
      spec: 'src/server/delivery/read-back.test.ts',
    },
    { reader: 'rsvg-convert', compares: 'the picture at 96 px', spec: 'src/server/delivery/read-back.test.ts' },
  ],
  choices: {
    ...naming('kebab'),
    context: oneOf('context', 'actions', CONTEXTS),
    symbolic: onOff('symbolic variants', true),
    twice: onOff('twice the density', true),
  },
  each(icon, family, options) {
    const name = fileName(icon.name, options),
      folder = folderOf(family),
      { sizes, grid } = family.rules
    return [
      ...foldersOf(sizes, options.twice).map(({ size, scale }) => ({
        path: `${folder}/${size}x${size}${scale === 1 ? '' : `@${scale}`}/${options.context}/${name}.png`,
        made: {
          as: 'raster' as const,
          picture: { pixels: size * scale, of: (renderer: IconRenderer) => renderer.picture(size, 'light') },
        },
      })),
      {
        path: `${folder}/scalable/${options.context}/${name}.svg`,
        made: { as: 'text', text: (renderer) => renderer.document(grid.size, 'light') },
      },
      ...(options.symbolic
        ? [
            {
              path: `${folder}/symbolic/${options.context}/${name}-symbolic.svg`,
              made: { as: 'text' as const, text: (renderer: IconRenderer) => symbolic(renderer) },
            },
          ]
        : []),
    ]
  },
  whole(family, options) {
    const { sizes, grid } = family.rules,
      context = CONTEXTS[options.context as keyof typeof CONTEXTS]
    const fixed = foldersOf(sizes, options.twice).map(({ size, scale }) => ({
      name: `${size}x${size}${scale === 1 ? '' : `@${scale}`}/${options.context}`,
      lines: [`Size=${size}`, ...(scale === 1 ? [] : [`Scale=${scale}`]), `Context=${context}`, 'Type=Fixed'],
    }))
    const scalable = (folder: string, size: number) => ({
      name: `${folder}/${options.context}`,
      lines: [`Size=${size}`, `Context=${context}`, 'Type=Scalable', 'MinSize=8', 'MaxSize=1024'],
    })
    const all = [
      ...fixed,
      scalable('scalable', grid.size),
      ...(options.symbolic ? [scalable('symbolic', SYMBOLIC)] : []),
    ]
    const oneLine = (text: string) => text.replace(/\s+/g, ' ')
    return [
      {
        path: `${folderOf(family)}/index.theme`,
        made: {
          as: 'fixed',
          text: `[Icon Theme]
Name=${oneLine(family.name)}
Comment=Icons of ${oneLine(family.name)}
Inherits=hicolor
Directories=${all
            .filter(({ name }) => !name.includes('@'))
            .map(({ name }) => name)
            .join(',')}
ScaledDirectories=${all
            .filter(({ name }) => name.includes('@'))
            .map(({ name }) => name)
            .join(',')}

${all.map(({ name, lines }) => `[${name}]\n${lines.join('\n')}\n`).join('\n')}`,
        },
      },
    ]
  },
  problems(renderer, options) {
    const count = figureColours(renderer)
    return options.symbolic && count > 1
      ? [
          {
            sentence: `paints in ${count} colours; its symbolic variant has one.`,
            isError: false,
            mend: { word: 'leave symbolic variants out', target: 'linux', options: { symbolic: false } },
          },
        ]
      : []
  },
  previews: (renderer) => [...barPreviews(renderer), ...symbolicPreviews(renderer)],
})
