import { describe, expect, it } from 'vitest'
import { startProof } from './prove'

const document = (body: string) =>
  new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24">${body}</svg>`)

describe('the proof of a delivered SVG file', () => {
  it('accepts what the reader draws as another rasteriser does, open areas of one curve included', async () => {
    const proof = await startProof()
    for (const d of ['M5 12a7 7 0 0 0 14 0', 'M5 12c1 9 9 9 14 0', 'M5 12H19', 'M4 4h9M4 9c1 9 9 9 14 0', 'M2 2h9v9z'])
      expect([d, proof('x.svg', document(`<path d="${d}"/>`))]).toEqual([d, null])
  })

  it('names the file that does not look the same, and leaves out what is no picture of an icon', async () => {
    const proof = await startProof()
    const dimmed =
      '<filter id="a"><feComponentTransfer><feFuncA type="linear" slope=".2"/></feComponentTransfer></filter><path filter="url(#a)" d="M2 2h20v20h-20z"/>'
    expect(proof('icons/oar.svg', document(dimmed))).toMatch(/^icons\/oar\.svg differs by \d+\.\d of 255/)
    expect(proof('sprite.svg', document('<symbol id="oar"><path d="M2 2h9v9z"/></symbol>'))).toBeNull()
    expect(
      proof(
        'template.svg',
        new TextEncoder().encode(
          '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 4"><path d="M0 0h9v1z"/></svg>',
        ),
      ),
    ).toBeNull()
  })
})
