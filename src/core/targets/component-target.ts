import type { IconRenderer } from './icon-renderer'
import { textPreviews } from './previews'
import { STROKES } from './svg/svg'
import { defineTarget, type Target } from './target'

/** A package of modules, one an icon, for those who write programs. */
type Package = Pick<Target, 'id' | 'name' | 'note' | 'readBy'> & {
  /** The module of an icon: its file in the package, and what is in it. */
  readonly file: (name: string) => string
  readonly module: (name: string, renderer: IconRenderer, grid: number, strokes: string) => string
  /** The files that all modules share, by their names in the package. */
  readonly shared: Readonly<Record<string, string>>
  /** The module that has all of them. */
  readonly index: (names: readonly string[]) => string
}

/** A target of a package under `developers/`, so that only what is imported is shipped. */
export const componentTarget = ({ id, name, note, readBy, file, module, shared, index }: Package): Target => {
  const path = (own: string) => `developers/${id}/${own}`
  return defineTarget({
    id,
    name,
    platform: 'Developers',
    note,
    readBy,
    choices: { strokes: STROKES },
    each: ({ name: icon }, { rules }, { strokes }) => [
      {
        path: path(file(icon)),
        made: { as: 'text', text: (renderer) => module(icon, renderer, rules.grid.size, strokes) },
      },
    ],
    whole: ({ icons }) => [
      ...Object.entries(shared).map(([own, text]) => ({ path: path(own), made: { as: 'fixed' as const, text } })),
      { path: path('index.ts'), made: { as: 'fixed', text: index(icons.map(({ name: icon }) => icon)) } },
    ],
    previews: (renderer) => textPreviews(renderer),
  })
}
