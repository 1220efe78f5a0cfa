import { expect, test } from './test'
import { BenchPage, delivered, setting } from './bench-page'

test('the set: other rules, those that need a hand mended, a small master tuned that keeps its tuning, delivered twice alike', async ({
  page,
}) => {
  test.slow()
  const bench = await BenchPage.withDemoIcon(page, 'bollard')
  await page.getByRole('link', { name: 'Rules' }).click()
  await setting(page, 'weight main', '1.5')
  await setting(page, 'radius outer', '3')
  const strip = page.getByRole('region', { name: 'Before and after' })
  await expect(strip.getByRole('heading')).toHaveText(/of 39 icons change, 3 need a hand/, { timeout: 60_000 })
  await page.getByRole('button', { name: 'on one sheet' }).click()
  const sheet = page.getByRole('list', { name: 'All icons that change' })
  await expect(sheet.getByRole('figure').first()).toContainText('The radius 3 does not fit “Rope”')
  await expect(sheet.getByRole('figure').nth(1)).toContainText('Parts that touched come apart.')
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText('No change is pending.')).toBeVisible()

  // By hand what no repair knows, and by the repairs what they do.
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await bench.pick('Rope')
  await bench.own('corner of Rope', '2')
  await page.getByRole('link', { name: 'Review' }).click()
  await page.getByRole('button', { name: 'Mend…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Mend the set' })
  await expect(dialog.getByRole('status')).toContainText('can be mended', { timeout: 60_000 })
  await expect(dialog.getByRole('listitem').first()).toBeVisible()
  await dialog.getByRole('button', { name: /^Mend \d/ }).click()
  await expect(page.getByText(/^Mend .* in .*\.$/)).toBeVisible()

  // The 16 master of another icon is tuned; its parent changes, and the tuning stays.
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await (await bench.sibling('timetable')).click()
  const tab = (base: number) => page.getByRole('tablist', { name: 'Masters' }).getByRole('tab', { name: String(base) })
  await tab(16).click()
  await bench.pick('Head')
  await bench.type('y of Head', '6')
  await tab(24).click()
  await bench.pick('Route 2')
  await bench.type('y of Route 2', '17.5')
  await tab(16).click()
  const bar = page.getByRole('group', { name: 'The 16 master' })
  await expect(bar).toContainText('changed by hand')
  await expect(bar).not.toContainText('conflict')
  await bench.pick('Head')
  await bench.expectCell('y of Head', '6')

  const first = await delivered(page, bench),
    second = await delivered(page, bench)
  expect(Object.keys(first)).toHaveLength(78)
  expect(second).toEqual(first)
})
