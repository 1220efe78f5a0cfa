import { drawingOf } from '../drawing-of'
import { componentName } from '../modules'
import { textPreviews } from '../previews'
import { STROKES } from '../svg/svg'
import { defineTarget } from '../target'

const BASE = `<!-- An icon out of its drawing; what in that has ids has them for each instance anew. -->
<script lang="ts">
  import type { IconProps } from './icon'

  type Drawn = {
    readonly grid: number
    readonly own: Readonly<Record<string, string>>
    readonly drawing: string | ((id: string) => string)
  }
  const { grid, own, drawing, size = grid, title, ...rest }: IconProps & Drawn = $props()
  const id = $props.id()
  const label = $derived(title ?? rest['aria-label'])
  const isSaid = $derived(label !== undefined || rest['aria-labelledby'] !== undefined)
</script>

<svg
  xmlns="http://www.w3.org/2000/svg"
  width={size}
  height={size}
  viewBox={\`0 0 \${grid} \${grid}\`}
  role={isSaid ? 'img' : undefined}
  aria-hidden={isSaid ? undefined : 'true'}
  {...own}
  {...rest}
  aria-label={label}>{@html typeof drawing === 'function' ? drawing(id) : drawing}</svg>
`

const TYPES = `import type { SVGAttributes } from 'svelte/elements'

export type IconProps = Omit<SVGAttributes<SVGSVGElement>, 'children'> & {
  /** The side of the icon, in pixels or as CSS has it. */
  readonly size?: number | string
  /** What the icon says to those who do not see it; without it, and without a label, they are not told of it. */
  readonly title?: string
}
`

/** Components for Svelte 5 with TypeScript, a file an icon. */
export const svelte = defineTarget({
  id: 'svelte',
  name: 'Svelte components',
  platform: 'Developers',
  note: 'A component an icon for Svelte 5 with size, title and all attributes; only what is imported is shipped.',
  readBy: [
    { reader: 'Svelte’s compiler', compares: 'compiles without a warning' },
    { reader: 'Chromium', compares: 'mounted, as the proof shows it; a hidden copy beside it' },
  ],
  choices: { strokes: STROKES },
  each: ({ name }, { rules }, options) => [
    {
      path: `developers/svelte/${componentName(name)}.svelte`,
      made: {
        as: 'text',
        text(renderer) {
          const { attributes, drawing } = drawingOf(renderer, rules.grid.size, options.strokes)
          return `<script lang="ts">
  import Drawn from './drawn.svelte'
  import type { IconProps } from './icon'

  const props: IconProps = $props()
  const own = ${attributes}
  const drawing = ${drawing.replaceAll('</script', '<\\/script')}
</script>

<Drawn grid={${rules.grid.size}} {own} {drawing} {...props} />
`
        },
      },
    },
  ],
  whole: ({ icons }) => [
    { path: 'developers/svelte/drawn.svelte', made: { as: 'fixed', text: BASE } },
    { path: 'developers/svelte/icon.ts', made: { as: 'fixed', text: TYPES } },
    {
      path: 'developers/svelte/index.ts',
      made: {
        as: 'fixed',
        text: [
          ...icons.map(
            ({ name }) => `export { default as ${componentName(name)} } from './${componentName(name)}.svelte'\n`,
          ),
          "export type { IconProps } from './icon'\n",
        ].join(''),
      },
    },
  ],
  previews: (renderer) => textPreviews(renderer),
})
