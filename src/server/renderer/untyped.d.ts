declare module 'svg2ttf' {
  /** An SVG font as a TrueType font; `ts` is its date in seconds. */
  export default function svg2ttf(
    font: string,
    options: { readonly ts: number; readonly version: string; readonly description: string; readonly url: string },
  ): { readonly buffer: Uint8Array }
}

declare module 'wawoff2' {
  export function compress(font: Uint8Array): Promise<Uint8Array>
  export function decompress(font: Uint8Array): Promise<Uint8Array>
}
