import { describe, expect, it } from 'vitest'
import { answerLine, pathCommand } from './path'

const ask = (request: object) => JSON.parse(answerLine(JSON.stringify(request))) as { path?: string; area?: number; error?: { code: string; message: string; at?: number } }
const disc = (x: number, r: number) => `M${x - r} 0a${r} ${r} 0 0 1 ${2 * r} 0a${r} ${r} 0 0 1 ${-2 * r} 0z`
const areaOf = (path: string) => ask({ id: 0, op: 'measure', paths: [path] }).area!

describe('the path tool', () => {
  it('combines, and keeps circles as arcs', () => {
    const union = ask({ id: 1, op: 'union', paths: [disc(0, 4), disc(5, 4)] })
    expect(union.path).toMatch(/^M[^a-zA-Z]+a4 4 0 1 1[^a-zA-Z]+ 4 4 0 1 1[^a-zA-Z]+z$/)
    const [joined, lens] = [areaOf(union.path!), areaOf(ask({ id: 2, op: 'intersect', paths: [disc(0, 4), disc(5, 4)] }).path!)]
    expect(joined + lens).toBeCloseTo(32 * Math.PI, 6)
    expect(areaOf(ask({ id: 3, op: 'subtract', paths: [disc(0, 4), disc(0, 3), disc(9, 2)] }).path!)).toBeCloseTo(7 * Math.PI, 6)
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
    const out: string[] = [], timed: string[] = []
    await pathCommand(lines(), (line) => out.push(line), (line) => timed.push(line))
    const answers = out.map((line) => JSON.parse(line) as { id: unknown; error?: { code: string; at?: number } })
    expect(answers.map(({ id }) => id)).toEqual(['a', 'b', null, 'c', 'd'])
    expect(answers.map(({ error }) => error?.code)).toEqual([undefined, 'bad-path', 'bad-json', 'bad-request', undefined])
    expect(answers[1]!.error!.at).toBe(7)
    expect(answers[0]).toEqual({ id: 'a', area: 9, length: 12, bounds: [0, 0, 3, 3], centroid: [expect.closeTo(1.5, 9), expect.closeTo(1.5, 9)], segments: 4 })
    expect(JSON.parse(timed[0]!)).toMatchObject({ count: 5 })
  })
})
