import { componentTarget } from '../component-target'
import { drawingOf } from '../drawing-of'
import { componentName, listOf } from '../modules'

const BASE = `import { createUniqueId, type JSX, splitProps } from 'solid-js'

export type IconProps = Omit<JSX.SvgSVGAttributes<SVGSVGElement>, 'children' | 'innerHTML'> & {
  /** The side of the icon, in pixels or as CSS has it. */
  size?: number | string
  /** What the icon says to those who do not see it; without it, and without a label, they are not told of it. */
  title?: string
}

/** An icon out of its drawing; what in that has ids has them for each instance anew. */
export const icon =
  (grid: number, attributes: Record<string, string>, drawing: string | ((id: string) => string)) =>
  (props: IconProps): JSX.Element => {
    const [own, rest] = splitProps(props, ['size', 'title'])
    const id = createUniqueId()
    const label = () => own.title ?? rest['aria-label']
    const isSaid = () => label() !== undefined || rest['aria-labelledby'] !== undefined
    return (
      <svg
        xmlns="http://www.w3.org/2000/svg"
        width={own.size ?? grid}
        height={own.size ?? grid}
        viewBox={\`0 0 \${grid} \${grid}\`}
        {...attributes}
        {...rest}
        role={rest.role ?? (isSaid() ? 'img' : undefined)}
        aria-label={label()}
        aria-hidden={isSaid() ? undefined : 'true'}
        innerHTML={typeof drawing === 'function' ? drawing(id) : drawing}
      />
    )
  }
`

/** Components for Solid in TypeScript, a module an icon. */
export const solid = componentTarget({
  id: 'solid',
  name: 'Solid components',
  note: 'A typed module an icon with size, title and all attributes; only what is imported is shipped.',
  readBy: [
    { reader: 'TypeScript', compares: 'types hold', spec: 'e2e/targets.spec.ts' },
    {
      reader: 'Chromium',
      compares: 'mounted, as the proof shows it; a hidden copy beside it',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  file: (name) => `${componentName(name)}.ts`,
  module(name, renderer, grid, strokes) {
    const { attributes, drawing } = drawingOf(renderer, grid, strokes)
    return `import { icon } from './icon'\n\nexport const ${componentName(name)} = /* @__PURE__ */ icon(${grid}, ${attributes}, ${drawing})\n`
  },
  shared: { 'icon.tsx': BASE },
  index: (names) => `${listOf(names)}export type { IconProps } from './icon'\n`,
})
