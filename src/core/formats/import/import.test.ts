import { Refusal } from '../../findings/refusal'
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { HARD } from '../../../testing/hard-svg'
import { hostileSvg } from '../../../testing/hostile-svg'
import { mixedSvg } from '../../../testing/mixed-svg'
import { pixelsOf } from '../../../testing/rasterise'
import { runs } from '../../../testing/runs'
import { random } from '../../../testing/shapes'
import type { DrawingObject } from '../../drawing/objects/object'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../../drawing/scene/ink'
import { STARTERS } from '../../rules/starters'
import { IconSet } from '../../set/set'
import { vectorDrawable } from '../../targets/android/vector'
import { pathData } from '../path-data'
import { rasterised } from '../../../testing/rasterised'
import { readSetFile } from '../set-file'
import { walk } from '../../drawing/objects/tree'
import { svgOfShapes } from '../../picture/svg'
import { gatheredSet, sought } from './gather'
import { iconsInto } from './into'
import { keepStrokeBack, strokeBack, strokeTolerance } from './strokes-back'
import { namedBy } from './names'
import { isFailed, readIcon, type ReadIcon } from './read-icon'
import { readSvg } from './svg/read-svg'

const { rules } = STARTERS[0]!
const SIDE = 96

const documentOf = (objects: readonly DrawingObject[], side: number): string =>
  svgOfShapes(evaluateAll(objects, sceneOf(rules)), side, 'light')

/** By how much of all there is two pictures differ: the mean over all pixels and channels. */
function difference(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i]! - b[i]!)
  return sum / a.length / 255
}

const theirs = (svg: string, pixels = SIDE) =>
  pixelsOf(svg.replace(/\s(?:width|height)="24(?:px)?"/g, '').replaceAll('currentColor', '#14231f'), pixels)

const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
const files = readdirSync(folder).filter((name) => name.endsWith('.svg'))
const textOf = (name: string) => readFileSync(join(folder, name), 'utf8')

