import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { readFileSync } from 'node:fs'
import { convertIndexedToRgb, decode } from 'fast-png'
import fc from 'fast-check'
import paper from 'paper'
import { describe, expect, it } from 'vitest'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { type Path, pathBounds, polyline } from '../geometry/path'
import { distance } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { masterFor, type IconSet } from '../set/set'
import { iconSvg } from '../picture/drawn'
import { rounded, shortNumber } from './number'
import { pathData } from './path-data'
import { readPathData } from './path-reader'
import { png } from './png'
import { readSetFile, writeSetFile } from './set-file'
import { pixelsOf } from '../../testing/rasterise'
import { runs } from '../../testing/runs'

const demo = (name: string): string =>
  readFileSync(new URL(`../../../demo/${name}.wisesquare.json`, import.meta.url), 'utf8')
const quayside = readSetFile(demo('quayside')).set!

describe('numbers', () => {
  it('are written in their shortest form and read back as rounded', () => {
    for (const [value, text] of [
      [0.5, '.5'],
      [-0.25, '-.25'],
      [12, '12'],
      [-0.0001, '0'],
      [100, '100'],
      [1.10004, '1.1'],
      [0, '0'],
    ] as const) {
      expect(shortNumber(value, 3)).toBe(text)
    }
    fc.assert(
      fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), (n) => {
        expect(Number(shortNumber(n, 3))).toBe(rounded(n, 3))
      }),
    )
  })
})

describe('path data', () => {
  const c = fc.double({ min: -30, max: 60, noNaN: true })
  const p = fc.record({ x: c, y: c })
  const step = fc.oneof(
    p.map((to) => ({ kind: 'line' as const, to })),
    fc.record({ kind: fc.constant('cubic' as const), c1: p, c2: p, to: p }),
    fc.record({
      kind: fc.constant('arc' as const),
      to: p,
      rx: fc.double({ min: 1, max: 20, noNaN: true }),
      ry: fc.double({ min: 1, max: 20, noNaN: true }),
      turn: fc.constant(0.3),
      large: fc.boolean(),
      sweep: fc.boolean(),
    }),
  )
  const contour = fc
    .tuple(p, fc.array(step, { minLength: 1, maxLength: 8 }))
    .map(([start, steps]) => {
      let from = start
      const segments = steps.map((s) => {
        const segment = { ...s, from } as Segment
        from = s.to
        return segment
      })
      return { segments, closed: false }
    })
    .filter(({ segments }) => segments.every((s) => Math.hypot(s.to.x - s.from.x, s.to.y - s.from.y) > 0.01))

  it('moves no arc by more than its last digit, near half a turn either', () => {
    const angle = fc.double({ min: 0, max: 6, noNaN: true })
    const extents = fc.oneof(
      fc.constant(Math.PI),
      fc.double({ min: 0.2, max: 5.2, noNaN: true }),
      fc.double({ min: -0.02, max: 0.02, noNaN: true }).map((d) => Math.PI + d),
    )
    fc.assert(
      fc.property(
        angle,
        extents,
        fc.double({ min: 0.3, max: 12, noNaN: true }),
        fc.boolean(),
        fc.constantFrom(2, 3),
        (start, extent, r, sweep, digits) => {
          const at = (t: number) => ({
            x: 12 + r * Math.cos(start + (sweep ? t : -t) * extent),
            y: 12 + r * Math.sin(start + (sweep ? t : -t) * extent),
          })
          const arc: Segment = {
            kind: 'arc',
            from: at(0),
            to: at(1),
            rx: r,
            ry: r,
            turn: 0,
            large: extent > Math.PI,
            sweep,
          }
          const read = readPathData(pathData([{ segments: [arc], closed: false }], digits))[0]!.segments[0]!
          for (const t of [0.25, 0.5, 0.75]) expect(distance(pointAt(read, t), at(t))).toBeLessThan(2 / 10 ** digits)
        },
      ),
      runs(400),
    )
  })

  it('read by another program moves no node by more than 0.0005', () => {
    const scope = new paper.PaperScope()
    scope.setup(new scope.Size(1, 1))
    fc.assert(
      fc.property(contour, (drawn) => {
        const read = new scope.Path(pathData([drawn]))
        const nodes = read.segments.map(({ point }) => point)
        for (const s of drawn.segments) {
          const nearest = Math.min(...nodes.map((q) => Math.max(Math.abs(q.x - s.to.x), Math.abs(q.y - s.to.y))))
          expect(nearest).toBeLessThan(0.00051)
          if (s.kind === 'arc') continue
          const q = read.getNearestPoint(new scope.Point(pointAt(s, 0.5).x, pointAt(s, 0.5).y))
          expect(Math.hypot(q.x - pointAt(s, 0.5).x, q.y - pointAt(s, 0.5).y)).toBeLessThan(0.002)
        }
      }),
    )
  })

  it('is as short as it can be', () => {
    const square: Path = [
      polyline(
        [
          { x: 3, y: 3 },
          { x: 21, y: 3 },
          { x: 21, y: 21 },
          { x: 3, y: 21 },
        ],
        true,
      ),
    ]
    expect(pathData(square)).toBe('M3 3H21V21H3z')
    expect(
      pathData([
        polyline(
          [
            { x: 0.5, y: 0.25 },
            { x: 0, y: -0.5 },
            { x: 1.5, y: 4 },
          ],
          false,
        ),
      ]),
    ).toBe('M.5.25 0-.5 1.5 4')
  })
})

