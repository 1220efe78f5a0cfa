import { type DeliveredFile, zip as zipped } from '../../core/formats/delivery'
import { type Drawn, drawnIcon } from '../../core/formats/drawn'
import { png } from '../../core/formats/png'
import { type FileError, type Pictures, readSetFile, writeSetFile } from '../../core/formats/set-file'
import type { Result } from '../failure'
import { checkedSave, type CheckedWrites, type StoredForCheck } from './checked-save'
import { type ReadPicture, readPictureFile } from './picture-file'
import { startRasteriser } from './raster'
import { type SetRows, setOfRows, rowsOfSet } from '../set-rows'

/** What threads can be asked to do: each takes and gives plain data that can be sent between threads. Nothing of it runs where requests are answered. */
export const TASKS = {
  /** An icon as documents; its masters and the rules as JSON. */
  draw({ masters, rules }: { masters: string; rules: string }): Drawn {
    return drawnIcon({ id: 'icon', name: 'icon', masters: JSON.parse(masters) }, JSON.parse(rules))
  },

  /** A document as PNG files of so many pixels each. */
  async rasters({ svg, sizes }: { svg: string; sizes: readonly number[] }): Promise<Uint8Array[]> {
    const rasterise = await startRasteriser()
    return sizes.map((pixels) => png(rasterise(svg, { side: 'width', pixels })))
  },

  zip: (files: readonly DeliveredFile[]): Uint8Array => zipped(files),

  /** A set file as the rows it is stored in, and the pictures it brings. */
  readFile(bytes: Uint8Array): { rows: SetRows; pictures: Pictures } | { error: FileError } {
    const { set, pictures, error } = readSetFile(new TextDecoder('utf-8', { ignoreBOM: false }).decode(bytes))
    return error ? { error } : { rows: rowsOfSet(set), pictures }
  },

  writeFile: ({ rows, pictures }: { rows: SetRows; pictures: Pictures }): string => writeSetFile(setOfRows(rows), pictures),

  checkSave: (asked: { request: Uint8Array; stored: StoredForCheck }): Result<CheckedWrites> => checkedSave(asked.request, asked.stored),

  /** A picture file as it is kept: drawings become pixels. */
  readPicture: (bytes: Uint8Array): Promise<Result<ReadPicture>> => readPictureFile(bytes),
}

export type Tasks = typeof TASKS
