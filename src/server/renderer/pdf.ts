/** The dates that a PDF bears: always the same, so that the same picture is the same file. */
const MADE = { CreationDate: new Date(0), ModDate: new Date(0) }

/** A PDF that is drawn by a function. pdfkit is loaded when the first is made. Equal drawings give equal bytes. */
export async function pdfOf(
  options: PDFKit.PDFDocumentOptions,
  draw: (doc: PDFKit.PDFDocument) => void,
): Promise<Uint8Array> {
  const { default: PDFDocument } = await import('pdfkit')
  const doc = new PDFDocument({ ...options, margin: 0, info: { ...options.info, ...MADE } })
  const chunks: Buffer[] = []
  const ended = new Promise<Uint8Array>((resolve) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk))
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))))
  })
  draw(doc)
  doc.end()
  return ended
}
