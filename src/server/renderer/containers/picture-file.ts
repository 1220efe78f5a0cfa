/** Writes a file that holds several pictures of one icon, each a PNG of 32 bits with its pixels along a side. */
export type PictureFile = (
  pictures: readonly { readonly pixels: number; readonly png: Uint8Array }[],
) => Promise<Uint8Array>
