import { expect, test } from '@playwright/test'
import { BenchPage, delivered, setting } from './bench-page'

test('the main weight and the outer radius change: all follow, those that need a hand come first and say why, in one step', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  const before = await delivered(page, bench)
  await page.getByRole('link', { name: 'Rules' }).click()
  await setting(page, 'weight main', '1.5')
  await setting(page, 'radius outer', '3')
  const strip = page.getByRole('region', { name: 'Before and after' })
  const heading = strip.getByRole('heading')
  await expect(heading).toHaveText(/of 39 icons change, \d+ need a hand/, { timeout: 30_000 })
  await expect(strip.getByRole('listitem').first()).toBeVisible()
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText('No change is pending.')).toBeVisible()
  await page.getByRole('link', { name: 'Draw' }).click()
  await bench.ready()
  const after = await delivered(page, bench)
  // Every stroke that was of the main weight is 1.5 wide now; none is 2.
  for (const name of Object.keys(before)) {
    if (before[name]!.includes('stroke-width="2"')) expect(after[name], name).toContain('stroke-width="1.5"')
    expect(after[name], name).not.toContain('stroke-width="2"')
  }
  await bench.press('Control+z')
  expect(await delivered(page, bench)).toEqual(before)
})
