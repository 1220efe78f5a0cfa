import { pdfOf } from '../pdf'

/** A document as a page of vectors, a unit of it to a point. */
export function pdf(svg: string): Promise<Uint8Array> {
  const [, side = '24'] = /viewBox="0 0 (\S+) /.exec(svg) ?? []
  const size = Number(side)
  return pdfOf({ size: [size, size], info: { Producer: 'Wise Square', Creator: 'Wise Square' } }, (_, place) =>
    place(svg, 0, 0, size),
  )
}
