import { identifier } from './naming'

/** The names of modules of a package that are not icons; systems take those that differ in case for one. */
const OWN = new Set(['icon', 'index', 'drawn'])

/** The name of an icon's component and of its module. */
export function componentName(name: string): string {
  const plain = identifier(name, 'pascal')
  return OWN.has(plain.toLowerCase()) ? `${plain}Icon` : plain
}

/** The list of a package's modules. */
export const listOf = (names: readonly string[]): string =>
  names
    .map(componentName)
    .map((one) => `export { ${one} } from './${one}'\n`)
    .join('')

/** The same for modules that run directly, which are imported with their file extension. */
export const runningListOf = (names: readonly string[]): string =>
  names.map((one) => `export { ${one} } from './${one}.js'\n`).join('')

/** A program with its types; they stand between ‹ and ›. */
export const typed = (program: string): string => program.replace(/[‹›]/g, '')

/** The same program without them, as it runs. */
export const untyped = (program: string): string => program.replace(/‹[^›]*›/g, '')
