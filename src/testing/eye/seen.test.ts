import { describe, expect, it } from 'vitest'
import { inkOf } from './ink'
import { seenIn } from './seen'

const svg = (body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 16 16" width="16" height="16">${body}</svg>`
const box = (x: number, y: number, w: number, h: number) => `<rect x="${x}" y="${y}" width="${w}" height="${h}"/>`
const what = (before: string, after: string) =>
  seenIn(inkOf(svg(before), 16), inkOf(svg(after), 16)).seen.map(({ what }) => what)

describe('the eye of the benches', () => {
  const pair = box(2, 3, 3, 10) + box(11, 3, 3, 10)

  it('sees nothing where nothing changed, and what was moved by whole pixels', () => {
    expect(what(pair, pair)).toEqual([])
    expect(what(pair, box(1, 3, 3, 10) + box(12, 3, 3, 10))).toEqual([])
  })

  it('sees pieces that came, counters that filled, mirror images that lean, equal things that differ, grey edges, ovals', () => {
    expect(what(pair, box(2, 3, 3, 10))).toContain('parts')
    expect(what(pair, box(2, 3, 3, 10) + box(12, 3, 3, 8))).toContain('lopsided')
    expect(what(pair, box(2, 3, 2, 10) + box(11, 3, 3, 10))).toEqual(['lopsided', 'unequal', 'uneven'])
    expect(what(pair, box(2.5, 3.5, 3, 10) + box(11.5, 3.5, 3, 10))).toEqual(['soft'])
    expect(what('<circle cx="8" cy="8" r="1.5"/>', '<ellipse cx="8" cy="8" rx="2" ry="1"/>')).toEqual(['oval'])
    const dots = (...xs: number[]) => xs.map((x) => box(x, 7, 2, 2)).join('')
    expect(what(dots(1, 5, 9, 13), dots(1, 4, 9, 13))).toContain('spacing')
  })
})
