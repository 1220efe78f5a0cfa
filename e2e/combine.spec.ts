import { expect, test } from './test'
import { area } from '../src/core/geometry/area'
import type { Path } from '../src/core/geometry/path'
import { readPathData } from '../src/core/formats/path-reader'
import { BenchPage, command, delivered, setting } from './bench-page'

const paths = (svg: string): Path[] => [...svg.matchAll(/ d="([^"]+)"/g)].map(([, d]) => readPathData(d!))
const areaOf = (path: Path) => Math.abs(area(path))
const clear = async (bench: BenchPage) => {
  await bench.press('Escape')
  await bench.press('Escape')
  await bench.press('Control+a')
  await bench.press('Delete')
}

test('propeller: a ring divided by cuts tangent to its hub, turned by an angle, coloured in turn', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Propeller')
  await bench.press('2')
  await page.getByRole('radio', { name: 'ring' }).click()
  await bench.drag([12, 12], [22, 22], ['Shift', 'Alt'])
  await bench.type('hole of Ellipse 1', '40')
  // From the top of the hub, tangent to it, out to the rim; its copies a third of a turn on.
  await bench.press('5')
  await bench.drag([12, 8], [22, 8])
  await bench.press('r')
  await page.getByRole('radio', { name: 'turn', exact: true }).click()
  await setting(page, 'Pivot x', '12')
  await setting(page, 'Pivot y', '12')
  await setting(page, 'Amount', '120')
  await setting(page, 'Copies', '2')
  await page.getByRole('button', { name: 'Apply' }).click()
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('d')
  await expect(page.getByRole('row', { name: /Pieces 1/ })).toBeVisible()
  await bench.rename('icon', 'propeller')
  const blades = paths((await delivered(page, bench)).propeller!)
  expect(blades).toHaveLength(3)
  for (const blade of blades) {
    expect(areaOf(blade)).toBeCloseTo((Math.PI * (100 - 16)) / 3, 1)
    expect(blade[0]!.segments.map(({ kind }) => kind).sort()).toEqual(['arc', 'arc', 'line', 'line'])
  }
})

test('grapnel: a part, flipped, in a union whose inner corners are round; edited in place, both sides follow', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Grapnel')
  for (const [from, to] of [
    [
      [4, 16],
      [10, 20],
    ],
    [
      [10, 4],
      [14, 20],
    ],
  ] as const) {
    await bench.press('1')
    await bench.drag(from, to)
  }
  await bench.press('q')
  await bench.press('Control+a')
  await bench.own('corner of the selection', '0')
  await bench.choose('fill of the selection', 'ink')
  await bench.choose('stroke of the selection', 'none')
  await bench.pick('Rectangle 1')
  await bench.press('Shift+Digit9')
  await page.getByLabel('Name', { exact: true }).fill('Fluke')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('row', { name: /Fluke/ })).toBeVisible()
  // The other side: a copy, turned over at the middle.
  await bench.press('t')
  await bench.drag([12, 4], [12, 20], ['Alt'])
  await bench.press('Escape')
  await bench.press('Control+a')
  await bench.press('a')
  await bench.own('corner of Assembly 1', '1')
  await bench.choose('corners of Assembly 1', 'inner corners')
  await bench.rename('icon', 'grapnel')
  const before = paths((await delivered(page, bench)).grapnel!)
  // Two flukes of 6 × 4 beside a shank of 4 × 16, two inner corners filled by radius 1.
  expect(areaOf(before[0]!)).toBeCloseTo(2 * 24 + 64 + 2 * (1 - Math.PI / 4), 1)

  // The part edited in its place: one taller, both taller.
  await bench.pick('Fluke')
  await bench.press('Alt+Digit9')
  await expect(page.getByRole('row', { name: /part fluke, open/ })).toBeVisible()
  await bench.pick('Rectangle 1')
  await bench.type('h of Rectangle 1', '6')
  await bench.press('Escape')
  await page.getByRole('button', { name: 'Change it everywhere' }).click()
  const after = paths((await delivered(page, bench)).grapnel!)
  expect(areaOf(after[0]!)).toBeCloseTo(areaOf(before[0]!) + 2 * 12 + 2 * (1 - Math.PI / 4), 0)
})

