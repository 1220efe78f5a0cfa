import { expect, test } from '@playwright/test'
import { area } from '../src/core/geometry/area'
import type { Path } from '../src/core/geometry/path'
import { readPathData } from '../src/core/formats/path-reader'
import { BenchPage, delivered } from './bench-page'

const paths = (svg: string): Path[] => [...svg.matchAll(/ d="([^"]+)"/g)].map(([, d]) => readPathData(d!))
const areaOf = (path: Path) => Math.abs(area(path))
const sum = (all: readonly Path[]) => all.reduce((total, path) => total + areaOf(path), 0)
/** What two discs have in common. */
const lens = (r: number, d: number) => 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d)

async function discs(bench: BenchPage, r: number, ...centres: readonly (readonly [number, number])[]): Promise<void> {
  for (const [x, y] of centres) {
    await bench.press('2')
    await bench.drag([x, y], [x + r, y + r], ['Shift', 'Alt'])
  }
  await bench.press('q')
  await bench.press('Control+a')
}
const filled = async (bench: BenchPage) => {
  await bench.choose('fill of the selection', 'ink')
  await bench.choose('stroke of the selection', 'none')
}

test('gull: a lens of two circles, bent along two drawn strokes, made wider afterwards', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Gull')
  await discs(bench, 5, [12, 9], [12, 15])
  await filled(bench)
  await bench.press('a')
  await bench.pick('Ellipse 2')
  await bench.press('BracketLeft')
  await bench.pick('Assembly 1')
  await bench.press('z')
  // Straight strokes as long as the lens is wide: it lies along them as it was.
  await bench.drag([2, 20], [10, 20])
  await expect(page.getByRole('row', { name: /Bend 1/ })).toBeVisible()
  await bench.drag([20, 20], [20, 12])
  await bench.rename('icon', 'gull')
  const wings = paths((await delivered(page, bench)).gull!)
  expect(wings).toHaveLength(2)
  for (const wing of wings) expect(areaOf(wing)).toBeCloseTo(lens(5, 6), 0)
  await bench.pick('Bend 1')
  await page
    .getByRole('button', { name: /^width of Bend 1/ })
    .first()
    .click()
  await page.getByRole('textbox', { name: 'width of Bend 1' }).fill('200')
  await page.getByRole('textbox', { name: 'width of Bend 1' }).press('Enter')
  // The one source is there still, and both wings follow it.
  expect(sum(paths((await delivered(page, bench)).gull!))).toBeCloseTo(4 * lens(5, 6), -0.5)
  await expect(bench.row('Ellipse 1')).toBeVisible()
})

test('wave: copies of one circle, patches joined and dropped, a stray line cut, the originals kept aside', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Wave')
  await discs(bench, 5, [9, 12], [15, 12])
  await bench.press('s')
  // The line through the left disc is cut: it is one patch.
  await bench.press('c')
  await bench.click(10, 12)
  await bench.press('k')
  await bench.click(8, 12)
  await bench.click(18, 12)
  await bench.press('d')
  await bench.click(18, 12)
  await page.getByRole('radio', { name: 'aside' }).click()
  await bench.press('Enter')
  await bench.rename('icon', 'wave')
  const svg = (await delivered(page, bench)).wave!
  expect(svg.match(/<(circle|path|ellipse)/g)).toHaveLength(1)
  expect(svg).toContain('<circle cx="9" cy="12" r="5"/>')
  // Copies of both circles are beside it, hidden and locked.
  await expect(page.getByRole('button', { name: 'Show Ellipse 1' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Unlock Ellipse 2' })).toBeVisible()
})

test('knot of pieces: each over the next, the last over the first, in one step', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Knot')
  await discs(bench, 5, [9, 9], [15, 9], [12, 14])
  await filled(bench)
  await bench.press('l')
  await bench.choose('order of Interlace 1', 'each over the next')
  await bench.own('gap of Interlace 1', '0')
  await bench.rename('icon', 'knot')
  const svg = (await delivered(page, bench)).knot!
  // The lower two are whole, or cut where what is painted above lies under: each pair overlaps once.
  const whole = (svg.match(/<circle/g) ?? []).length * 25 * Math.PI
  const cuts = 3 * 25 * Math.PI - whole - sum(paths(svg))
  const [a, b] = [lens(5, 6), lens(5, Math.hypot(3, 5))]
  // The first lies over the second, the second over the third, the third over the first: painted last, two are cut.
  expect(cuts).toBeCloseTo(a + b, 0)
})

test('a cluster is warped by its corners, its handles in pairs, and comes back by undo', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Warp')
  await bench.press('1')
  await bench.drag([4, 8], [20, 16])
  await bench.own('corner of Rectangle 1', '0')
  await bench.choose('fill of Rectangle 1', 'ink')
  await bench.choose('stroke of Rectangle 1', 'none')
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('y')
  await bench.drag([4, 8], [8, 8])
  await bench.rename('icon', 'warp')
  expect(sum(paths((await delivered(page, bench)).warp!))).toBeCloseTo(((12 + 16) / 2) * 8, 3)
  await bench.pick('Warp 1')
  await bench.press('y')
  await bench.choose('form of Warp 1', 'lattice')
  await bench.choose('handles of Warp 1', 'mirrored pairs')
  await bench.press('Control+z')
  await bench.press('Control+z')
  await bench.choose('form of Warp 1', 'swell')
  expect(sum(paths((await delivered(page, bench)).warp!))).toBeGreaterThan(128)
})

