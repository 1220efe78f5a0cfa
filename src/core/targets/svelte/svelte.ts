import { componentTarget } from '../component-target'
import { drawingOf } from '../drawing-of'
import { componentName } from '../modules'

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
export const svelte = componentTarget({
  id: 'svelte',
  name: 'Svelte components',
  note: 'A component an icon for Svelte 5 with size, title and all attributes; only what is imported is shipped.',
  readBy: [
    { reader: 'Svelte’s compiler', compares: 'compiles without a warning', spec: 'e2e/bundled.ts' },
    {
      reader: 'Chromium',
      compares: 'mounted, as the proof shows it; a hidden copy beside it',
      spec: 'e2e/targets.spec.ts',
    },
  ],
  file: (name) => `${componentName(name)}.svelte`,
  module(_, renderer, grid, strokes) {
    const { attributes, drawing } = drawingOf(renderer, grid, strokes)
    return `<script lang="ts">
  import Drawn from './drawn.svelte'
  import type { IconProps } from './icon'

  const props: IconProps = $props()
  const own = ${attributes}
  const drawing = ${drawing.replaceAll('</script', '<\\/script')}
</script>

<Drawn grid={${grid}} {own} {drawing} {...props} />
`
  },
  shared: { 'drawn.svelte': BASE, 'icon.ts': TYPES },
  index: (names) =>
    [
      ...names.map(componentName).map((one) => `export { default as ${one} } from './${one}.svelte'\n`),
      "export type { IconProps } from './icon'\n",
    ].join(''),
})
