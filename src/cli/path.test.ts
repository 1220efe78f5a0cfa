import { describe, expect, it } from 'vitest'
import { answerLine, pathCommand } from './path'

const ask = (request: object) =>
  JSON.parse(answerLine(JSON.stringify(request))) as {
    path?: string
    paths?: string[]
    leaks?: { at: number[]; gap: number }[]
    area?: number
    segments?: number
    error?: { code: string; message: string; at?: number }
  }
const disc = (x: number, r: number) => `M${x - r} 0a${r} ${r} 0 0 1 ${2 * r} 0a${r} ${r} 0 0 1 ${-2 * r} 0z`
const areaOf = (path: string) => ask({ id: 0, op: 'measure', paths: [path] }).area!

describe('the path tool', () => {
  it('combines, and keeps circles as arcs', () => {
    const union = ask({ id: 1, op: 'union', paths: [disc(0, 4), disc(5, 4)] })
    expect(union.path).toMatch(/^M[^a-zA-Z]+a4 4 0 1 1[^a-zA-Z]+ 4 4 0 1 1[^a-zA-Z]+z$/)
    const [joined, lens] = [
      areaOf(union.path!),
      areaOf(ask({ id: 2, op: 'intersect', paths: [disc(0, 4), disc(5, 4)] }).path!),
    ]
    expect(joined + lens).toBeCloseTo(32 * Math.PI, 6)
    expect(areaOf(ask({ id: 3, op: 'subtract', paths: [disc(0, 4), disc(0, 3), disc(9, 2)] }).path!)).toBeCloseTo(
      7 * Math.PI,
      6,
    )
  })

  it('follows the fill rule', () => {
    const twice = `${disc(0, 4)}${disc(0, 2)}`
    expect(areaOf(ask({ id: 1, op: 'union', paths: [twice] }).path!)).toBeCloseTo(16 * Math.PI, 6)
    expect(areaOf(ask({ id: 1, op: 'union', paths: [twice], fillRule: 'evenodd' }).path!)).toBeCloseTo(12 * Math.PI, 6)
  })

  it('answers each line in order; a bad one gets an error and the rest go on', async () => {
    async function* lines() {
      yield '{"id":"a","op":"measure","paths":["M0 0h3v3H0z"]}'
      yield ''
      yield '{"id":"b","op":"union","paths":["M0 0h3v"]}'
      yield 'nonsense'
      yield '{"id":"c","op":"fold","paths":["M0 0"]}'
      yield '{"id":"d","op":"union","paths":["M0 0h3v3z"]}'
    }
    const out: string[] = [],
      timed: string[] = []
    await pathCommand(
      lines(),
      (line) => out.push(line),
      (line) => timed.push(line),
    )
    const answers = out.map((line) => JSON.parse(line) as { id: unknown; error?: { code: string; at?: number } })
    expect(answers.map(({ id }) => id)).toEqual(['a', 'b', null, 'c', 'd'])
    expect(answers.map(({ error }) => error?.code)).toEqual([
      undefined,
      'bad-path',
      'bad-json',
      'bad-request',
      undefined,
    ])
    expect(answers[1]!.error!.at).toBe(7)
    expect(answers[0]).toEqual({
      id: 'a',
      area: 9,
      length: 12,
      bounds: [0, 0, 3, 3],
      centroid: [expect.closeTo(1.5, 9), expect.closeTo(1.5, 9)],
      segments: 4,
    })
    expect(JSON.parse(timed[0]!)).toMatchObject({ count: 5 })
  })

  it('divides, finds patches and leaks, and gives pieces that add up', () => {
    const { paths } = ask({ id: 1, op: 'divide', paths: [disc(0, 4), 'M-9 0h18', 'M0 -9v18'] })
    expect(paths!.map(areaOf)).toEqual([4, 4, 4, 4].map((n) => expect.closeTo(n * Math.PI, 6)))
    const patches = ask({ id: 2, op: 'patches', paths: ['M0 0h10v10h-10', 'M0 0.1v11'] })
    expect([patches.paths!.length, patches.leaks]).toEqual([
      0,
      [{ at: [0, expect.closeTo(0.05, 9)], gap: expect.closeTo(0.1, 9) }],
    ])
  })

  it('offsets, strokes, rounds and simplifies', () => {
    expect(
      areaOf(
        ask({ id: 1, op: 'offset', paths: ['M0 0h10v10h-10z'], distance: -1, join: 'miter', miterLimit: 4 }).path!,
      ),
    ).toBeCloseTo(64, 6)
    expect(
      areaOf(ask({ id: 2, op: 'stroke', paths: ['M0 0h10', 'M0 5h10'], width: 2, cap: 'square' }).path!),
    ).toBeCloseTo(48, 6)
    expect(
      areaOf(ask({ id: 3, op: 'round', paths: ['M0 0h10v10h-10z'], radius: 2, style: 'bevel' }).path!),
    ).toBeCloseTo(92, 6)
    expect(ask({ id: 4, op: 'simplify', paths: ['M0 0L1 0L2 0L3 0L3 3z'], tolerance: 0.01 }).path).toBe('M0 0H3V3z')
    expect(ask({ id: 5, op: 'stroke', paths: ['M0 0h1'], width: -1 }).error!.message).toBe(
      'At width: The width must be at least 0.',
    )
  })

  it('gives a clear answer to degenerate input, and gives up in time', () => {
    expect(ask({ id: 1, op: 'union', paths: ['M0 0L0 0z', 'M5 5'] }).path).toBe('')
    expect(ask({ id: 2, op: 'union', paths: ['M0 0a0 0 0 0 1 4 0v4z'] }).path).toBe('M0 0H4V4z')
    expect(ask({ id: 3, op: 'union', paths: ['M0 0h4v4z', 'M0 0h4v4z', 'M0 0h4v4z'] }).path).toBe('M0 0H4V4z')
    expect(ask({ id: 4, op: 'union', paths: ['M0 0hNaN'] }).error!.code).toBe('bad-path')
    expect(
      areaOf(ask({ id: 5, op: 'union', paths: ['M-1e9 -1e9h2e9v2e9h-2e9z', 'M0 0h1e9v1e9h-1e9z'] }).path!),
    ).toBeCloseTo(4e18, -12)
    const star = `M${Array.from({ length: 2001 }, (_, i) => `${Math.round(1000 * Math.cos(i * 2.5))} ${Math.round(1000 * Math.sin(i * 2.5))}`).join('L')}z`
    expect(ask({ id: 6, op: 'union', paths: [star], limit: 50 }).error!.code).toBe('out-of-time')
  })
})