describe('an SVG file', () => {
  it.each(HARD.map((one) => [one.what, one] as const))(
    'that is hard to read gives the picture of its plain twin: %s',
    (_, one) => {
      const read = readSvg(one.hard)
      const own = pixelsOf(documentOf(read.objects, read.side), SIDE)
      expect(difference(own, theirs(one.plain))).toBeLessThan(0.005)
      const told = read.unread.map(({ what, why }) => `${what}: ${why}`).join('; ')
      if (one.says === undefined) expect(told.replace(/animate.*/, '')).toBe('')
      else expect(told).toContain(one.says)
      expect(gatheredSet([readIcon({ path: 'x.svg', text: one.hard }) as ReadIcon], { name: 'X' })!.failed).toEqual([])
    },
  )

  it('of others looks as before, and what is delivered of it and read again is the same', () => {
    const next = random(3)
    const some = Array.from({ length: runs(120).numRuns }, () => files[Math.floor(next() * files.length)]!)
    for (const name of some) {
      const { objects, side } = readSvg(textOf(name))
      const written = documentOf(objects, side)
      expect(difference(pixelsOf(written, 4 * SIDE), theirs(textOf(name), 4 * SIDE)), name).toBeLessThan(0.002)
      const again = readSvg(written)
      expect(
        difference(rasterised(documentOf(again.objects, side), SIDE).data, rasterised(written, SIDE).data),
        name,
      ).toBeLessThan(0.0005)
    }
  })

  it('is live where it can be: circles, rounded rectangles, polygons, stars, cuts', () => {
    const kinds = (body: string) => readSvg(`<svg viewBox="0 0 24 24">${body}</svg>`).objects
    expect(kinds('<path d="M12 4c4.418 0 8 3.582 8 8s-3.582 8-8 8-8-3.582-8-8 3.582-8 8-8z"/>')).toMatchObject([
      { kind: 'ellipse', x: 4, y: 4, w: 16, h: 16 },
    ])
    expect(kinds('<path d="M8 4h8a4 4 0 0 1 4 4v8a4 4 0 0 1-4 4H8a4 4 0 0 1-4-4V8a4 4 0 0 1 4-4z"/>')).toMatchObject([
      { kind: 'rectangle', x: 4, y: 4, w: 16, h: 16, corner: 4 },
    ])
    expect(kinds('<path d="M4 4h12a4 4 0 0 1 4 4v12H4z"/>')).toMatchObject([
      { kind: 'rectangle', corners: [0, 4, 0, 0] },
    ])
    expect(kinds('<path d="M4 12a4 4 0 0 1 4-4h8a4 4 0 0 1 0 8H8a4 4 0 0 1-4-4z"/>')).toMatchObject([
      { kind: 'rectangle', y: 8, h: 8, corner: 4 },
    ])
    expect(kinds('<path d="M12 4L20 12 12 20 4 12z"/>')).toMatchObject([{ kind: 'rectangle', turn: 45 }])
    const around = (n: number, r: (i: number) => number) =>
      Array.from({ length: n }, (_, i) => {
        const a = (2 * Math.PI * i) / n
        return `${12 + r(i) * Math.sin(a)},${12 - r(i) * Math.cos(a)}`
      }).join(' ')
    expect(kinds(`<polygon points="${around(6, () => 9)}"/>`)).toMatchObject([{ kind: 'polygon', sides: 6 }])
    expect(kinds(`<polygon points="${around(10, (i) => (i % 2 ? 4 : 9))}"/>`)).toMatchObject([
      { kind: 'polygon', sides: 5, depth: expect.any(Number) },
    ])
    expect(kinds('<path fill-rule="evenodd" d="M4 4h16v16H4zM12 8a4 4 0 1 0 0 8 4 4 0 0 0 0-8z"/>')).toMatchObject([
      {
        kind: 'assembly',
        members: [
          { kind: 'rectangle', role: 'adds' },
          { kind: 'ellipse', role: 'cuts' },
        ],
      },
    ])
    expect(readSvg('<svg viewBox="0 0 24 24"><path d="M4 4h16v16H4z"/></svg>', 'drawn').objects).toMatchObject([
      { kind: 'path' },
    ])
  })

  it('that is broken is refused with a sentence, quickly, whatever it holds', () => {
    const nested = `${'<g>'.repeat(20_000)}${'</g>'.repeat(20_000)}`
    const bomb = `<!DOCTYPE svg [<!ENTITY a "${'x'.repeat(100)}"><!ENTITY b "${'&a;'.repeat(100)}">]><svg viewBox="0 0 24 24"><path d="M4 4h9v9z" id="&b;"/></svg>`
    const uses = `<svg viewBox="0 0 24 24"><defs><path id="u0" d="M0 0h1v1z"/>${Array.from({ length: 14 }, (_, i) => `<g id="u${i + 1}">${`<use href="#u${i}"/>`.repeat(10)}</g>`).join('')}</defs><use href="#u14"/></svg>`
    for (const text of [
      '',
      '   ',
      'hello',
      '\0\0',
      '<svg',
      '<svg viewBox="0 0 24 24"><path d="M4 4"',
      '<html/>',
      `<svg>${nested}</svg>`,
      uses,
    ])
      expect(() => readSvg(text), text.slice(0, 40)).toThrow(Refusal)
    expect(readSvg(bomb).objects).toHaveLength(1)
    const odd = (d: string) => readIcon({ path: 'a.svg', text: `<svg viewBox="0 0 24 24"><path d="${d}"/></svg>` })
    for (const d of ['M0 0L1e308 1e308z', 'M NaN 0', 'M0 0h1e400v9z', 'none', 'M4'])
      expect(isFailed(odd(d)), d).toBe(true)
    const loop = readSvg('<svg viewBox="0 0 24 24"><g id="a"><path d="M4 4h9v9z"/><use href="#a"/></g></svg>')
    expect(loop.unread.map(({ why }) => why)).toEqual([expect.stringContaining('leads back to itself')])
  })

  it('names the bound that a small file passes that would cost more than any icon, and reads deep ones below it', () => {
    for (const { what, text, says } of hostileSvg(random(3)))
      expect([what, readIcon({ path: 'x.svg', text })]).toEqual([
        what,
        { path: 'x.svg', isError: true, sentence: expect.stringMatching(says) },
      ])
    const nested = (levels: number) =>
      `<svg viewBox="0 0 24 24">${Array.from({ length: levels }, (_, i) => `<symbol id="s${i}"><use href="#s${i + 1}"/></symbol>`).join('')}<path id="s${levels}" d="M4 4h9v9z"/><use href="#s0"/></svg>`
    expect(readSvg(nested(40)).objects).toHaveLength(2)
    expect(readSvg(nested(80)).unread.map(({ why }) => why)).toEqual(['more than 64 elements refer to one another'])
    // A selector of many parts is matched as it says, however many of them fail on the way.
    const matched = (selector: string) =>
      readSvg(
        `<svg viewBox="0 0 24 24"><style>${selector}{fill:#112233}</style><g class="a"><g class="b"><g class="a"><path class="c" d="M4 4h9v9z"/></g></g></g></svg>`,
      ).objects[0]!
    const fill = (object: object) => (object as { style: { fill: unknown } }).style.fill
    for (const selector of ['.a .b .c', '.a > .b .c', '* * * .c', '.b > .a > .c', '.a .a > .c', 'svg > .a .b > .a .c'])
      expect([selector, fill(matched(selector))]).toEqual([selector, '#112233'])
    for (const selector of ['.b .b .c', '.a > .c > .c', '.b > .c', '* * * * * * .c', '.b > .b .c', '.a > .a > .c'])
      expect([selector, fill(matched(selector))]).not.toEqual([selector, '#112233'])
  })

  it('is never more than refused, however it is cut and mixed, and a set holds what is not', () => {
    const next = random(11)
    const texts = [...HARD.map(({ hard }) => hard), ...files.slice(0, 40).map(textOf)]
    for (let i = 0; i < runs(600).numRuns; i++) {
      const read = readIcon({ path: 'x.svg', text: mixedSvg(texts, next) })
      if (isFailed(read)) expect(read.sentence).toMatch(/\.$/)
      else
        for (const { sentence } of gatheredSet([read], { name: 'X' })!.failed)
          expect(sentence).toBe('A set cannot hold this drawing: a number in it is too large.')
    }
  })
})

