import { componentTarget } from '../component-target'
import { drawingOf } from '../drawing-of'
import { componentName, typed, untyped } from '../modules'

const OPTIONS = `/** How an icon is written: its side, its ink, what it says to those who do not see it, and further attributes. */
export type IconOptions = {
  /** The side of the icon, in pixels or as CSS has it. */
  readonly size?: number | string
  readonly color?: string
  /** What the icon says to those who do not see it; without it they are not told of it. */
  readonly title?: string
  /** What stands before the ids in it; by itself a number of its own, so that two icons on a page share none. */
  readonly id?: string
  readonly attributes?: Readonly<Record<string, string | number>>
}
`

const BASE = `‹${OPTIONS}
›let count = 0

const escaped = (text‹: string | number›)‹: string› =>
  String(text).replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;')

/** A function that writes an icon as the text of an SVG element. */
export const icon =
  (grid‹: number›, own‹: Readonly<Record<string, string>>›, drawing‹: string | ((id: string) => string)›) =>
  ({ size = grid, color, title, id, attributes }‹: IconOptions› = {})‹: string› => {
    const all = {
      xmlns: 'http://www.w3.org/2000/svg',
      width: size,
      height: size,
      viewBox: \`0 0 \${grid} \${grid}\`,
      ...own,
      ...(color === undefined ? {} : { color }),
      ...(title === undefined ? { 'aria-hidden': 'true' } : { role: 'img', 'aria-label': title }),
      ...attributes,
    }
    const written = Object.entries(all).map(([name, value]) => \` \${name}="\${escaped(value)}"\`)
    const inside = typeof drawing === 'string' ? drawing : drawing(id ?? \`icon-\${++count}\`)
    return \`<svg\${written.join('')}>\${inside}</svg>\`
  }
`

/** The name of the function that writes an icon: never a word that programs keep for themselves. */
function functionName(name: string): string {
  const plain = componentName(name)
  return `${plain.slice(0, 1).toLowerCase()}${plain.slice(1)}Icon`
}

/** Functions without a framework that return the text of an SVG element, a module an icon. */
export const functions = componentTarget({
  id: 'functions',
  name: 'Plain functions',
  note: 'A package to install: a typed module an icon whose function returns the text of an SVG element, and its source; it needs no framework.',
  readBy: [
    { reader: 'TypeScript', compares: 'types hold', spec: 'e2e/targets.spec.ts' },
    {
      reader: 'publint, arethetypeswrong, Node.js',
      compares: 'packed, installed from the folder, imported',
      spec: 'src/core/targets/npm-package.test.ts',
    },
    {
      reader: 'Chromium',
      compares: 'the text as a picture, as the proof shows it; a hidden copy beside it',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  file: (name) => `${functionName(name)}.ts`,
  module(name, renderer, grid, strokes) {
    const { attributes, drawing } = drawingOf(renderer, grid, strokes)
    return `import { icon } from './icon'\n\nexport const ${functionName(name)} = /* @__PURE__ */ icon(${grid}, ${attributes}, ${drawing})\n`
  },
  shared: { 'icon.ts': typed(BASE) },
  index: (names) =>
    [
      ...names.map(functionName).map((one) => `export { ${one} } from './${one}'\n`),
      "export type { IconOptions } from './icon'\n",
    ].join(''),
  compiled: {
    exported: functionName,
    module(name, renderer, grid, strokes) {
      const { attributes, drawing } = drawingOf(renderer, grid, strokes, 'id')
      return `import { icon } from './icon.js'\n\nexport const ${functionName(name)} = /* @__PURE__ */ icon(${grid}, ${attributes}, ${drawing})\n`
    },
    shared: untyped(BASE),
    types: (names) =>
      `${OPTIONS}\n${names.map((one) => `export declare const ${one}: (options?: IconOptions) => string\n`).join('')}`,
  },
})
