import { createRequire } from 'node:module'
import type { Rules } from '../../core/rules/rules'
import { type StoredPictures, storedFor } from '../../core/picture/drawn'
import { pictureIn } from '../../core/picture/stored'
import { pdfOf } from './pdf'
import { drawPicture } from './pdf-picture'

/** A sheet: its colours, the rules as JSON, and its icons as pictures with the sizes that each is shown at, in pixels. */
export type SheetPages = {
  readonly title: string
  readonly note: string
  readonly colours: 'light' | 'dark'
  readonly ground: string
  readonly text: string
  readonly rules: string
  readonly icons: readonly {
    readonly name: string
    readonly drawn: StoredPictures | null
    readonly sizes: readonly number[]
  }[]
}

/** A4, in points; one CSS pixel is three quarters of one. */
const PAGE = { w: 595.28, h: 841.89 },
  MARGIN = 36,
  PIXEL = 0.75
const GAP = 10,
  NAME = 7

/** The sheet as a PDF of vectors, as many pages as it takes. The same sheet always gives the same bytes. */
export function sheetPdf({ title, note, colours, ground, text, rules: json, icons }: SheetPages): Promise<Uint8Array> {
  const rules = JSON.parse(json) as Rules
  const require = createRequire(import.meta.url)
  const font = (weight: number) => require.resolve(`@fontsource/archivo/files/archivo-latin-${weight}-normal.woff`)
  const widths = icons.map(({ sizes }) => sizes.reduce((sum, size) => sum + size * PIXEL, GAP * (sizes.length + 1)))
  const cell = {
    w: Math.max(64, ...widths),
    h: Math.max(16, ...icons.flatMap(({ sizes }) => sizes.map((size) => size * PIXEL))) + 3 * GAP + NAME,
  }
  const columns = Math.max(1, Math.floor((PAGE.w - 2 * MARGIN) / cell.w))
  const rows = Math.max(1, Math.floor((PAGE.h - 2 * MARGIN - 34) / cell.h))
  const perPage = columns * rows
  return pdfOf({ size: 'A4', autoFirstPage: false, info: { Title: title } }, (doc) => {
    for (let page = 0; page * perPage < Math.max(1, icons.length); page++) {
      doc.addPage()
      doc.rect(0, 0, PAGE.w, PAGE.h).fill(ground)
      doc.font(font(600)).fontSize(13).fillColor(text).text(title, MARGIN, MARGIN, { lineBreak: false })
      doc
        .font(font(400))
        .fontSize(8)
        .text(note, MARGIN, MARGIN + 17, { lineBreak: false })
      icons.slice(page * perPage, (page + 1) * perPage).forEach(({ name, drawn, sizes }, i) => {
        const x = MARGIN + (i % columns) * cell.w,
          y = MARGIN + 34 + Math.floor(i / columns) * cell.h
        let left = x + (cell.w - sizes.reduce((sum, size) => sum + size * PIXEL + GAP, -GAP)) / 2
        for (const size of sizes) {
          const side = size * PIXEL
          const picture = { ...pictureIn(storedFor(drawn!, rules, size)), ground: colours }
          drawPicture(doc, picture, left, y + (cell.h - NAME - GAP - side) / 2, side)
          left += side + GAP
        }
        doc.font(font(400)).fontSize(NAME).fillColor(text)
        doc.text(name, x, y + cell.h - NAME - GAP, { width: cell.w, align: 'center', lineBreak: false })
      })
    }
  })
}
