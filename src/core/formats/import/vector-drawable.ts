import type { XmlElement } from './svg/xml'

/** A document of elements; those that are made have no parents, which only style sheets ask for. */
const element = (
  name: string,
  attributes: Record<string, string | undefined>,
  children: XmlElement[] = [],
): XmlElement => ({
  name,
  attributes: Object.fromEntries(
    Object.entries(attributes).filter((pair): pair is [string, string] => pair[1] !== undefined),
  ),
  children,
  text: '',
  parent: null,
})

const attribute = ({ attributes }: XmlElement, name: string): string | undefined => attributes[`android:${name}`]

/**
 * A colour of Android as SVG has it: #RGB, #ARGB, #RRGGBB or #AARRGGBB; black of the system is black. A colour that lies in
 * other files, as of a theme, is that of the text around.
 */
function colourOf(text: string | undefined): string | undefined {
  if (text === undefined) return undefined
  const digits = /^#([0-9a-f]+)$/i.exec(text.trim())?.[1]
  if (digits === undefined)
    return /color\/(?:transparent)$/.test(text)
      ? 'none'
      : /color\/white$/.test(text)
        ? '#ffffff'
        : /color\/black$/.test(text)
          ? '#000000'
          : 'currentColor'
  const wide = digits.length <= 4 ? digits.replace(/./g, '$&$&') : digits
  return wide.length === 8 ? `#${wide.slice(2)}${wide.slice(0, 2)}` : `#${wide}`
}

/** The transform of a group: its pivot, then turned and scaled about that, then moved (VectorDrawable, “group”). */
function transformOf(group: XmlElement): string | undefined {
  const number = (name: string, otherwise: number) => Number(attribute(group, name) ?? otherwise)
  const px = number('pivotX', 0),
    py = number('pivotY', 0)
  const words = [
    `translate(${number('translateX', 0) + px} ${number('translateY', 0) + py})`,
    `rotate(${number('rotation', 0)})`,
    `scale(${number('scaleX', 1)} ${number('scaleY', 1)})`,
    `translate(${-px} ${-py})`,
  ]
  return words.join(' ')
}

/** A vector drawable of Android as an SVG document, element by element. */
export function svgOfVectorDrawable(root: XmlElement): XmlElement {
  const definitions: XmlElement[] = []
  const children = (parent: XmlElement): XmlElement[] => {
    const made: XmlElement[] = []
    const clips: string[] = []
    for (const one of parent.children) {
      if (one.name === 'clip-path') {
        const id = `clip-${definitions.length + 1}`
        definitions.push(element('clipPath', { id }, [element('path', { d: attribute(one, 'pathData') })]))
        clips.push(id)
        continue
      }
      const drawn =
        one.name === 'group'
          ? element('g', { transform: transformOf(one), id: attribute(one, 'name') }, children(one))
          : one.name === 'path'
            ? pathOf(one)
            : element(one.name.replace(/:/g, '-'), {})
      // What a clip path stands before is cut by it, by all of them in turn.
      made.push(clips.reduce((inner, id) => element('g', { 'clip-path': `url(#${id})` }, [inner]), drawn))
    }
    return made
  }
  const alpha = attribute(root, 'alpha')
  const body = element('g', { opacity: alpha }, children(root))
  const box = `0 0 ${attribute(root, 'viewportWidth') ?? 24} ${attribute(root, 'viewportHeight') ?? 24}`
  return element('svg', { viewBox: box }, [element('defs', {}, definitions), body])
}

function pathOf(path: XmlElement): XmlElement {
  const own = (name: string) => attribute(path, name)
  const gradient = path.children.find(({ name }) => name === 'aapt:attr')
  return element('path', {
    id: own('name'),
    d: own('pathData'),
    fill: colourOf(own('fillColor')) ?? (gradient?.attributes.name === 'android:fillColor' ? 'url(#gradient)' : 'none'),
    'fill-opacity': own('fillAlpha'),
    'fill-rule': own('fillType') === 'evenOdd' ? 'evenodd' : undefined,
    stroke: colourOf(own('strokeColor')) ?? 'none',
    'stroke-opacity': own('strokeAlpha'),
    'stroke-width': own('strokeWidth') ?? '0',
    'stroke-linecap': own('strokeLineCap'),
    'stroke-linejoin': own('strokeLineJoin'),
    'stroke-miterlimit': own('strokeMiterLimit'),
  })
}
