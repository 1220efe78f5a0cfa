import { directionCss } from './direction'
import type { IconRenderer } from './icon-renderer'
import { runningListOf } from './modules'
import { PACKAGE, packageJson } from './npm-package'
import { textPreviews } from './previews'
import { STROKES } from './svg/svg'
import { defineTarget, type Target } from './target'

/** A package of modules, one an icon, for those who write programs. */
type Package = Pick<Target, 'id' | 'name' | 'note' | 'readBy'> & {
  /** The module of an icon: its file in the package, and its text. */
  readonly file: (name: string) => string
  readonly module: (name: string, renderer: IconRenderer, grid: number, strokes: string) => string
  /** The files that all modules share, by their names in the package. */
  readonly shared: Readonly<Record<string, string>>
  /** The module that has all of them. */
  readonly index: (names: readonly string[]) => string
  /** The compiled form; without it the package has sources only. */
  readonly compiled?: Compiled
}

/** A package's modules as they run, in its folder `dist`. */
type Compiled = {
  /** What an icon is exported as; its module has that name too. */
  readonly exported: (name: string) => string
  readonly module: Package['module']
  readonly shared: string
  /** The type declarations, by exported names. */
  readonly types: (exported: readonly string[]) => string
  /** Peer dependencies, by package and version. */
  readonly peers?: Readonly<Record<string, string>>
}

/** A target that is a package under `developers/`, with one module per icon, so that bundlers drop unused icons. */
export const componentTarget = ({ id, name, note, readBy, file, module, shared, index, compiled }: Package): Target => {
  const path = (own: string) => `developers/${id}/${own}`
  const fixed = (own: string, text: string) => ({ path: path(own), made: { as: 'fixed' as const, text } })
  return defineTarget({
    id,
    name,
    platform: 'Developers',
    note,
    readBy,
    choices: { strokes: STROKES, ...(compiled && PACKAGE) },
    each: ({ name: icon }, { rules }, { strokes }) => {
      const made = (write: Package['module']) => ({
        as: 'text' as const,
        text: (renderer: IconRenderer) => write(icon, renderer, rules.grid.size, strokes),
      })
      return [
        { path: path(file(icon)), made: made(module) },
        ...(compiled ? [{ path: path(`dist/${compiled.exported(icon)}.js`), made: made(compiled.module) }] : []),
      ]
    },
    whole: ({ name: set, icons }, options) => {
      const names = icons.map(({ name: icon }) => icon)
      const exported = compiled ? names.map(compiled.exported) : [],
        css = directionCss(icons)
      return [
        ...Object.entries(shared).map(([own, text]) => fixed(own, text)),
        fixed('index.ts', index(names)),
        ...(css ? [fixed('direction.css', css)] : []),
        ...(compiled
          ? [
              fixed('dist/icon.js', compiled.shared),
              fixed('dist/index.js', runningListOf(exported)),
              fixed('dist/index.d.ts', compiled.types(exported)),
              fixed(
                'package.json',
                packageJson({
                  set,
                  what: name,
                  ending: id,
                  main: './dist/index.js',
                  types: './dist/index.d.ts',
                  ...(compiled.peers && { peers: compiled.peers }),
                  ...(css && { sheet: './direction.css' }),
                  options,
                }),
              ),
            ]
          : []),
      ]
    },
    previews: (renderer) => textPreviews(renderer),
  })
}
