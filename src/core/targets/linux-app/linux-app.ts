import { type Composition, composedIcon } from '../composition'
import { svgOfPicture } from '../../picture/svg'
import { symbolic, symbolicPreviews } from '../linux/symbolic'
import { element, escaped } from '../../formats/markup'
import { cased, identifier, wordsIn } from '../naming'
import { onOff, oneOf, text } from '../options'
import type { IconRenderer } from '../icon-renderer'
import { defineTarget } from '../target'

const SIZES = [16, 22, 24, 32, 48, 64, 128, 256, 512]

/** The main categories of the desktop menu specification (freedesktop.org). */
const CATEGORIES = {
  Utility: 'Utilities',
  AudioVideo: 'Sound and video',
  Development: 'Development',
  Education: 'Education',
  Game: 'Games',
  Graphics: 'Graphics',
  Network: 'Network',
  Office: 'Office',
  Science: 'Science',
  Settings: 'Settings',
  System: 'System',
}

const programFault = (value: string): string | null =>
  /^[\w./*+-]{1,80}$/.test(value)
    ? null
    : 'A program is written in letters, digits and . _ - + /; a * stands for the name.'

/** The id of an application turned round, as org.example.* (desktop entry specification, “File naming”). */
const idFault = (value: string): string | null =>
  /^(?:[a-z][a-z0-9_-]*\.){0,6}\*$/i.test(value)
    ? null
    : 'An id is the name of a domain turned round and a * for the name, as org.example.*.'

/** The id of an application by its pattern; the last part of one turned round is written as a word. */
const idOf = (pattern: string, name: string): string =>
  pattern.replace('*', pattern === '*' ? cased(name, 'kebab') : identifier(name, 'pascal'))

const OWN: Composition = { share: 1, plate: 'own', fallback: null, ground: 'light' }

/** What software centres show of an application (freedesktop.org AppStream), to be written on: its icon is the one of its entry. */
const metainfo = (id: string, title: string, category: string): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n${element(
    'component',
    { type: 'desktop-application' },
    `
${[
  element('id', {}, escaped(id)),
  element('metadata_license', {}, 'CC0-1.0'),
  element('name', {}, escaped(title)),
  element('summary', {}, escaped(`The application ${title}`)),
  element(
    'description',
    {},
    element('p', {}, escaped(`Says what ${title} is for, in a few sentences, for those who have not seen it yet.`)),
  ),
  element('icon', { type: 'stock' }, escaped(id)),
  element('launchable', { type: 'desktop-id' }, escaped(`${id}.desktop`)),
  element('categories', {}, element('category', {}, category)),
  element('content_rating', { type: 'oars-1.1' }),
]
  .map((one) => `  ${one}\n`)
  .join('')}`,
  )}\n`

const titled = (name: string): string =>
  wordsIn(name)
    .map((word) => word.slice(0, 1).toUpperCase() + word.slice(1))
    .join(' ') || name

/** An application's icon where every desktop looks for it, and the entry that shows it in menus. */
export const linuxApp = defineTarget({
  id: 'linux-app',
  name: 'App icon and menu entry',
  platform: 'Linux desktop',
  note: 'The app icon at every size, scalable and symbolic, in the folders of the theme that all desktops fall back to, and the desktop entry that names it (freedesktop.org); with an id of a domain, what software centres show. Its folder share is copied into /usr or ~/.local.',
  isForApps: true,
  readBy: [
    { reader: 'desktop-file-validate', compares: 'the entry', spec: 'src/server/delivery/read-back.test.ts' },
    { reader: 'appstreamcli', compares: 'what software centres show', spec: 'src/server/delivery/read-back.test.ts' },
    {
      reader: 'rsvg-convert',
      compares: 'the picture at 128 px, within 0.5 of 255',
      spec: 'src/server/delivery/read-back.test.ts',
    },
  ],
  choices: {
    id: text('id', '*', 'org.example.*', idFault),
    program: text('program', '*', 'other-*', programFault),
    category: oneOf('category', 'Utility', CATEGORIES),
    symbolic: onOff('symbolic variant', true),
  },
  each({ name }, _, options) {
    const plain = cased(name, 'kebab'),
      id = idOf(options.id, name),
      folder = 'linux/share/icons/hicolor'
    return [
      ...SIZES.map((pixels) => ({
        path: `${folder}/${pixels}x${pixels}/apps/${id}.png`,
        made: {
          as: 'raster' as const,
          picture: { pixels, of: (renderer: IconRenderer) => composedIcon(renderer, pixels, OWN) },
        },
      })),
      {
        path: `${folder}/scalable/apps/${id}.svg`,
        made: { as: 'text', text: (renderer) => svgOfPicture(composedIcon(renderer, 128, OWN)) },
      },
      ...(options.symbolic
        ? [
            {
              path: `${folder}/symbolic/apps/${id}-symbolic.svg`,
              made: { as: 'text' as const, text: (renderer: IconRenderer) => symbolic(renderer) },
            },
          ]
        : []),
      {
        path: `linux/share/applications/${id}.desktop`,
        made: {
          as: 'fixed',
          text: `[Desktop Entry]
Type=Application
Version=1.0
Name=${titled(name)}
Icon=${id}
Exec=${options.program.replaceAll('*', plain)}
Categories=${options.category};
Terminal=false
`,
        },
      },
      // Software centres take none without the name of a domain.
      ...(id.includes('.')
        ? [
            {
              path: `linux/share/metainfo/${id}.metainfo.xml`,
              made: { as: 'fixed' as const, text: metainfo(id, titled(name), options.category) },
            },
          ]
        : []),
    ]
  },
  previews: (renderer, options) => [
    ...(['light', 'dark'] as const).map((on) => ({
      word: `dash, ${on}`,
      place: 'dock' as const,
      on,
      picture: composedIcon(renderer, 64, { ...OWN, ground: on }),
    })),
    ...(options.symbolic ? symbolicPreviews(renderer) : []),
  ],
})