test('radio: a slot cut by an open line, its role changed by a key, what has no effect marked, duplicates inside', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Radio')
  await bench.press('1')
  await bench.drag([2, 2], [18, 18])
  await bench.own('corner of Rectangle 1', '0')
  await bench.choose('fill of Rectangle 1', 'ink')
  await bench.choose('stroke of Rectangle 1', 'none')
  await bench.press('5')
  await bench.drag([6, 6], [14, 6])
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('Shift+a')
  await bench.rename('icon', 'radio')
  const slot = 8 * 2 + Math.PI
  const inked = async () => sum(paths((await delivered(page, bench)).radio!))
  // A hole is wound the other way: the one path's area is without it.
  expect(await inked()).toBeCloseTo(256 - slot, 1)
  await bench.pick('Line 1')
  await bench.press('Control+d')
  for (let i = 0; i < 8; i++) await bench.press('ArrowDown')
  expect(await inked()).toBeCloseTo(256 - 2 * slot, 1)
  await bench.pick('Line 1')
  await bench.press('Equal')
  await expect(page.getByRole('img', { name: 'Line 1 has no effect' })).toBeVisible()
  expect(await inked()).toBeCloseTo(256 - slot, 1)
})

test('banded buoy: one finish on several objects, named, changed once, across icons; a copy of its own stays', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Bands')
  for (const y of [4, 10, 16]) {
    await bench.press('1')
    await bench.drag([4, y], [20, y + 4])
  }
  await bench.press('q')
  await bench.press('Control+a')
  await filled(bench)
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await bench.choose('finish of the selection', 'share this one')
  await expect(page.getByRole('button', { name: 'finish of the selection: finish-1' })).toBeVisible()
  await expect(page.getByTitle('Shared by 3 objects in 1 icon', { exact: false })).toHaveText('on 3')
  await bench.press('Control+c')
  await bench.rename('icon', 'one')
  await page.getByRole('button', { name: '+ icon' }).click()
  await bench.press('Control+v')
  await bench.rename('icon', 'two')
  // One object's fill is changed: all six follow.
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.own('fill of Rectangle 2', '#d5401b')
  const files = await delivered(page, bench)
  for (const name of ['one', 'two']) {
    expect(paths(files[name]!)).toHaveLength(3)
    expect(files[name]!.match(/#d5401b|currentColor/g)).toEqual(['#d5401b'])
  }
  // One of them leaves the others, and is changed by itself.
  await bench.pick('Rectangle 2')
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await bench.choose('finish of the selection', 'its own')
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.choose('fill of Rectangle 2', 'ink')
  const after = await delivered(page, bench)
  expect(after.one).toBe(files.one)
  expect(after.two!.match(/#d5401b|currentColor/g)!.sort()).toEqual(['#d5401b', '#d5401b', 'currentColor'])
  await expect(page.getByRole('img', { name: 'Rectangle 1 shares the finish finish-1' })).toBeVisible()
})
