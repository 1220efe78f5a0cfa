/** A vector drawable as SVG, attribute by attribute. */
export function svgOfVector(xml: string): string {
  const names: Record<string, string> = {
    pathData: 'd',
    fillColor: 'fill',
    fillAlpha: 'fill-opacity',
    strokeColor: 'stroke',
    strokeAlpha: 'stroke-opacity',
    strokeWidth: 'stroke-width',
    strokeLineCap: 'stroke-linecap',
    strokeLineJoin: 'stroke-linejoin',
    strokeMiterLimit: 'stroke-miterlimit',
  }
  let ids = 0
  const definitions: string[] = []
  const size = /viewportWidth="([^"]+)"/.exec(xml)![1]!
  const attribute = (text: string, name: string) => new RegExp(`android:${name}="([^"]*)"`).exec(text)?.[1]
  const gradientsOut = xml.replace(
    /<path([^>]*)>\s*<aapt:attr name="android:(fill|stroke)Color">\s*<gradient([^>]*)>([\s\S]*?)<\/gradient>\s*<\/aapt:attr>\s*<\/path>/g,
    (_, own: string, key: string, gradient: string, items: string) => {
      const id = `g${ids++}`
      const stops = [...items.matchAll(/<item([^/]*)\/>/g)].map(([, item]) => {
        const colour = attribute(item!, 'color')!
        const alpha = colour.length === 9 ? Number.parseInt(colour.slice(1, 3), 16) / 255 : 1
        return `<stop offset="${attribute(item!, 'offset')}" stop-color="#${colour.slice(-6)}" stop-opacity="${alpha}"/>`
      })
      const place =
        attribute(gradient, 'type') === 'linear'
          ? `linearGradient x1="${attribute(gradient, 'startX')}" y1="${attribute(gradient, 'startY')}" x2="${attribute(gradient, 'endX')}" y2="${attribute(gradient, 'endY')}"`
          : `radialGradient cx="${attribute(gradient, 'centerX')}" cy="${attribute(gradient, 'centerY')}" r="${attribute(gradient, 'gradientRadius')}"`
      definitions.push(`<${place} id="${id}" gradientUnits="userSpaceOnUse">${stops.join('')}</${place.split(' ')[0]}>`)
      return `<path${own} android:${key}Color="url(#${id})"/>`
    },
  )
  const body = gradientsOut
    .replace(/^[\s\S]*?<vector[^>]*>|<\/vector>\s*$/g, '')
    .replace(/<group([^>]*)>(\s*<clip-path[^>]*\/>)?/g, (_, own: string, clip: string | undefined) => {
      const value = (name: string, usual: number) => Number(attribute(own, name) ?? usual)
      const map = `translate(${value('translateX', 0)} ${value('translateY', 0)}) rotate(${value('rotation', 0)}) scale(${value('scaleX', 1)} ${value('scaleY', 1)})`
      if (!clip) return `<g transform="${map}">`
      const id = `c${ids++}`
      definitions.push(`<clipPath id="${id}"><path d="${attribute(clip, 'pathData')}"/></clipPath>`)
      return `<g transform="${map}" clip-path="url(#${id})">`
    })
    .replaceAll('</group>', '</g>')
    .replace(/<path([^>]*?)\/?>/g, (_, own: string) => {
      const map = Object.entries(names).flatMap(([name, key]) => {
        const value = attribute(own, name)
        return value === undefined ? [] : [`${key}="${value}"`]
      })
      return `<path ${own.includes('fillColor') ? '' : 'fill="none" '}${map.join(' ')}/>`
    })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 ${size} ${size}"><defs>${definitions.join('')}</defs>${body}</svg>\n`
}
