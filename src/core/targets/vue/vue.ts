import { componentTarget } from '../component-target'
import { drawingOf } from '../drawing-of'
import { componentName, listOf, typed, untyped } from '../modules'

const BASE = `import { defineComponent, h, useId } from 'vue'

/**
 * An icon out of its drawing: \`size\` is its side, \`color\` its ink, \`title\` what it says to those who do not see it; all
 * else goes to its element. What in the drawing has ids has them for each instance anew.
 */
export const icon = (
  name‹: string›,
  grid‹: number›,
  attributes‹: Record<string, string>›,
  drawing‹: string | ((id: string) => string)›,
) =>
  defineComponent({
    name,
    props: {
      size: { type: [Number, String], default: grid },
      color: { type: String, default: undefined },
      title: { type: String, default: undefined },
    },
    setup(props, { attrs }) {
      const id = useId()
      const isSaid = () => attrs['aria-label'] !== undefined || attrs['aria-labelledby'] !== undefined
      return () =>
        h('svg', {
          xmlns: 'http://www.w3.org/2000/svg',
          width: props.size,
          height: props.size,
          viewBox: \`0 0 \${grid} \${grid}\`,
          ...attributes,
          ...(props.color && { color: props.color }),
          ...(props.title
            ? { role: 'img', 'aria-label': props.title }
            : isSaid()
              ? { role: 'img' }
              : { 'aria-hidden': 'true' }),
          innerHTML: typeof drawing === 'function' ? drawing(id) : drawing,
        })
    },
  })
`

/** Components for Vue in TypeScript, a module an icon. */
export const vue = componentTarget({
  id: 'vue',
  name: 'Vue components',
  note: 'A package to install: a typed module an icon with size, colour and title, and its source; only what is imported is shipped.',
  readBy: [
    { reader: 'TypeScript', compares: 'types hold', spec: 'e2e/targets.spec.ts' },
    {
      reader: 'publint, arethetypeswrong, Node.js',
      compares: 'packed, installed from the folder, imported',
      spec: 'src/core/targets/npm-package.test.ts',
    },
    { reader: 'Vue’s compiler', compares: 'a single file whose template has it', spec: 'e2e/bundled.ts' },
    {
      reader: 'Chromium',
      compares: 'mounted, as the proof shows it; a hidden copy beside it',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  file: (name) => `${componentName(name)}.ts`,
  module(name, renderer, grid, strokes) {
    const { attributes, drawing } = drawingOf(renderer, grid, strokes)
    const one = componentName(name)
    return `import { icon } from './icon'\n\nexport const ${one} = /* @__PURE__ */ icon('${one}', ${grid}, ${attributes}, ${drawing})\n`
  },
  shared: { 'icon.ts': typed(BASE) },
  index: listOf,
  compiled: {
    exported: componentName,
    module(name, renderer, grid, strokes) {
      const { attributes, drawing } = drawingOf(renderer, grid, strokes, 'id')
      const one = componentName(name)
      return `import { icon } from './icon.js'\n\nexport const ${one} = /* @__PURE__ */ icon('${one}', ${grid}, ${attributes}, ${drawing})\n`
    },
    shared: untyped(BASE),
    types: (names) => `import type { DefineComponent } from 'vue'

export type Icon = DefineComponent<{
  /** The side of the icon, in pixels or as CSS has it. */
  size?: number | string
  color?: string
  /** What the icon says to those who do not see it; without it, and without a label, they are not told of it. */
  title?: string
}>

${names.map((one) => `export declare const ${one}: Icon\n`).join('')}`,
    peers: { vue: '>=3.5' },
  },
})
