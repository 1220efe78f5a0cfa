import { FONT_BYTES, unpackedFont } from '@/server/fonts'
import { answer, boundedBytes, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'

/** Unpacks a WOFF2 font: answers the same font as TrueType or OpenType. */
export const POST = (request: Request): Promise<Response> =>
  answer(async () => {
    const bytes = await boundedBytes(request, FONT_BYTES)
    const font = bytes.ok ? await unpackedFont(renderer(), bytes.value) : bytes
    return font.ok
      ? new Response(font.value as BodyInit, { headers: { 'content-type': 'font/sfnt', 'cache-control': 'no-store' } })
      : reply(font)
  })
