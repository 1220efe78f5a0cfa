import { attributes, markupOf } from '../../formats/markup'
import { directionRules } from '../direction'
import { openedFor } from '../drawing-of'
import { cased } from '../naming'
import { PACKAGE, packageJson } from '../npm-package'
import { asProgram } from '../own-ids'
import { text } from '../options'
import { STROKES } from '../svg/svg'
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

/**
 * A module that defines an element by its icons: attributes and drawing of each. On a server it may be imported too,
 * where nothing is defined.
 */
const moduleOf = (
  tag: string,
  size: number,
  icons: readonly string[],
  rules: readonly string[],
): string => `/** Attributes and drawing of each icon; a drawing with ids is made for each instance. */
export const icons = {
${icons.join('\n')}
}

const Base = typeof HTMLElement === 'undefined' ? class {} : HTMLElement
let count = 0

/** <${tag} name="…" size="${size}" title="…">: draws an icon of the set in the colour of the text around it. */
class Icon extends Base {
  static observedAttributes = ['name', 'size', 'title', 'aria-label']
  #id = '${tag}-' + ++count

  connectedCallback() {
    this.draw()
  }

  attributeChangedCallback() {
    this.draw()
  }

  draw() {
    const name = this.getAttribute('name')
    const [attributes, drawing] = Object.hasOwn(icons, name) ? icons[name] : []
    this.innerHTML = drawing
      ? \`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size} ${size}" \${attributes}>\${
          typeof drawing === 'function' ? drawing(this.#id) : drawing
        }</svg>\`
      : ''
    const svg = this.firstElementChild
    if (!svg) return
    // A number is of pixels, anything else a length of CSS.
    const side = this.getAttribute('size') || '${size}'
    svg.style.width = svg.style.height = /^[\\d.]+$/.test(side) ? side + 'px' : side
    const title = this.getAttribute('title') || this.getAttribute('aria-label')
    if (title) {
      svg.setAttribute('role', 'img')
      svg.setAttribute('aria-label', title)
    } else svg.setAttribute('aria-hidden', 'true')
  }
}

if (typeof customElements !== 'undefined' && !customElements.get('${tag}')) customElements.define('${tag}', Icon)
${rules.length > 0 ? sheet(tag, rules) : ''}`

/** What icons do where text runs from right to left, by rules of CSS. */
const sheet = (tag: string, rules: readonly string[]): string => `
if (typeof document !== 'undefined') {
  const sheet = new CSSStyleSheet()
  sheet.replaceSync(${JSON.stringify(rules.map((rule) => `${tag} > ${rule}`).join('\n'))})
  document.adoptedStyleSheets.push(sheet)
}
`

/** What TypeScript is told of that module. */
const typesOf = (tag: string, names: readonly string[]): string => `/** The names of the icons. */
export type IconName = ${names.map((name) => JSON.stringify(name)).join(' | ')}

/** Attributes and drawing of each icon; a drawing with ids is made for each instance. */
export declare const icons: Readonly<Record<IconName, readonly [attributes: string, drawing: string | ((id: string) => string)]>>

declare global {
  interface HTMLElementTagNameMap {
    '${tag}': HTMLElement
  }
}
`

const NAME = 'Web component'

/** A custom element that draws any icon of the set, without any framework. */
export const element = defineTarget({
  id: 'element',
  name: NAME,
  platform: 'Developers',
  note: 'A package to install of one module, with its types, that defines an element: name, size and title as attributes, in the colour of the text around.',
  readBy: [
    {
      reader: 'Chromium',
      compares: 'defined, as the proof shows it; a hidden copy beside it',
      spec: 'e2e/targets.spec.ts',
    },
    {
      reader: 'publint, arethetypeswrong, Node.js',
      compares: 'packed, installed from the folder, imported on a server',
      spec: 'src/core/targets/npm-package.test.ts',
    },
  ],
  choices: {
    tag: text('element', '', 'other-name', (value) =>
      value === '' || /^[a-z][a-z0-9]*(-[a-z0-9]+)+$/.test(value)
        ? null
        : 'An element is named in lower-case letters and digits, with a hyphen in it.',
    ),
    strokes: STROKES,
    ...PACKAGE,
  },
  whole({ name, rules, icons }, options) {
    const tag = tagOf(options.tag, name),
      size = rules.grid.size
    return [
      {
        path: `developers/element/${tag}.js`,
        made: {
          as: 'joined',
          piece(renderer) {
            const { root, inside } = openedFor(renderer, size, options.strokes)
            return `  ${JSON.stringify(renderer.icon.name)}: [${JSON.stringify(attributes(root).trim())}, ${asProgram(markupOf(inside), 'id')}],`
          },
          join: (pieces) => moduleOf(tag, size, pieces, directionRules(icons)),
        },
      },
      {
        path: `developers/element/${tag}.d.ts`,
        made: {
          as: 'fixed',
          text: typesOf(
            tag,
            icons.map((icon) => icon.name),
          ),
        },
      },
      {
        path: 'developers/element/package.json',
        made: {
          as: 'fixed',
          text: packageJson({
            set: name,
            what: NAME,
            ending: 'element',
            main: `./${tag}.js`,
            types: `./${tag}.d.ts`,
            acting: `./${tag}.js`,
            options,
          }),
        },
      },
    ]
  },
  previews: (renderer) => textPreviews(renderer),
})
