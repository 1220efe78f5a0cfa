import { drawingOf } from '../drawing-of'
import { componentName, listOf } from '../modules'
import { textPreviews } from '../previews'
import { STROKES } from '../svg/svg'
import { defineTarget } from '../target'

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
export const solid = defineTarget({
  id: 'solid',
  name: 'Solid components',
  platform: 'Developers',
  note: 'A typed module an icon with size, title and all attributes; only what is imported is shipped.',
  readBy: [
    { reader: 'TypeScript', compares: 'types hold' },
    { reader: 'Chromium', compares: 'mounted, as the proof shows it; a hidden copy beside it' },
  ],
  choices: { strokes: STROKES },
  each: ({ name }, { rules }, options) => [
    {
      path: `developers/solid/${componentName(name)}.ts`,
      made: {
        as: 'text',
        text(renderer) {
          const { attributes, drawing } = drawingOf(renderer, rules.grid.size, options.strokes)
          return `import { icon } from './icon'\n\nexport const ${componentName(name)} = /* @__PURE__ */ icon(${rules.grid.size}, ${attributes}, ${drawing})\n`
        },
      },
    },
  ],
  whole: ({ icons }) => [
    { path: 'developers/solid/icon.tsx', made: { as: 'fixed', text: BASE } },
    {
      path: 'developers/solid/index.ts',
      made: { as: 'fixed', text: `${listOf(icons)}export type { IconProps } from './icon'\n` },
    },
  ],
  previews: (renderer) => textPreviews(renderer),
})