describe('a vector drawable', () => {
  it('of every demo icon is read as the picture that it was written from', () => {
    const { icons, rules: own } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
    for (const { name, masters } of icons) {
      const shapes = evaluateAll(masters[0]!.objects, sceneOf(own))
      const text = vectorDrawable(shapes, { dp: 24, viewport: 24 })
      const read = readIcon({ path: `${name}.xml`, text })
      if (isFailed(read)) throw new Error(`${name}: ${read.sentence}`)
      expect(read.unread, name).toEqual([])
      const again = rasterised(documentOf(read.objects, read.side), SIDE).data
      expect(difference(again, rasterised(svgOfShapes(shapes, 24, 'light'), SIDE).data), name).toBeLessThan(0.0005)
    }
  })
})

describe('a folder of files', () => {
  const read = (list: readonly (readonly [path: string, text: string])[]) =>
    list.map(([path, text]) => readIcon({ path, text })).filter((one): one is ReadIcon => !isFailed(one))

  it('says by its paths what an icon is called, which size and style it has', () => {
    expect(namedBy('nav/24/arrow-left-fill.svg', 24)).toMatchObject({
      name: 'arrow-left',
      tags: ['nav'],
      size: 24,
      style: 'solid',
    })
    expect(namedBy('icons/outline/home.svg', 24)).toMatchObject({ name: 'home', tags: [], style: 'outline' })
    expect(namedBy('clock-12.svg', 24)).toMatchObject({ name: 'clock-12', size: null })
    expect(namedBy('bell_20px.svg', 20)).toMatchObject({ name: 'bell', size: 20 })
    expect(namedBy('a:b?.svg', 24)).toMatchObject({ name: 'a-b-' })
    expect(namedBy('con.svg', 24)).toMatchObject({ name: 'icon-con' })
  })

  it('becomes a set under the rules that it was drawn by, and breaks them only where it does', () => {
    const some = files.filter((_, i) => i % 12 === 0)
    const heavy = new Set(some.filter((_, i) => i % 10 === 0))
    const texts = some.map(
      (name) =>
        [
          `nav/${name}`,
          heavy.has(name) ? textOf(name).replace('stroke-width="2"', 'stroke-width="1.7"') : textOf(name),
        ] as const,
    )
    const made = gatheredSet(read(texts), { name: 'Borrowed' })!
    expect(IconSet.safeParse(made.set).success).toBe(true)
    expect(made.failed).toEqual([])
    expect(made.set.rules).toMatchObject({
      grid: { size: 24 },
      liveArea: 22,
      cap: 'round',
      join: 'round',
      naming: 'kebab-case',
      palette: [{ name: 'ink' }],
    })
    expect(made.set.rules.weights.map(({ value }) => value)).toContain(2)
    expect(made.set.rules.radii.map(({ value }) => value)).toContain(2)
    expect(made.set.icons.map(({ tags }) => tags)).toEqual(some.map(() => ['nav']))
    // A rule that is left names nothing: corners keep their numbers, and all else is as it was.
    const left = gatheredSet(read(texts), { name: 'Borrowed', left: new Set(['corners', 'names']) })!.set
    expect({ ...left.rules, radii: made.set.rules.radii, naming: made.set.rules.naming }).toEqual(made.set.rules)
    expect(left.rules.radii).not.toEqual(made.set.rules.radii)
    const pictures = (set: IconSet) =>
      set.icons.map(({ masters }) => svgOfShapes(evaluateAll(masters[0]!.objects, sceneOf(set.rules)), 24, 'light'))
    expect(pictures(left)).toEqual(pictures(made.set))
  })

  it('gives back the strokes of icons that were outlined to one area each, and the rules they were drawn by', () => {
    const some = files.filter((_, i) => i % 40 === 0)
    const outlined = some.map((name) => {
      const { objects, side } = readSvg(textOf(name))
      const ink = inkOfAll(evaluateAll(objects, sceneOf(rules)))
      return [
        name,
        `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${side} ${side}"><path fill-rule="evenodd" d="${pathData(ink)}"/></svg>`,
      ] as const
    })
    const { set } = gatheredSet(read(outlined), { name: 'Outlined' })!
    const areStrokes = (icon: (typeof set.icons)[number]) =>
      [...walk(icon.masters[0]!.objects)].every(
        ({ object }) =>
          'members' in object || ('style' in object && 'stroke' in object.style && object.style.stroke !== 'none'),
      )
    expect(set.icons.filter(areStrokes).length / some.length).toBeGreaterThan(0.75)
    expect(set.rules.weights.map(({ value }) => value)).toEqual([2])
    expect(set.rules).toMatchObject({ cap: 'round', join: 'round' })
    for (const [i, icon] of set.icons.entries()) {
      const picture = svgOfShapes(evaluateAll(icon.masters[0]!.objects, sceneOf(set.rules)), 24, 'light')
      const was = documentOf(readSvg(outlined[i]![1], 'drawn').objects, 24)
      expect(difference(rasterised(picture, SIDE).data, rasterised(was, SIDE).data), icon.name).toBeLessThan(0.001)
    }
    // Looked for by others, in copies of the objects, strokes are the same, and not looked for again.
    const again = read(outlined),
      within = strokeTolerance(24)
    for (const object of again.flatMap((one) => ('objects' in one ? one.objects : [])))
      keepStrokeBack(object, within, true, structuredClone(strokeBack(structuredClone(object), within)))
    expect(sought(again, {})!.objects).toEqual([])
    expect(gatheredSet(again, { name: 'Outlined' })!.set).toEqual(set)
  })

  it('comes into a set under its rules, outlined strokes as strokes of its weights, and as drawn where it is asked', () => {
    const ring =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24"><path d="M5 11h6V5h2v6h6v2h-6v6h-2v-6H5z"/></svg>'
    const set = { name: 'There', kind: 'interface', rules, icons: [] } as IconSet
    const into = (how: 'live' | 'drawn') => {
      const one = readIcon({ path: 'plus.svg', text: ring }, how) as ReadIcon
      return iconsInto([one], set, (i) => `own-${i}`).icons[0]!.masters[0]!.objects
    }
    expect(into('live')).toMatchObject([
      { kind: 'line', style: { fill: 'none', weight: 'main', cap: 'butt' } },
      { kind: 'line', style: { fill: 'none', weight: 'main', cap: 'butt' } },
    ])
    expect(into('drawn')).toMatchObject([{ kind: 'path', style: { stroke: 'none' } }])
  })

  it('gives back the strokes that were outlined to rings, frames and bars, where the set has such strokes', () => {
    const svg = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24">${body}</svg>`
    const line = '<path d="M4 12h16" fill="none" stroke="#000" stroke-width="2" stroke-linecap="round"/>'
    const ring =
      '<path fill-rule="evenodd" d="M12 2c5.523 0 10 4.477 10 10s-4.477 10-10 10S2 17.523 2 12 6.477 2 12 2zm0 2c-4.418 0-8 3.582-8 8s3.582 8 8 8 8-3.582 8-8-3.582-8-8-8z"/>'
    const frame =
      '<path fill-rule="evenodd" d="M6 3h12a3 3 0 0 1 3 3v12a3 3 0 0 1-3 3H6a3 3 0 0 1-3-3V6a3 3 0 0 1 3-3zm0 2a1 1 0 0 0-1 1v12a1 1 0 0 0 1 1h12a1 1 0 0 0 1-1V6a1 1 0 0 0-1-1z"/>'
    const bar = '<rect x="4" y="11" width="16" height="2" rx="1"/>'
    const button = '<rect x="2" y="8" width="20" height="8" rx="4"/>'
    const slant = '<path d="M5.29289 17.29289a1 1 0 0 0 1.41422 1.41422l12-12a1 1 0 0 0-1.41422-1.41422z"/>'
    const bodies = { slant, line, oar: line, ring, frame, bar, button }
    const list = read(Object.entries(bodies).map(([name, body]) => [`${name}.svg`, svg(body)] as const))
    const { set } = gatheredSet(list, { name: 'Outlined' })!
    const of = (name: string) => set.icons.find((icon) => icon.name === name)!.masters[0]!.objects
    expect(of('ring')).toMatchObject([{ kind: 'ellipse', x: 3, w: 18, style: { fill: 'none', weight: 'main' } }])
    expect(of('frame')).toMatchObject([{ kind: 'rectangle', x: 4, w: 16, style: { fill: 'none', weight: 'main' } }])
    expect(of('bar')).toMatchObject([
      { kind: 'line', from: { x: 5, y: 12 }, to: { x: 19, y: 12 }, style: { weight: 'main' } },
    ])
    expect(of('slant')).toMatchObject([{ kind: 'line', from: { x: 18, y: 6 }, to: { x: 6, y: 18 } }])
    expect(of('button')).toMatchObject([{ kind: 'rectangle', style: { stroke: 'none' } }])
    for (const { name, masters } of set.icons) {
      const shapes = evaluateAll(masters[0]!.objects, sceneOf(set.rules))
      const after = rasterised(svgOfShapes(shapes, 24, 'light'), SIDE).data
      const before = pixelsOf(
        svg(
          bodies[name as keyof typeof bodies]
            .replaceAll('#000', '#14231f')
            .replaceAll('<path fill-rule', '<path fill="#14231f" fill-rule')
            .replace('<rect', '<rect fill="#14231f"')
            .replace('<path d="M5', '<path fill="#14231f" d="M5'),
        ),
        SIDE,
      )
      expect(
        difference(
          after.filter((_, i) => i % 4 === 3),
          before.filter((_, i) => i % 4 === 3),
        ),
        name,
      ).toBeLessThan(0.004)
    }
  })

  it('proposes what comes again in several icons as parts, moved, turned and flipped, and draws the same with them', () => {
    const sheet = 'M6 3h8l5 5v11a2 2 0 0 1-2 2H6a2 2 0 0 1-2-2V5a2 2 0 0 1 2-2z'
    const svg = (transform: string, more: string) =>
      `<svg viewBox="0 0 24 24"><g fill="none" stroke="#14231f" stroke-width="2" stroke-linecap="round" stroke-linejoin="round"><path d="${sheet}" transform="${transform}"/>${more}</g></svg>`
    const texts = [
      ['sheet-new.svg', svg('', '<path d="M9 12h6"/>')],
      ['sheet-old.svg', svg('translate(1 0)', '<path d="M9 14h6"/>')],
      ['sheet-flipped.svg', svg('translate(24 0) scale(-1 1)', '')],
      ['sheet-lying.svg', svg('rotate(90 12 12)', '')],
      [
        'bar.svg',
        '<svg viewBox="0 0 24 24"><path d="M3 12h18" stroke="#14231f" stroke-width="2" stroke-linecap="round" stroke-linejoin="round"/></svg>',
      ],
    ] as const
    const [as, parted] = [false, true].map((parts) => gatheredSet(read(texts), { name: 'Sheets', parts })!)
    expect(as!.evidence.at(-1)).toMatchObject({
      topic: 'parts',
      count: 4,
      of: 5,
      others: [{ what: 'sheet', count: 4 }],
    })
    expect(as!.set.rules.parts).toBeUndefined()
    const { rules: under, icons } = parted!.set
    expect(under.parts).toMatchObject([{ name: 'sheet' }])
    expect(IconSet.safeParse(parted!.set).success).toBe(true)
    icons.slice(0, 4).forEach(({ masters, name }, i) => {
      expect(masters[0]!.objects).toContainEqual(expect.objectContaining({ kind: 'placement', part: 'sheet' }))
      const [one, other] = [as!.set, parted!.set].map((set) =>
        rasterised(svgOfShapes(evaluateAll(set.icons[i]!.masters[0]!.objects, sceneOf(set.rules)), 24, 'light'), SIDE),
      )
      expect(difference(one!.data, other!.data), name).toBeLessThan(1e-4)
    })
  })

  it('gives sizes as masters of one icon, other styles as sets of their own, and names that clash another', () => {
    const box = (side: number, weight: number) =>
      `<svg viewBox="0 0 ${side} ${side}"><rect x="3" y="3" width="${side - 6}" height="${side - 6}" rx="2" fill="none" stroke="currentColor" stroke-width="${weight}"/></svg>`
    const names = ['anchor', 'buoy', 'ferry']
    const made = gatheredSet(
      read([
        ...names.flatMap((name) => [
          [`24/${name}.svg`, box(24, 2)] as const,
          [`16/${name}.svg`, box(16, 1.5)] as const,
        ]),
        ...names.slice(0, 2).map((name) => [`24/${name}-fill.svg`, box(24, 2)] as const),
        ['more/24/anchor.svg', box(24, 2)],
      ]),
      { name: 'Sizes' },
    )!
    expect(made.styles).toEqual([
      { style: 'plain', count: 7 },
      { style: 'solid', count: 2 },
    ])
    expect(made.set.icons.map(({ name }) => name)).toEqual([...names, 'anchor-2'])
    expect(made.set.icons[0]!.masters.map(({ base }) => base)).toEqual([24, 16])
    expect(made.set.rules.masters).toMatchObject([{ base: 16, weights: [{ name: 'main', value: 1.5 }] }])
    expect(made.set.icons[0]!.masters[1]!.objects[0]).toMatchObject({ style: { weight: 'main' } })
    expect(made.remarks).toEqual([
      expect.objectContaining({ icon: 'anchor-2', sentence: expect.stringContaining('there is another') }),
    ])
    expect(IconSet.safeParse(made.set).success).toBe(true)
  })
})
