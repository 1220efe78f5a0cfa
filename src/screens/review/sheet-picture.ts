import { realSize } from '@/core/rules/real-size'
import type { IconSet } from '@/core/set/set'
import { sourceOf } from '@/workers/draw'
import { pictureOf } from '@/workers/pictures'

/** How the sheet looks as a picture. */
export type SheetLook = {
  readonly sizes: readonly number[]
  readonly color: string
  readonly text: string
  readonly palette: 'light' | 'dark'
}

const GAP = 16,
  NAME = 22,
  WIDTH = 1600,
  TITLE = 56

/** All icons of a set, in their order, at chosen sizes in real pixels with their names, as a PNG. */
export async function sheetPicture(
  set: IconSet,
  { sizes, color, text, palette }: SheetLook,
  tell: (done: number) => void,
  signal: AbortSignal,
): Promise<Blob> {
  const shown = sizes.length > 0 ? sizes : [realSize(set.rules)]
  const cell = {
    w: Math.max(
      112,
      shown.reduce((sum, size) => sum + size + GAP, GAP),
    ),
    h: Math.max(...shown) + GAP * 2 + NAME,
  }
  const columns = Math.max(1, Math.floor((WIDTH - 2 * GAP) / cell.w))
  const canvas = document.createElement('canvas')
  canvas.width = columns * cell.w + 2 * GAP
  canvas.height = Math.ceil(set.icons.length / columns) * cell.h + TITLE + GAP
  const context = canvas.getContext('2d')!
  context.fillStyle = color
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.fillStyle = text
  context.font = '600 18px "Archivo Variable", sans-serif'
  context.fillText(set.name, GAP, 34)
  context.font = '12px "Archivo Variable", sans-serif'
  context.textAlign = 'center'
  for (const [i, icon] of set.icons.entries()) {
    signal.throwIfAborted()
    if (i % 8 === 0) tell(i)
    const x = GAP + (i % columns) * cell.w,
      y = TITLE + Math.floor(i / columns) * cell.h
    let left = Math.round(x + (cell.w - shown.reduce((sum, size) => sum + size + GAP, -GAP)) / 2)
    for (const size of shown) {
      const { image } = await pictureOf(sourceOf(icon, set.rules, palette, size), size)
      if (image) context.drawImage(await createImageBitmap(image), left, Math.round(y + (cell.h - NAME - size) / 2))
      left += size + GAP
    }
    context.fillText(icon.name, x + cell.w / 2, y + cell.h - NAME / 2, cell.w - 8)
  }
  tell(set.icons.length)
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The sheet is too large for a picture.'))),
      'image/png',
    ),
  )
}
