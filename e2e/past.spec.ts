import { expect, test } from './test'
import { BenchPage } from './bench-page'

test('a named state stands beside the present: one icon, one from the bin, then all of it is taken back', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  await page.getByRole('link', { name: 'Review' }).click()
  const sheet = page.getByRole('list', { name: 'Sheet' }),
    select = (name: string) =>
      page.getByRole('checkbox', { name: `Select ${name}`, exact: true }).click({ force: true }),
    bar = page.getByRole('toolbar', { name: 'Selected icons' })
  const earlier = page.getByRole('dialog', { name: 'The set as it was' })
  await page.getByRole('button', { name: 'Earlier…' }).click()
  await expect(earlier).toContainText('No earlier state yet.')
  await earlier.getByLabel('Name for the set as it is now').fill('shown to the harbour')
  await earlier.getByRole('button', { name: 'Keep' }).click()
  await expect(earlier.getByRole('list', { name: 'States' })).toContainText('shown to the harbour')
  await expect(earlier).toContainText('No icon has changed since.')
  await page.keyboard.press('Escape')

  await select('anchor')
  await bar.getByRole('button', { name: 'Weight of all strokes' }).click()
  await page.getByRole('menuitem', { name: /^fine/ }).click()
  await bar.getByRole('button', { name: 'None' }).click()
  await select('dinghy')
  await bar.getByRole('button', { name: 'Delete' }).click()
  await bench.saved()
  const count = await page.getByText(/^\d+ icons · grid/).textContent()

  // The window that drew them is gone, so is what it knew of the bin.
  await page.reload()
  await page.getByRole('button', { name: 'Earlier…' }).click()
  await expect(earlier).toContainText('1 icon differs, 1 was deleted since')
  await expect(earlier.getByRole('img', { name: 'anchor then' })).toBeVisible()
  await earlier.getByRole('button', { name: 'Restore dinghy' }).click()
  await expect(earlier).not.toContainText('deleted since')
  await page.keyboard.press('Escape')
  await bench.saved()
  await expect(page.getByText(count!)).toHaveCount(0)
  await expect(sheet.getByRole('link', { name: /^dinghy at/ })).toBeVisible()

  await page.getByRole('button', { name: 'Earlier…' }).click()
  await earlier.getByRole('button', { name: 'Restore everything' }).click()
  await expect(earlier).toContainText('No icon has changed since.')
  await page.keyboard.press('Escape')
  await bench.saved()
  await page.reload()
  await page.getByRole('button', { name: 'Earlier…' }).click()
  await expect(earlier).toContainText('No icon has changed since.')
  await earlier.getByRole('listitem').first().hover()
  await earlier.getByRole('button', { name: 'Remove the name shown to the harbour' }).click()
  await expect(earlier.getByRole('list', { name: 'States' })).not.toContainText('shown to the harbour')
})
