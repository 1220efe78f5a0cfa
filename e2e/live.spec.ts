import { expect, test } from './test'
import { area } from '../src/core/geometry/area'
import type { Path } from '../src/core/geometry/path'
import { readPathData } from '../src/core/formats/path-reader'
import { BenchPage, command, delivered, setting } from './bench-page'

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

/** The area between two functions from 8 to 20, by small steps. */
const between = (upper: (x: number) => number, lower: (x: number) => number): number => {
  const steps = 24_000
  let sum = 0
  for (let i = 0; i < steps; i++) {
    const x = 8 + (12 * (i + 0.5)) / steps
    sum += Math.max(0, lower(x) - upper(x)) * (12 / steps)
  }
  return sum
}

test('gull: a lens with a gap and a quill, bent along two drawn strokes, made wider afterwards', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Gull')
  await discs(bench, 5, [12, 9], [12, 15])
  await filled(bench)
  await bench.press('a')
  await bench.pick('Ellipse 2')
  await bench.press('BracketLeft')
  await bench.rename('icon', 'gull')

  // A square loses a corner: a wedge, stretched, its tip on the tip of the wing. It is cut out of it.
  await bench.press('1')
  await bench.drag([18, 18], [20, 20])
  await bench.own('corner of Rectangle 1', '0')
  await bench.press('w')
  await bench.click(18, 20)
  await bench.press('Delete')
  await page.getByRole('button', { name: 'Make it a path' }).click()
  await bench.press('q')
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.type('w of Rectangle 1', '6')
  await bench.type('h of Rectangle 1', '1')
  await bench.type('x of Rectangle 1', '10')
  await bench.type('y of Rectangle 1', '12')
  await bench.pick('Assembly 1')
  await bench
    .row('Rectangle 1')
    .getByTitle(/double click to rename/)
    .first()
    .click({ modifiers: ['Shift'] })
  await bench.press('Shift+a')
  const half = (x: number) => Math.sqrt(Math.max(9, 25 - (x - 12) ** 2)) - 3
  // The wedge is the half below the wing's middle line, from 10 to 16, as high as it is far from its left end.
  const wedge = (x: number) => 12 + Math.min(Math.max(0, (x - 10) / 6), x > 16 ? 0 : 1)
  const gap = between(
    () => 12,
    (x) => Math.min(12 + half(x), wedge(x)),
  )
  const lensed = lens(5, 6)
  const cut = sum(paths((await delivered(page, bench)).gull!))
  expect(cut).toBeCloseTo(lensed - gap, 1)
  // Its other half joins the wing as a quill, on beyond the tip.
  await bench.press('1')
  await bench.drag([14, 3], [20, 4])
  await bench.own('corner of Rectangle 2', '0')
  await bench.type('y of Rectangle 2', '11')
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('a')
  const quill = between(
    (x) => (x < 14 ? 12 : 11),
    (x) => (x < 14 ? 12 : 12),
  )
  const overlap = between(
    (x) => (x < 14 ? 12 : Math.max(11, 12 - half(x))),
    () => 12,
  )
  const whole = lensed - gap + quill - overlap
  expect(sum(paths((await delivered(page, bench)).gull!))).toBeCloseTo(whole, 1)

  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.press('Control+a')
  await bench.press('z')
  // Straight strokes as long as the wing is wide: it lies along them as it was.
  await bench.drag([2, 20], [14, 20])
  await expect(page.getByRole('row', { name: /Bend 1/ })).toBeVisible()
  await bench.drag([20, 20], [20, 8])
  const wings = paths((await delivered(page, bench)).gull!)
  expect(wings).toHaveLength(2)
  for (const wing of wings) expect(areaOf(wing)).toBeCloseTo(whole, 0)
  await bench.pick('Bend 1')
  await page
    .getByRole('button', { name: /^width of Bend 1/ })
    .first()
    .click()
  await page.getByRole('textbox', { name: 'width of Bend 1' }).fill('200')
  await page.getByRole('textbox', { name: 'width of Bend 1' }).press('Enter')
  // The one source is there still, and both wings follow it.
  expect(sum(paths((await delivered(page, bench)).gull!))).toBeCloseTo(4 * whole, -0.5)
  await expect(bench.row('Ellipse 1')).toBeVisible()
})

