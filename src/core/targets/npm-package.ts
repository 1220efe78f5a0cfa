import { cased } from './naming'
import { text } from './options'

/** Choices of an installable package: its name and version, in the registry's form. */
export const PACKAGE = {
  package: text('package', '', 'other-name', (value) =>
    value === '' || /^(?:@[a-z0-9][a-z0-9._-]*\/)?[a-z0-9][a-z0-9._-]{0,100}$/.test(value)
      ? null
      : 'A package is named in lower-case letters, digits and . _ -, perhaps after @ and an owner.',
  ),
  version: text('version', '1.0.0', '2.0.0', (value) =>
    /^\d{1,6}\.\d{1,6}\.\d{1,6}(?:-[0-9A-Za-z.-]{1,40})?$/.test(value)
      ? null
      : 'A version has three numbers, as 1.4.0.',
  ),
}

/** A package of modules that run directly. */
type Package = {
  readonly set: string
  /** What its icons are, in a few words. */
  readonly what: string
  /** Ends the name that it has where none is chosen. */
  readonly ending: string
  /** The module that is imported by the name of the package, and its types. */
  readonly main: string
  readonly types: string
  /** The module that does something when it is imported, and a style sheet beside it; nothing else does. */
  readonly acting?: string
  readonly sheet?: string
  /** Peer dependencies, by package and version. */
  readonly peers?: Readonly<Record<string, string>>
  readonly options: { readonly package?: unknown; readonly version?: unknown }
}

/** The package.json of a package (Node.js, “Modules: Packages”), all of whose files are delivered with it. */
export function packageJson({ set, what, ending, main, types, acting, sheet, peers, options }: Package): string {
  const effects = [acting, sheet].filter((one) => one !== undefined)
  const plain = cased(set, 'kebab').replace(/[^a-z0-9-]/g, '')
  return `${JSON.stringify(
    {
      name: options.package || `${/^[a-z0-9]/.test(plain) ? plain : 'icons'}-${ending}`,
      version: options.version || PACKAGE.version.usual,
      description: `${set}: ${what}`,
      type: 'module',
      sideEffects: effects.length > 0 ? effects : false,
      exports: {
        '.': { types, default: main },
        ...(sheet && { [sheet]: sheet }),
        './package.json': './package.json',
      },
      ...(peers && { peerDependencies: peers }),
    },
    null,
    2,
  )}\n`
}
