import { attributes, markupOf } from '../../formats/markup'
import { opened } from '../composition'
import { cased } from '../naming'
import { text } from '../options'
import { STROKES, strokesOf } from '../svg/svg'
import { textPreviews } from '../previews'
import { defineTarget } from '../target'

/** The name that an element has where none is chosen. */
const tagOf = (chosen: string, name: string): string =>
  chosen ||
  `${
    cased(name, 'kebab')
      .replace(/[^a-z0-9-]/g, '')
      .replace(/^[^a-z]+/, '') || 'set'
  }-icon`

/** A module that defines an element by its icons: attributes and drawing of each. */
const moduleOf = (
  tag: string,
  size: number,
  icons: readonly string[],
): string => `/** Attributes and drawing of each icon. */
export const icons = {
${icons.join('\n')}
}

/** <${tag} name="…" size="${size}" title="…">: draws an icon of the set in the colour of the text around it. */
class Icon extends HTMLElement {
  static observedAttributes = ['name', 'size', 'title']

  connectedCallback() {
    this.draw()
  }

  attributeChangedCallback() {
    this.draw()
  }

  draw() {
    const name = this.getAttribute('name')
    const found = Object.hasOwn(icons, name) ? icons[name] : null
    const size = Number(this.getAttribute('size')) || ${size}
    const title = this.getAttribute('title')
    this.innerHTML = found
      ? \`<svg xmlns="http://www.w3.org/2000/svg" width="\${size}" height="\${size}" viewBox="0 0 ${size} ${size}" \${found[0]}>\${found[1]}</svg>\`
      : ''
    const svg = this.firstElementChild
    if (!svg) return
    if (title) {
      svg.setAttribute('role', 'img')
      svg.setAttribute('aria-label', title)
    } else svg.setAttribute('aria-hidden', 'true')
  }
}

if (!customElements.get('${tag}')) customElements.define('${tag}', Icon)
`

/** A custom element that draws any icon of the set, without any framework. */
export const element = defineTarget({
  id: 'element',
  name: 'Web component',
  platform: 'Developers',
  note: 'One module that defines an element: its name, size and title as attributes, in the colour of the text around.',
  choices: {
    tag: text('element', '', (value) =>
      value === '' || /^[a-z][a-z0-9]*(-[a-z0-9]+)+$/.test(value)
        ? null
        : 'An element is named in lower-case letters and digits, with a hyphen in it.',
    ),
    strokes: STROKES,
  },
  whole({ name, rules }, options) {
    const tag = tagOf(options.tag, name),
      size = rules.grid.size
    return [
      {
        path: `developers/element/${tag}.js`,
        made: {
          as: 'joined',
          piece(renderer) {
            const { root, inside } = opened(renderer.compactDocument(size, 'current', strokesOf(options.strokes)))
            return `  ${JSON.stringify(renderer.icon.name)}: [${JSON.stringify(attributes(root).trim())}, ${JSON.stringify(markupOf(inside))}],`
          },
          join: (pieces) => moduleOf(tag, size, pieces),
        },
      },
    ]
  },
  previews: (renderer) => textPreviews(renderer),
})
