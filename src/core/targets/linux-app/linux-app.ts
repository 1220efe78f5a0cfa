import { type Composition, composedIcon } from '../composition'
import { symbolic, symbolicPreviews } from '../linux/symbolic'
import { cased, wordsIn } from '../naming'
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

const OWN: Composition = { share: 1, plate: 'own', fallback: null, ground: 'light' }

const titled = (name: string): string =>
  wordsIn(name)
    .map((word) => word.slice(0, 1).toUpperCase() + word.slice(1))
    .join(' ') || name

/** An application's icon where every desktop looks for it, and the entry that shows it in menus. */
export const linuxApp = defineTarget({
  id: 'linux-app',
  name: 'App icon and menu entry',
  platform: 'Linux desktop',
  note: 'The app icon at every size, scalable and symbolic, in the folders of the theme that all desktops fall back to, and the desktop entry that names it (freedesktop.org). Its folder share is copied into /usr or ~/.local.',
  isForApps: true,
  readBy: [
    { reader: 'desktop-file-validate', compares: 'the entry' },
    { reader: 'rsvg-convert', compares: 'the picture at 128 px, within 0.5 of 255' },
  ],
  choices: {
    program: text('program', '*', programFault),
    category: oneOf('category', 'Utility', CATEGORIES),
    symbolic: onOff('symbolic variant', true),
  },
  each({ name }, _, options) {
    const plain = cased(name, 'kebab'),
      folder = 'linux/share/icons/hicolor'
    return [
      ...SIZES.map((pixels) => ({
        path: `${folder}/${pixels}x${pixels}/apps/${plain}.png`,
        made: {
          as: 'raster' as const,
          picture: { pixels, svg: (renderer: IconRenderer) => composedIcon(renderer, pixels, OWN) },
        },
      })),
      {
        path: `${folder}/scalable/apps/${plain}.svg`,
        made: { as: 'text', text: (renderer) => composedIcon(renderer, 128, OWN) },
      },
      ...(options.symbolic
        ? [
            {
              path: `${folder}/symbolic/apps/${plain}-symbolic.svg`,
              made: { as: 'text' as const, text: (renderer: IconRenderer) => symbolic(renderer) },
            },
          ]
        : []),
      {
        path: `linux/share/applications/${plain}.desktop`,
        made: {
          as: 'fixed',
          text: `[Desktop Entry]
Type=Application
Version=1.0
Name=${titled(name)}
Icon=${plain}
Exec=${options.program.replaceAll('*', plain)}
Categories=${options.category};
Terminal=false
`,
        },
      },
    ]
  },
  previews: (renderer, options) => [
    ...(['light', 'dark'] as const).map((on) => ({
      word: `dash, ${on}`,
      place: 'dock' as const,
      on,
      svg: composedIcon(renderer, 64, { ...OWN, ground: on }),
    })),
    ...(options.symbolic ? symbolicPreviews(renderer) : []),
  ],
})
