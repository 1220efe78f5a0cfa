import { componentTarget } from '../component-target'
import { drawingOf } from '../drawing-of'
import { componentName, listOf } from '../modules'

const BASE = `import { defineComponent, h, useId } from 'vue'

/**
 * An icon out of its drawing: \`size\` is its side, \`color\` its ink, \`title\` what it says to those who do not see it; all
 * else goes to its element. What in the drawing has ids has them for each instance anew.
 */
export const icon = (
  name: string,
  grid: number,
  attributes: Record<string, string>,
  drawing: string | ((id: string) => string),
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
  note: 'A typed module an icon with size, colour and title; only what is imported is shipped.',
  readBy: [
    { reader: 'TypeScript', compares: 'types hold' },
    { reader: 'Chromium', compares: 'mounted, as the proof shows it; a hidden copy beside it' },
  ],
  file: (name) => `${componentName(name)}.ts`,
  module(name, renderer, grid, strokes) {
    const { attributes, drawing } = drawingOf(renderer, grid, strokes)
    const one = componentName(name)
    return `import { icon } from './icon'\n\nexport const ${one} = /* @__PURE__ */ icon('${one}', ${grid}, ${attributes}, ${drawing})\n`
  },
  shared: { 'icon.ts': BASE },
  index: listOf,
})
