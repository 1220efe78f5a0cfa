import { describe, expect, it } from 'vitest'
import { snagsIn } from '../../checks/snags'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../../drawing/scene/ink'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { area } from '../../geometry/area'
import { type IconSet, masterFor } from '../../set/set'
import { gatheredSet } from './gather'
import { readIcon } from './read-icon'

const svg = (
  body: string,
  look = 'fill="none" stroke="#000" stroke-width="2" stroke-linecap="round" stroke-linejoin="round"',
) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24" ${look}>${body}</svg>`
const setOf = (...texts: string[]): IconSet =>
  gatheredSet(
    texts.map((text, i) => readIcon({ path: `icon-${i}.svg`, text })),
    { name: 'Dots' },
  )!.set
const inkIn = ({ rules, icons }: IconSet, i = 0) =>
  Math.abs(area(inkOfAll(evaluateAll(masterFor(icons[i]!).objects, sceneOf(rules)))))

const FRAME = '<rect x="4" y="3" width="16" height="18" rx="2"/>'

describe('a dot that is read', () => {
  it('is a filled disc where its stroke is wider than its circle, whichever way it was written', () => {
    const stroked = setOf(svg(`${FRAME}<circle cx="12" cy="12" r=".5"/>`))
    expect(masterFor(stroked.icons[0]!).objects[1]).toMatchObject({
      kind: 'ellipse',
      ...{ x: 10.5, y: 10.5, w: 3, h: 3 },
      style: { stroke: 'none' },
    })
    // The same as one outlined area: a frame of two rectangles, a bar and a disc.
    const outlined = 'M3 2H21V22H3ZM5 4V20H19V4ZM8 7H16V9H8ZM13.5 14A1.5 1.5 0 1 1 10.5 14A1.5 1.5 0 1 1 13.5 14Z'
    const { icons } = setOf(svg(`<path fill-rule="evenodd" d="${outlined}"/>`, 'fill="#000"'))
    const discs = masterFor(icons[0]!).objects.filter(({ kind }) => kind === 'ellipse')
    expect(discs).toMatchObject([{ w: 3, h: 3, style: { stroke: 'none' } }])
  })

  it('stays the same dot when the rules take other caps, and is no snag', () => {
    const round = setOf(svg(`${FRAME}<path d="M8 12h.01M12 12h.01M16 12h.01"/>`), svg('<path d="M4 12H20"/>'))
    const blunt: IconSet = { ...round, rules: { ...round.rules, cap: 'butt' } }
    expect(inkIn(blunt)).toBeCloseTo(inkIn(round), 6)
    expect(inkIn(blunt, 1)).toBeLessThan(inkIn(round, 1) - 3)
    const found = snagsIn({
      objects: masterFor(blunt.icons[0]!).objects,
      rules: blunt.rules,
      scene: sceneOf(blunt.rules),
    }).map(({ check }) => check)
    expect(found).not.toContain('own-cap')
  })

  it('is of ink where its colour was left out beside the colour of the text, and black where all is black', () => {
    const line = (stroke: string) => `<path fill="none" stroke="${stroke}" stroke-width="2" d="M4 12H20"/>`
    const dot = '<circle cx="12" cy="18" r="2"/>'
    const paints = ({ icons }: IconSet) => masterFor(icons[0]!).objects.map((one) => 'style' in one && one.style)
    const mixed = setOf(svg(`${line('currentColor')}${dot}`, ''))
    expect(paints(mixed)).toMatchObject([{ stroke: 'ink' }, { fill: 'ink' }])
    expect(mixed.rules.palette.map(({ name }) => name)).toEqual(['ink'])
    const two = setOf(svg(`${line('#d5401b')}${dot}`, ''), svg(line('#d5401b'), ''))
    expect(paints(two)).toMatchObject([{ stroke: 'ink' }, { fill: 'black' }])
  })
})
