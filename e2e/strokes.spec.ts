import { expect, type Page, test } from './test'
import { area } from '../src/core/geometry/area'
import { readPathData } from '../src/core/formats/path-reader'
import { BenchPage, command, delivered, setting } from './bench-page'

const choose = async (page: Page, cell: string, word: string) => {
  await page.getByRole('button', { name: new RegExp(`^${cell}: `) }).click()
  await page.getByRole('dialog').getByRole('button', { name: word, exact: true }).click()
}
const areaOf = (svg: string): number =>
  [...svg.matchAll(/ d="([^"]+)"/g)].reduce((sum, [, d]) => sum + Math.abs(area(readPathData(d!))), 0)

test('strokes inside and outside, dashes, heads, several values overwritten, a mask: by delivered areas', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Strokes')
  await bench.rename('icon', 'strokes')
  await bench.press('2')
  await bench.drag([12, 12], [20, 12], ['Shift', 'Alt'])
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await choose(page, 'side of the stroke', 'inside')
  // A ring between 8 and 6, not one between 9 and 7.
  expect(areaOf((await delivered(page, bench)).strokes!)).toBeCloseTo(Math.PI * (64 - 36), 1)
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.row('Ellipse 1').click()
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await choose(page, 'side of the stroke', 'outside')
  expect(areaOf((await delivered(page, bench)).strokes!)).toBeCloseTo(Math.PI * (100 - 64), 1)
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.row('Ellipse 1').click()
  await bench.press('Delete')

  // Two lines of different weight: several, overwritten at once; then dashes and a head for both.
  for (const y of [6, 14]) {
    await bench.press('5')
    await bench.drag([3, y], [21, y])
  }
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await choose(page, 'weight of the stroke', 'fine 1.5')
  await bench.press('Control+a')
  await expect(page.getByRole('button', { name: 'weight of the stroke: several' })).toBeVisible()
  await choose(page, 'weight of the stroke', 'main 2')
  await choose(page, 'cap of the stroke', 'butt')
  await setting(page, 'Dashes', '3 1.5')
  const dashed = (await delivered(page, bench)).strokes!
  expect(dashed).toMatch(/<svg[^>]* stroke-width="2"[^>]* stroke-dasharray="3 1.5"/)
  expect(dashed).not.toContain('linecap')
  await bench.press('Control+a')
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await setting(page, 'Dashes', '')
  await choose(page, 'head at the end', 'arrow')
  // Eighteen long and two wide, four of it the head’s, and the triangle of six by six less what the line has of it.
  expect(areaOf((await delivered(page, bench)).strokes!)).toBeCloseTo(2 * (14 * 2 + 18 - 4), 1)

  // A square masks them: what is left of each line lies in it.
  await bench.press('1')
  await bench.drag([4, 3], [12, 17])
  await bench.press('Control+a')
  await command(page, 'Mask: show what lies in the front object')
  await expect(bench.row('Mask 1')).toBeVisible()
  expect(areaOf((await delivered(page, bench)).strokes!)).toBeCloseTo(2 * 8 * 2, 1)
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await choose(page, 'mask of Mask 1', 'no mask')
  expect((await delivered(page, bench)).strokes!.match(/<path|<rect/g)).toHaveLength(3)
})

test('arranging by its buttons, and alternatives side by side', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Arranged')
  await bench.rename('icon', 'row')
  for (const [x, y] of [
    [2, 3],
    [7, 8],
    [17, 5],
  ] as const) {
    await bench.press('1')
    await bench.drag([x, y], [x + 3, y + 3])
  }
  await bench.press('Control+a')
  await page.getByRole('button', { name: 'Equal gaps across' }).click()
  await page.getByRole('button', { name: 'Align middle' }).click()
  await bench.expectCell('x of Rectangle 2', '9.5')
  for (const name of ['Rectangle 1', 'Rectangle 2', 'Rectangle 3']) await bench.expectCell(`y of ${name}`, '5.5')
  await page.getByLabel('Align to', { exact: true }).selectOption('live area')
  await page.getByRole('button', { name: 'Align bottom' }).click()
  await bench.expectCell('y of Rectangle 1', '20')
  // The middle of the row is at 11, 21.5: one to the left and 9.5 below that of the square.
  const ink = page.getByRole('button', { name: 'Centre by ink' })
  await expect(ink).toContainText('−1, 9.5')
  await ink.click()
  await bench.expectCell('y of Rectangle 1', '10.5')
  await bench.expectCell('x of Rectangle 1', '3')

  await page.getByRole('button', { name: '+ alternative' }).click()
  await bench.press('Control+a')
  await bench.press('Delete')
  await bench.press('2')
  await bench.drag([4, 4], [20, 20])
  expect((await delivered(page, bench)).row).toContain('<circle')
  await page.getByRole('group', { name: 'Alternatives' }).getByRole('button', { name: /first/ }).click()
  expect((await delivered(page, bench)).row).not.toContain('<circle')
  await page
    .getByRole('group', { name: 'Alternatives' })
    .getByRole('button', { name: /version 2/ })
    .click()
  await expect(bench.row('Ellipse 1')).toBeVisible()
})
