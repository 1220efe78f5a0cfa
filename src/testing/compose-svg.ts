/** The arguments of a call by their names, as they are written; what stands between brackets and quotes stays whole. */
function argumentsOf(text: string): Record<string, string> {
  const parts: string[] = []
  let depth = 0,
    isQuoted = false,
    from = 0
  for (const [i, sign] of [...text].entries()) {
    if (sign === '"') isQuoted = !isQuoted
    if (isQuoted) continue
    if (sign === '(') depth++
    if (sign === ')') depth--
    if (sign === ',' && depth === 0) {
      parts.push(text.slice(from, i))
      from = i + 1
    }
  }
  return Object.fromEntries(
    [...parts, text.slice(from)].map((part, i) => {
      const [, name, value] = /^\s*(?:(\w+) = )?([\s\S]*)$/.exec(part)!
      return [name ?? String(i), value!]
    }),
  )
}

const inCall = (text: string): string => /^\w[\w.]*\(([\s\S]*)\)$/.exec(text)![1]!
const number = (text: string | undefined, usual: number): number => {
  if (text === undefined) return usual
  if (!/^-?[\d.e-]+f$/.test(text)) throw new Error(`${text} is no number of single precision.`)
  return Number.parseFloat(text)
}
const pathOf = (text: string): string => JSON.parse(inCall(text).replaceAll('\\$', '$')) as string

function colourOf(text: string): { hex: string; alpha: number } {
  const [, alpha, hex] = /^Color\(0x([\dA-F]{2})([\dA-F]{6})\)$/.exec(text)!
  return { hex: `#${hex}`, alpha: Number.parseInt(alpha!, 16) / 255 }
}

/** An image vector in Kotlin as SVG, call by call. Throws where a call is not one of the builder’s. */
export function svgOfCompose(source: string): string {
  const side = /viewportWidth = ([\d.]+)f, viewportHeight = \1f/.exec(source)![1]!
  const definitions: string[] = [],
    body: string[] = []
  let ids = 0
  const paint = (key: 'fill' | 'stroke', text: string | undefined, alpha: number): string => {
    if (text === undefined) return `${key}="none"`
    if (text.startsWith('SolidColor(')) {
      const one = colourOf(inCall(text))
      return `${key}="${one.hex}" ${key}-opacity="${one.alpha * alpha}"`
    }
    const map = argumentsOf(inCall(text)),
      id = `g${ids++}`
    const stops = Object.entries(map).flatMap(([name, value]) => {
      const stop = /^([\d.]+)f to (Color\(.*\))$/.exec(value)
      if (!/^\d+$/.test(name) || !stop) return []
      const { hex, alpha: own } = colourOf(stop[2]!)
      return [`<stop offset="${stop[1]}" stop-color="${hex}" stop-opacity="${own}"/>`]
    })
    const point = (name: string) => Object.values(argumentsOf(inCall(map[name]!))).map((one) => number(one, 0))
    const linear = text.startsWith('Brush.linearGradient(')
    const place = linear
      ? `x1="${point('start')[0]}" y1="${point('start')[1]}" x2="${point('end')[0]}" y2="${point('end')[1]}"`
      : `cx="${point('center')[0]}" cy="${point('center')[1]}" r="${number(map['radius'], 0)}"`
    const tag = linear ? 'linearGradient' : 'radialGradient'
    definitions.push(`<${tag} id="${id}" gradientUnits="userSpaceOnUse" ${place}>${stops.join('')}</${tag}>`)
    return `${key}="url(#${id})" ${key}-opacity="${alpha}"`
  }
  for (const [, call, text] of source.matchAll(/^ {8}\.(\w+)\((.*)\)$/gm)) {
    const map = argumentsOf(text!)
    if (call === 'addPath')
      body.push(
        `<path d="${pathOf(map['pathData']!)}" ${paint('fill', map['fill'], number(map['fillAlpha'], 1))} ${paint('stroke', map['stroke'], number(map['strokeAlpha'], 1))} stroke-width="${number(map['strokeLineWidth'], 0)}" stroke-linecap="${(map['strokeLineCap'] ?? '.Butt').split('.')[1]!.toLowerCase()}" stroke-linejoin="${(map['strokeLineJoin'] ?? '.Miter').split('.')[1]!.toLowerCase()}" stroke-miterlimit="${number(map['strokeLineMiter'], 4)}"/>`,
      )
    else if (call === 'addGroup') {
      const clip = map['clipPathData'] && `c${ids++}`
      if (clip) definitions.push(`<clipPath id="${clip}"><path d="${pathOf(map['clipPathData']!)}"/></clipPath>`)
      body.push(
        `<g transform="translate(${number(map['translationX'], 0)} ${number(map['translationY'], 0)}) rotate(${number(map['rotate'], 0)}) scale(${number(map['scaleX'], 1)} ${number(map['scaleY'], 1)})"${clip ? ` clip-path="url(#${clip})"` : ''}>`,
      )
    } else if (call === 'clearGroup') body.push('</g>')
    else if (call !== 'build') throw new Error(`There is no ${call}.`)
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${side}" height="${side}" viewBox="0 0 ${side} ${side}"><defs>${definitions.join('')}</defs>${body.join('')}</svg>\n`
}
