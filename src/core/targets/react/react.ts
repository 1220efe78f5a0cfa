import { opened } from '../composition'
import { markupOf } from '../../formats/markup'
import { identifier } from '../naming'
import { STROKES, strokesOf } from '../svg/svg'
import { textPreviews } from '../previews'
import { defineTarget } from '../target'

/** An attribute as JSX names it. */
const inJsx = (name: string): string => name.replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase())

const BASE = `import { createElement, useId, type ReactNode, type SVGProps } from 'react'

export type IconProps = Omit<SVGProps<SVGSVGElement>, 'children'> & {
  /** The side of the icon, in pixels or as CSS has it. */
  size?: number | string
  /** What the icon says to those who do not see it; without it they are not told of it. */
  title?: string
}

/** An icon out of its drawing. */
export function icon(grid: number, attributes: SVGProps<SVGSVGElement>, drawing: ReactNode) {
  return function Icon({ size = grid, title, ...props }: IconProps) {
    const id = useId()
    return createElement(
      'svg',
      {
        xmlns: 'http://www.w3.org/2000/svg',
        width: size,
        height: size,
        viewBox: \`0 0 \${grid} \${grid}\`,
        ...attributes,
        ...(title ? { role: 'img', 'aria-labelledby': id } : { 'aria-hidden': true }),
        ...props,
      },
      title ? createElement('title', { id }, title) : null,
      drawing,
    )
  }
}
`

/** Components for React in TypeScript, a module an icon, so that what is not used is not shipped. */
export const react = defineTarget({
  id: 'react',
  name: 'React components',
  platform: 'Developers',
  note: 'A typed module an icon with size, colour and title; only what is imported is shipped.',
  choices: { strokes: STROKES },
  each: ({ name }, { rules }, options) => [
    {
      path: `developers/react/${identifier(name, 'pascal')}.tsx`,
      made: {
        as: 'text',
        text(renderer) {
          const { root, inside } = opened(
            renderer.compactDocument(rules.grid.size, 'current', strokesOf(options.strokes)),
          )
          const props = Object.entries(root).map(([key, value]) => `${inJsx(key)}: ${JSON.stringify(value)}`)
          const one = identifier(name, 'pascal')
          return `import { icon } from './icon'\n\nexport const ${one} = /* @__PURE__ */ icon(${rules.grid.size}, { ${props.join(', ')} }, <>${markupOf(inside, inJsx)}</>)\n`
        },
      },
    },
  ],
  whole: ({ icons }) => [
    { path: 'developers/react/icon.ts', made: { as: 'fixed', text: BASE } },
    {
      path: 'developers/react/index.ts',
      made: { as: 'fixed', text: `${listOf(icons)}export type { IconProps } from './icon'\n` },
    },
  ],
  previews: (renderer) => textPreviews(renderer),
})

/** The list of a package's modules. */
export const listOf = (icons: readonly { readonly name: string }[]): string =>
  icons
    .map(({ name }) => identifier(name, 'pascal'))
    .map((one) => `export { ${one} } from './${one}'\n`)
    .join('')
