/** Draws an SVG document as vectors: its top left corner and its side, in points. */
type PlaceDrawing = (svg: string, x: number, y: number, side: number) => void

/** The dates that a PDF bears: always the same, so that the same picture is the same file. */
const MADE = { CreationDate: new Date(0), ModDate: new Date(0) }

/** A PDF of vectors, drawn by who asks for it. What makes it is loaded when the first is. The same gives the same bytes. */
export async function pdfOf(
  options: PDFKit.PDFDocumentOptions,
  draw: (doc: PDFKit.PDFDocument, place: PlaceDrawing) => void,
): Promise<Uint8Array> {
  const [{ default: PDFDocument }, { default: SVGtoPDF }] = await Promise.all([
    import('pdfkit'),
    import('svg-to-pdfkit'),
  ])
  const doc = new PDFDocument({ ...options, margin: 0, info: { ...options.info, ...MADE } })
  const chunks: Buffer[] = []
  const ended = new Promise<Uint8Array>((resolve) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk))
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))))
  })
  draw(doc, (svg, x, y, side) => SVGtoPDF(doc, svg, x, y, { width: side, height: side, assumePt: true }))
  doc.end()
  return ended
}
