import { expect, test } from '@playwright/test'
import { BenchPage } from '../bench-page'

/** What browsers say of things that are nobody's fault here. */
const FINE = [/Download the React DevTools/, /\[HMR\]/, /\[Fast Refresh\]/]

test('a walk through every stage and tool leaves nothing on the console of the development build', async ({ page }) => {
  const said: string[] = []
  page.on('console', (message) => {
    if (['error', 'warning'].includes(message.type()) && !FINE.some((one) => one.test(message.text())))
      said.push(`${page.url()}: ${message.text()}`)
  })
  page.on('pageerror', (error) => said.push(`${page.url()}: ${error.message}`))

  await page.goto('/')
  await expect(page.getByRole('table', { name: 'Sets' })).toBeVisible()
  const bench = await BenchPage.withNewSet(page, 'Console')
  for (const [key, from, to] of [
    ['1', [3, 3], [9, 9]],
    ['2', [12, 12], [20, 20]],
    ['3', [4, 12], [10, 20]],
    ['4', [13, 3], [20, 10]],
    ['5', [2, 2], [22, 2]],
    ['7', [3, 21], [20, 22]],
  ] as const) {
    await bench.press(key)
    await bench.drag(from, to)
  }
  await expect(page.locator('[role=row][data-object]')).toHaveCount(6)

  // While a stroke is drawn each object has one row, however often the drawing is shown anew.
  await bench.press('q')
  await bench.press('Control+a')
  await bench.press('z')
  const [from, to] = [await bench.at(3, 6), await bench.at(21, 14)]
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(to.x, to.y, { steps: 12 })
  await expect(page.locator('[role=row][data-object]')).toHaveCount(7)
  await page.mouse.up()
  await expect(page.locator('[role=row][data-object]')).toHaveCount(7)
  await bench.press('Control+z')

  for (const key of ['w', 'e', 'r', 't', 'y', 'u', 'i', 'a', 's', 'd', 'f', 'g', 'h', 'j']) {
    await bench.press(key)
    await bench.press('Escape')
  }
  for (const tab of [/^Nodes/, /^Colours/, /^References/, /^Guides/, /^Parts/, /^History/, /^Objects/])
    await page.getByRole('tab', { name: tab }).click()
  await bench.saved()
  for (const [stage, seen] of [
    ['Rules', page.getByRole('button', { name: 'Apply' })],
    ['Review', page.getByRole('list', { name: 'Sheet' })],
    ['Deliver', page.getByRole('tree')],
    ['Draw', page.getByTestId('artwork')],
  ] as const) {
    await page.getByRole('link', { name: stage, exact: true }).click()
    await expect(seen).toBeVisible()
  }
  expect(said).toEqual([])
})
