import { componentTarget } from '../component-target'
import { openedFor } from '../drawing-of'
import { markupOf } from '../../formats/markup'
import type { IconRenderer } from '../icon-renderer'
import { componentName, listOf, typed, untyped } from '../modules'
import { asCalls, asJsx } from '../own-ids'

/** An attribute as JSX names it. */
const inJsx = (name: string): string =>
  /^(?:data|aria)-/.test(name) ? name : name.replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase())

const PROPS = `export type IconProps = Omit<SVGAttributes<SVGSVGElement>, 'children'> & {
  /** The side of the icon, in pixels or as CSS has it. */
  size?: number | string
  /** What the icon says to those who do not see it; without it, and without a label, they are not told of it. */
  title?: string
}
`

const BASE = `import { createElement, forwardRef, useId‹, type ReactNode, type SVGAttributes› } from 'react'
‹
${PROPS}›
/** An icon out of its drawing; what in that has ids has them for each instance anew. */
export function icon(
  name‹: string›,
  grid‹: number›,
  attributes‹: SVGAttributes<SVGSVGElement> & { 'data-rtl'?: string }›,
  drawing‹: ReactNode | ((id: string) => ReactNode)›,
) {
  const Icon = forwardRef‹<SVGSVGElement, IconProps>›(({ size = grid, title, ...props }, ref) => {
    const id = useId()
    const isSaid = props['aria-label'] !== undefined || props['aria-labelledby'] !== undefined
    return createElement(
      'svg',
      {
        ref,
        xmlns: 'http://www.w3.org/2000/svg',
        width: size,
        height: size,
        viewBox: \`0 0 \${grid} \${grid}\`,
        ...attributes,
        ...(title ? { role: 'img', 'aria-labelledby': \`\${id}-title\` } : isSaid ? { role: 'img' } : { 'aria-hidden': true }),
        ...props,
      },
      title ? createElement('title', { id: \`\${id}-title\` }, title) : null,
      typeof drawing === 'function' ? drawing(id) : drawing,
    )
  })
  Icon.displayName = name
  return Icon
}
`

/** The name of an icon's component, the attributes of its element as an object, and its content. */
function partsOf(name: string, renderer: IconRenderer, grid: number, strokes: string) {
  const { root, inside } = openedFor(renderer, grid, strokes)
  const props = Object.entries(root).map(([key, value]) => {
    const own = inJsx(key)
    return `${own.includes('-') ? `'${own}'` : own}: ${JSON.stringify(value)}`
  })
  return { one: componentName(name), props: `{ ${props.join(', ')} }`, inside }
}

/** Marks calls without side effects, so that bundlers drop them if unused. */
const inPure = (calls: string): string => (calls.startsWith('h(') ? `/* @__PURE__ */ ${calls}` : calls)

/** React components in TypeScript, one module per icon, so that bundlers drop unused icons. */
export const react = componentTarget({
  id: 'react',
  name: 'React components',
  note: 'A package to install: a typed module an icon with size, colour, title and ref, for React 18 and 19, and its source; only what is imported is shipped.',
  readBy: [
    { reader: 'TypeScript', compares: 'types hold', spec: 'e2e/targets.spec.ts' },
    {
      reader: 'publint, arethetypeswrong, Node.js',
      compares: 'packed, installed from the folder, imported',
      spec: 'src/core/targets/npm-package.test.ts',
    },
    {
      reader: 'Chromium',
      compares: 'mounted, as the proof shows it; a hidden copy beside it',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  file: (name) => `${componentName(name)}.tsx`,
  module(name, renderer, grid, strokes) {
    const { one, props, inside } = partsOf(name, renderer, grid, strokes)
    return `import { icon } from './icon'\n\nexport const ${one} = /* @__PURE__ */ icon('${one}', ${grid}, ${props}, ${asJsx(markupOf(inside, inJsx))})\n`
  },
  shared: { 'icon.ts': typed(BASE) },
  index: (names) => `${listOf(names)}export type { IconProps } from './icon'\n`,
  compiled: {
    exported: componentName,
    module(name, renderer, grid, strokes) {
      const { one, props, inside } = partsOf(name, renderer, grid, strokes)
      return `import { createElement as h, Fragment } from 'react'\nimport { icon } from './icon.js'\n\nexport const ${one} = /* @__PURE__ */ icon('${one}', ${grid}, ${props}, ${inPure(asCalls(inside, inJsx))})\n`
    },
    shared: untyped(BASE),
    types: (names) => `import type { ForwardRefExoticComponent, RefAttributes, SVGAttributes } from 'react'

${PROPS}
export type Icon = ForwardRefExoticComponent<IconProps & RefAttributes<SVGSVGElement>>

${names.map((one) => `export declare const ${one}: Icon\n`).join('')}`,
    peers: { react: '>=18' },
  },
})
