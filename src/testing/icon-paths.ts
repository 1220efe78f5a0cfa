/** The paths of an icon file made of plain elements without transforms. */
export function pathsOf(svg: string): string[] {
  const elements = [...svg.matchAll(/<(path|line|circle|ellipse|rect|polyline|polygon)\b([^>]*)>/g)]
  return elements.map(([, name, text]) => {
    const own = (key: string) => new RegExp(`\\s${key}="([^"]*)"`).exec(text!)?.[1]
    const n = (key: string) => Number(own(key) ?? 0)
    switch (name) {
      case 'path':
        return own('d')!
      case 'line':
        return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`
      case 'polyline':
        return `M${own('points')}`
      case 'polygon':
        return `M${own('points')}z`
      case 'rect':
        return rect(
          n('x'),
          n('y'),
          n('width'),
          n('height'),
          Number(own('rx') ?? own('ry') ?? 0),
          Number(own('ry') ?? own('rx') ?? 0),
        )
      default: {
        const rx = n(name === 'circle' ? 'r' : 'rx'),
          ry = n(name === 'circle' ? 'r' : 'ry')
        return `M${n('cx') - rx} ${n('cy')}a${rx} ${ry} 0 0 1 ${2 * rx} 0a${rx} ${ry} 0 0 1 ${-2 * rx} 0z`
      }
    }
  })
}

function rect(x: number, y: number, w: number, h: number, rx: number, ry: number): string {
  const a = Math.min(rx, w / 2),
    b = Math.min(ry, h / 2)
  if (a === 0 || b === 0) return `M${x} ${y}h${w}v${h}h${-w}z`
  return `M${x + a} ${y}h${w - 2 * a}a${a} ${b} 0 0 1 ${a} ${b}v${h - 2 * b}a${a} ${b} 0 0 1 ${-a} ${b}h${2 * a - w}a${a} ${b} 0 0 1 ${-a} ${-b}v${2 * b - h}a${a} ${b} 0 0 1 ${a} ${-b}z`
}
