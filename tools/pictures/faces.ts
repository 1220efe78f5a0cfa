// Writes src/core/text/archivo.json, the outlines that texts are set in, from the font files: npm run faces
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import opentype from 'opentype.js'
import { faceOfFont } from '../../src/core/text/face-of-font'

const require = createRequire(import.meta.url)
const faces = Object.fromEntries(
  [400, 600, 700].map((weight) => {
    const bytes = readFileSync(require.resolve(`@fontsource/archivo/files/archivo-latin-${weight}-normal.woff`))
    return [
      weight,
      faceOfFont(
        opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)),
        `Archivo ${weight}`,
      ),
    ]
  }),
)
writeFileSync('src/core/text/archivo.json', `${JSON.stringify(faces)}\n`)