test('wave: copies of one circle over a photo, patches joined and dropped, a stray line cut, colours from the photo', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Wave')
  await bench.layPicture('porthole')
  await page.getByRole('button', { name: 'Lock the reference porthole' }).click()
  await page.getByRole('tab', { name: /^Objects/ }).click()
  // One circle is drawn; the other is a copy of it, nudged; a small one is the spray.
  await bench.press('2')
  await bench.drag([9, 12], [14, 17], ['Shift', 'Alt'])
  await bench.press('q')
  await bench.press('Control+d')
  for (let i = 0; i < 12; i++) await bench.press('ArrowRight')
  await bench.press('2')
  await bench.drag([18, 4], [19, 5], ['Shift', 'Alt'])
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('s')
  // The arc of the copy through the first disc is cut: that is one patch, and is kept; the rest is dropped again.
  await bench.press('c')
  await bench.click(10, 12)
  await bench.press('k')
  await bench.click(8, 12)
  await bench.click(18, 12)
  await bench.press('d')
  await bench.click(18, 12)
  await bench.press('k')
  await bench.click(18, 4)
  await page.getByRole('radio', { name: 'aside' }).click()
  await bench.press('Enter')
  await bench.press('Escape')
  await bench.pick('Patchwork 1')
  // Made shapes of its own, one of which takes its colour from the photo.
  await command(page, 'Fix to a path')
  await bench.pick('Piece 1')
  await bench.choose('stroke of Piece 1', 'none')
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await page.getByRole('button', { name: /^Take the fill in hand/ }).click()
  await bench.press('i')
  await bench.click(3, 20)
  await bench.press('q')
  await bench.rename('icon', 'wave')
  const svg = (await delivered(page, bench)).wave!
  expect(svg.match(/<(circle|path|ellipse)/g)).toHaveLength(2)
  expect(svg).toMatch(/<circle[^>]*fill="#1f5f7a"[^>]* cx="9" cy="12" r="5"/)
  expect(svg).toMatch(/cx="18" cy="4" r="1"/)
  // Copies of all circles are beside it, hidden and locked.
  await page.getByRole('tab', { name: /^Objects/ }).click()
  for (const flag of ['Show', 'Unlock'])
    for (const n of [1, 2, 3]) await expect(page.getByRole('button', { name: `${flag} Ellipse ${n}` })).toHaveCount(1)
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

test('trace over: a faint locked picture above, a cluster grouped, stretched, turned, recoloured and warped as one', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Trace')
  await bench.layPicture('scan')
  await bench.type('opacity of the reference scan', '30')
  await bench.choose('layer of the reference scan', 'over')
  await page.getByRole('button', { name: 'Lock the reference scan' }).click()
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await discs(bench, 2, [8, 12], [12, 12], [16, 12])
  await filled(bench)
  await bench.press('Control+g')
  await bench.rename('icon', 'trace')
  await bench.pick('Group 1')
  // Stretched: each circle is an ellipse of twice the area.
  await bench.type('h of Group 1', '8')
  await bench.press('r')
  await setting(page, 'Amount', '90')
  await page.getByRole('button', { name: 'Apply' }).click()
  await bench.press('q')
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await page.getByRole('button', { name: /^Take the fill in hand/ }).click()
  await bench.press('i')
  await bench.click(12, 12)
  await bench.press('q')
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.press('y')
  await bench.choose('form of Warp 1', 'bow')
  const svg = (await delivered(page, bench)).trace!
  expect(svg.match(/<path/g)).toHaveLength(3)
  // The colour is that of the picture, which lies above; a bow moves what is above each place as far, so no area is lost.
  expect(svg).toContain('fill="#fff"')
  expect(sum(paths(svg))).toBeCloseTo(3 * Math.PI * 2 * 4, 1)
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
  await bench.choose('finish of the selection', 'share this finish')
  await expect(page.getByRole('button', { name: 'finish of the selection: finish-1' })).toBeVisible()
  await expect(page.getByTitle('Shared by 3 objects in 1 icon', { exact: false })).toHaveText('on 3')
  await bench.press('Control+c')
  await bench.rename('icon', 'one')
  await page.getByRole('button', { name: '+ icon' }).click()
  await page.keyboard.type('two')
  await page.keyboard.press('Enter')
  await bench.press('Control+v')
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
