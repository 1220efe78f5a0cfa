import { readFileSync } from 'node:fs'
import { expect, test } from './test'
import { rasterised } from '../src/testing/rasterised'
import { unzipSync } from 'fflate'
import { BenchPage } from './bench-page'
import { decoded } from '../src/testing/decoded'

test('from an empty shelf to a delivered set', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Harbour signs')

  // A life buoy: the rim by dragging, the hole by typing, the bands by dragging and copying.
  await bench.rename('icon', 'life-buoy')
  await bench.press('2')
  await bench.drag([2, 2], [22, 22])
  await bench.expectCell('w of Ellipse 1', '20')
  await bench.press('2')
  await bench.drag([9, 9], [12, 13])
  await page.getByRole('radio', { name: 'centre', exact: true }).click()
  await bench.type('w of Ellipse 2', '24/3')
  await bench.type('h of Ellipse 2', '8')
  await bench.type('x of Ellipse 2', '12')
  await bench.type('y of Ellipse 2', '24/2')
  for (const [from, to] of [
    [
      [12, 2],
      [12, 8],
    ],
    [
      [12, 16],
      [12, 22],
    ],
    [
      [2, 12],
      [8, 12],
    ],
    [
      [16, 12],
      [22, 12],
    ],
  ] as const) {
    await bench.press('5')
    await bench.drag(from, to)
  }
  await expect(page.getByRole('tab', { name: 'Objects 6' })).toBeVisible()

  // A ticket: a card and two notches, the notches cut live.
  // Its name is typed as it begins.
  await page.getByRole('button', { name: '+ icon' }).click()
  await expect(page.getByLabel('Name of the icon')).toBeFocused()
  await page.keyboard.type('ticket')
  await page.keyboard.press('Enter')
  await bench.press('1')
  await bench.drag([2, 5], [22, 19])
  await bench.press('2')
  await bench.drag([-0.5, 9.5], [4.5, 14.5])
  await bench.drag([3.768, 10.232], [23.768, 10.232], ['Alt'])
  await bench.press('Control+a')
  await bench.press('Shift+A')
  await expect(bench.row('Assembly 1')).toBeVisible()
  await expect(bench.row('Ellipse 1').first()).toContainText('cuts')
  await bench.saved()

  // Nothing is lost by a reload.
  await page.reload()
  await bench.ready()
  await expect(page).toHaveURL(/draw\/ticket$/)
  await expect(page.getByRole('tab', { name: 'Objects 4' })).toBeVisible()

  // The main weight changes, and every icon with it.
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.getByLabel('weight main').fill('1.5')
  await page.getByLabel('weight main').press('Enter')
  await expect(page.getByRole('heading', { name: 'Before and after · 2 of 2 icons change' })).toBeVisible()
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText('No change is pending.')).toBeVisible()
  await bench.saved()

  await page.getByRole('link', { name: 'Review' }).click()
  await expect(page.getByRole('list', { name: 'Sheet' }).getByRole('link')).toHaveCount(2)

  // Delivered: the files are those announced, the SVG says what was drawn.
  await page.getByRole('link', { name: 'Deliver' }).click()
  await expect(page.getByText(/^32 files, \d/)).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download as a zip' }).click(),
  ])
  const files = unzipSync(readFileSync(await download.path()))
  expect(Object.keys(files)).toHaveLength(32)
  const svg = (name: string) => Buffer.from(files[`svg/${name}.svg`]!).toString()
  const root =
    '<svg xmlns="http://www.w3.org/2000/svg" width="24" height="24" viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="1.5" stroke-linecap="round" stroke-linejoin="round">'
  expect(svg('life-buoy')).toBe(
    `${root}<circle cx="12" cy="12" r="10"/><circle cx="12" cy="12" r="4"/><path d="M12 2V8"/><path d="M12 16v6"/><path d="M2 12H8"/><path d="M16 12h6"/></svg>\n`,
  )
  expect(svg('ticket')).toContain(root)

  // What is delivered is what the proof showed, pixel by pixel.
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  for (const name of ['life-buoy', 'ticket']) {
    await page.getByRole('button', { name, exact: true }).click()
    for (const size of [16, 24, 48]) {
      const expected = [...rasterised(svg(name).replaceAll('currentColor', '#14231f'), size).data]
      await expect
        .poll(async () => greatestDifference(await bench.proofPixels(`${name} at ${size} on light`), expected))
        .toBeLessThanOrEqual(3)
      const delivered = [...decoded(files[`png/${size}/${name}.png`]!).data]
      expect(greatestDifference(delivered, expected)).toBe(0)
    }
  }
})

/** The greatest difference of two pictures in any channel, colours weighted by their opacity as the eye sees them. */
function greatestDifference(a: readonly number[], b: readonly number[]): number {
  if (a.length !== b.length) return 255
  let most = 0
  for (let i = 0; i < a.length; i += 4) {
    for (let k = 0; k < 3; k++) most = Math.max(most, Math.abs(a[i + k]! * a[i + 3]! - b[i + k]! * b[i + 3]!) / 255)
    most = Math.max(most, Math.abs(a[i + 3]! - b[i + 3]!))
  }
  return most
}
