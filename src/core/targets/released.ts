import CRC32 from 'crc-32'
import type { DeliveredIcon } from './compare'

/** The last release of a set, as deliveries after it see it: its number, and a mark of each icon by its id. */
export type Released = { readonly number: number; readonly icons: Readonly<Record<string, number>> }

/** A release by its number and its delivered icons. */
export const releasedAs = (number: number, icons: readonly DeliveredIcon[]): Released => ({
  number,
  icons: Object.fromEntries(icons.map(({ id, svg }) => [id, CRC32.str(svg)])),
})

/** What an icon is since a release: it was not there, or it looks otherwise by its document for light ground. */
export function sinceRelease(id: string, svg: string, { icons }: Released): 'new' | 'changed' | null {
  const mark = icons[id]
  return mark === undefined ? 'new' : mark === CRC32.str(svg) ? null : 'changed'
}