describe('SVG', () => {
  it('of the demo has one viewBox, ink as currentColor and nothing an editor leaves behind', () => {
    for (const icon of quayside.icons) {
      const svg = iconSvg(icon, quayside.rules, 'current')
      expect(svg).toMatch(
        /^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" width="24" height="24" viewBox="0 0 24 24"( fill="(?:none|currentColor)"| stroke(-\w+)?="[\w.]+")*>.*<\/svg>\n$/,
      )
      expect(svg.replaceAll(/(fill|stroke)="(none|currentColor)"/g, '')).not.toMatch(/(fill|stroke)="/)
      expect(svg).not.toMatch(/ id=|data-|style=|class=|<g|<!--|NaN|e-\d/)
    }
  })

  it('keeps circles as circles', () => {
    const svg = iconSvg(
      quayside.icons.find(({ name }) => name === 'life-ring')!,
      quayside.rules,
      'current',
    )
    expect(svg).toContain('<circle cx="12" cy="12" r="10"/><circle cx="12" cy="12" r="4"/>')
  })
})

describe('set files', () => {
  it('of the demo read and write to the same text', () => {
    for (const name of ['quayside', 'skerry-app']) {
      const { set, pictures } = readSetFile(demo(name))
      expect(writeSetFile(set!, pictures)).toBe(demo(name))
    }
  })

  it('change one line when one node changes', () => {
    const changed = structuredClone(quayside) as IconSet
    const hull = masterFor(changed.icons[0]!).objects[0]!
    if (hull.kind !== 'path') throw new Error('The hull is a path.')
    hull.contours[0]!.nodes[1]!.x = 21.5
    const before = demo('quayside').split('\n'),
      after = writeSetFile(changed).split('\n')
    expect(after.filter((text, i) => text !== before[i])).toEqual(['                      {"x": 21.5, "y": 14},'])
  })

  const broken = (change: (text: string) => string): string => {
    const { set, error } = readSetFile(change(demo('quayside')))
    expect(set).toBeUndefined()
    return error!.message
  }

  it('that are cut off, foreign, of another version or out of bounds are refused in a sentence', () => {
    // Wherever the cut is, be it where a bracket closes.
    for (let end = 1; end < 5000; end += 7)
      expect(broken((text) => text.slice(0, end))).toBe('The file is cut off before its end.')
    expect(broken(() => '')).toBe('The file is empty.')
    expect(broken(() => '{"icons": []}')).toBe('This is not a Wise Square set file.')
    expect(broken((text) => text.replace('"version": 1', '"version": 7'))).toBe(
      'This set file is of version 7; this program reads version 1.',
    )
    expect(broken((text) => text.replace('"x": 2,', '"x": NaN,'))).toBe(
      'The file holds NaN or Infinity where a number is needed.',
    )
    expect(broken((text) => text.replace('"x": 2,', '"x": 1e999,'))).toMatch(
      /^At set\.icons\[0\]\.masters\[0\]\.objects\[0\]\.contours\[0\]\.nodes\[0\]: x must be a finite number/,
    )
    expect(broken((text) => text.replace('"name": "ferry"', '"name": "a/ferry"'))).toContain('A name cannot contain /')
    expect(broken((text) => text.replace('"name": "ferry"', '"name": "Buoy"'))).toBe('Two icons are named “buoy”.')
    expect(broken((text) => text.replace('"sizes": [16,', '"sizes": [0,'))).toContain(
      'A size must be at least 1 pixel.',
    )
    expect(broken((text) => text.replace('32, 48]', '32, 100000]'))).toContain('A size may be at most 2048 pixels.')
    expect(broken((text) => text.replace(/("name": "Hull"[^]*?"weight": )"main"/, '$1"bold"'))).toBe(
      'Icon “ferry”, object “Hull” uses the weight “bold”, which the rules do not have.',
    )
    expect(broken((text) => text.replace(/("icons": [^]*?"kind": )"path"/, '$1"blob"'))).toMatch(/^At set\.icons\[0\]/)
  })

  it('with millions of objects are refused without being read through', () => {
    const many = '{"kind":"g"}'
    const text = `{"format":"wise-square-set","version":1,"set":[${(many + ',').repeat(2_500_000)}${many}]}`
    expect(readSetFile(text).error!.code).toBe('too-large')
    expect(readSetFile('x'.repeat(64 * 2 ** 20 + 1)).error!.message).toBe(
      'The file is larger than 64 MB, the most a set file may have.',
    )
  })
})

describe('delivery', () => {
  it('outlines strokes where the rules say so: nothing is left to stroke, and every icon looks as before', () => {
    const outlined = { ...quayside.rules, strokes: 'outlined' as const }
    for (const icon of quayside.icons) {
      const [kept, filled] = [iconSvg(icon, quayside.rules, 'current'), iconSvg(icon, outlined, 'current')]
      // What is combined of strokes is an outline in any case.
      expect(kept.includes('stroke-width')).toBe(!['gull', 'knot', 'radio', 'grapnel'].includes(icon.name))
      expect(filled).not.toContain('stroke')
      const [a, b] = [kept, filled].map((svg) => pixelsOf(svg, 192))
      let apart = 0,
        ink = 0
      a!.forEach((value, i) => {
        if (i % 4 !== 3) return
        apart += Math.abs(value - b![i]!)
        ink += value
      })
      expect([icon.name, apart / ink < 0.01]).toEqual([icon.name, true])
    }
  })

  it('writes any pixels into PNG without loss, straight, by a palette where that is smaller', () => {
    const kinds = new Set<number>()
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom(1, 2, 3, 4, 16, 17, 256, 257, 4000),
        fc.nat(),
        (width, height, colours, seed) => {
          const list = Array.from({ length: colours }, (_, i) => {
            const n = Math.imul(i + 1, 2654435761) ^ seed
            const alpha = i % 3 === 0 ? 255 : (n >>> 24) & 255
            return [n & 255, (n >>> 8) & 255, (n >>> 16) & 255, alpha]
          })
          const data = Uint8ClampedArray.from(
            Array.from({ length: width * height }, (_, i) => list[(Math.imul(i, 7919) % colours) >>> 0]!).flat(),
          )
          const file = png({ width, height, data })
          expect(Buffer.from(png({ width, height, data })).equals(Buffer.from(file))).toBe(true)
          const read = decode(file)
          kinds.add(read.palette ? read.depth : 0)
          const channels = read.palette?.[0]!.length ?? read.channels
          const found = read.palette ? convertIndexedToRgb(read) : read.data
          for (let i = 0; i < width * height; i++) {
            const own = [...found.slice(i * channels, (i + 1) * channels)]
            expect([...own, ...(own.length === 3 ? [255] : [])]).toEqual([...data.slice(4 * i, 4 * i + 4)])
          }
        },
      ),
      runs(120),
    )
    expect([...kinds].sort()).toEqual([0, 1, 2, 4, 8])
  })
})

describe('the demo', () => {
  it('keeps every interface icon within the live area, strokes included', () => {
    for (const icon of quayside.icons) {
      for (const { path, stroke } of evaluateAll(masterFor(icon).objects, sceneOf(quayside.rules))) {
        const { x, y, w, h } = pathBounds(path)!
        const half = (stroke?.width ?? 0) / 2
        expect(Math.min(x, y) - half, icon.name).toBeGreaterThanOrEqual(1 - 1e-9)
        expect(Math.max(x + w, y + h) + half, icon.name).toBeLessThanOrEqual(23 + 1e-9)
      }
    }
  })
})