test('ship’s wheel: a many-pointed star in nested assemblies, corners of the result round, then counts changed', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Wheel')
  const filled = async (name: string) => {
    await bench.choose(`fill of ${name}`, 'ink')
    await bench.choose(`stroke of ${name}`, 'none')
  }
  await bench.press('4')
  await setting(page, 'Sides', '8')
  await bench.drag([12, 12], [22, 22], ['Shift', 'Alt'])
  await filled('Star 1')
  await bench.press('2')
  await bench.drag([12, 12], [20, 20], ['Shift', 'Alt'])
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('a')
  await bench.choose('role of Ellipse 1', 'overlap')
  await bench.press('2')
  await bench.drag([12, 12], [15, 15], ['Shift', 'Alt'])
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('Shift+a')
  await bench.rename('icon', 'wheel')
  const disc = (r: number) => Math.PI * r * r
  const before = paths((await delivered(page, bench)).wheel!)[0]!
  expect(before).toHaveLength(2)
  expect(areaOf(before)).toBeLessThan(disc(8) - disc(3))
  // All corners of the result rounded, still live: then more points.
  await bench.own('corner of Assembly 2', '0.5')
  const round = paths((await delivered(page, bench)).wheel!)[0]!
  const corners = (path: Path) => path[0]!.segments.length
  expect(corners(round)).toBeGreaterThan(corners(before))
  await bench.type('sides of Star 1', '12')
  const more = paths((await delivered(page, bench)).wheel!)[0]!
  expect(corners(more)).toBeGreaterThan(corners(round))
  // The hub stays a circle.
  expect(areaOf([more[1]!])).toBeCloseTo(disc(3), 2)
})

test('shell and rope: patches swept from circles and crossing lines, undo inside; a rope over and under itself', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Shell')
  await bench.press('2')
  await bench.drag([4, 7], [14, 17])
  await bench.press('2')
  await bench.drag([10, 7], [20, 17])
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('s')
  // The left moon and the lens in one sweep; the right moon is another shape; undo takes that back alone.
  await bench.drag([6, 12], [12, 12])
  await bench.click(18, 12)
  await expect(page.getByRole('row', { name: /Patchwork 1.*2 shapes/ })).toBeVisible()
  await bench.press('Control+z')
  await expect(page.getByRole('row', { name: /Patchwork 1.*1 shape/ })).toBeVisible()
  await bench.press('Enter')
  await bench.rename('icon', 'shell')
  const swept = paths((await delivered(page, bench)).shell!)
  const svg = (await delivered(page, bench)).shell!
  // A whole disc of radius 5: a circle again, with the fewest nodes.
  expect(swept).toHaveLength(0)
  expect(svg).toContain('<circle cx="9" cy="12" r="5"/>')
  await clear(bench)

  await bench.press('6')
  for (const [x, y] of [
    [2, 12],
    [18, 12],
    [18, 4],
    [10, 4],
    [10, 20],
  ] as const)
    await bench.click(x, y)
  await bench.press('Enter')
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('l')
  const crossing = async () => paths((await delivered(page, bench)).shell!).reduce((sum, path) => sum + path.length, 0)
  const over = await crossing()
  expect(over).toBeGreaterThan(1)
  await bench.press('q')
  await bench.pick('Interlace 1')
  await bench.press('l')
  await bench.click(10, 12)
  expect(await crossing()).toBeGreaterThan(1)
  await expect(page.getByRole('tab', { name: /History/ })).toBeVisible()
})

test('gangway on a plate: strokes outlined, a cast at 45° cut by the plate', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Gangway')
  await bench.press('2')
  await bench.drag([8, 8], [12, 12], ['Shift'])
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('h')
  await command(page, 'Put a plate behind this icon')
  await expect(page.getByRole('row', { name: /Plate/ }).first()).toBeVisible()
  await bench.pick('Outlines 1')
  await bench.press('j')
  await bench.rename('icon', 'gangway')
  const svg = (await delivered(page, bench)).gangway!
  const all = paths(svg)
  // Plate, shadow, ring: the ring of two circles, the shadow within the plate and with straight edges at 45°.
  expect(svg).not.toContain('stroke-width')
  const shadow = all[1]!
  const slopes = shadow[0]!.segments.flatMap(({ kind, from, to }) =>
    kind === 'line' ? [(to.y - from.y) / (to.x - from.x)] : [],
  )
  expect(slopes.length).toBeGreaterThanOrEqual(2)
  for (const slope of slopes) expect(slope).toBeCloseTo(1, 2)
  // It begins at the tangent points of the outer circle, of radius 3 about 10, 10.
  const q = 3 / Math.SQRT2
  const ends = shadow[0]!.segments.filter(({ kind }) => kind === 'line').flatMap(({ from, to }) => [from, to])
  expect(ends.some((p) => Math.hypot(p.x - 10 - q, p.y - 10 + q) < 0.01)).toBe(true)
})
