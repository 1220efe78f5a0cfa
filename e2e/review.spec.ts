import { readFileSync } from 'node:fs'
import { expect, type Page, test } from './test'
import { decode } from 'fast-png'
import { BenchPage } from './bench-page'

const sheet = (page: Page) => page.getByRole('list', { name: 'Sheet' })
const select = (page: Page, name: string, modifiers: 'Shift'[] = []) =>
  page.getByRole('checkbox', { name: `Select ${name}`, exact: true }).click({ modifiers, force: true })

test('many icons changed together: tagged, renamed by a pattern, another weight, deleted, each with a way back', async ({
  page,
}) => {
  await BenchPage.withDemoIcon(page, 'ferry')
  await page.getByRole('link', { name: 'Review' }).click()
  const bar = page.getByRole('toolbar', { name: 'Selected icons' })
  await select(page, 'dinghy')
  await select(page, 'anchor', ['Shift'])
  await expect(bar).toContainText('4 icons selected')

  // Ctrl and the wheel zoom the sheet by whole pixels.
  const picture = sheet(page).getByRole('img', { name: 'dinghy at 24' })
  const side = async () => (await picture.boundingBox())!.width
  expect(await side()).toBe(24)
  await picture.hover()
  await page.keyboard.down('Control')
  await page.mouse.wheel(0, -100)
  await page.keyboard.up('Control')
  await expect.poll(side).toBe(48)
  await page.getByRole('button', { name: 'The sheet is zoomed 2 times' }).click()
  await expect.poll(side).toBe(24)

  await bar.getByRole('button', { name: 'Tag…' }).click()
  await page.getByLabel('Tags, with commas between them').fill('afloat, gear')
  await page.getByRole('button', { name: 'Tag', exact: true }).click()
  await page.getByLabel('Only with the tag').selectOption('gear')
  await expect(sheet(page).getByRole('link')).toHaveCount(4)
  await page.getByLabel('Find icons by name').fill('buo')
  await expect(sheet(page).getByRole('link')).toHaveCount(1)
  await page.getByLabel('Find icons by name').fill('like anch')
  await expect(sheet(page).getByRole('link').first()).toHaveAttribute('title', 'Draw anchor')
  await page.getByLabel('Find icons by name').fill('')

  await bar.getByRole('button', { name: 'Rename…' }).click()
  await page.getByLabel('Pattern for the names').fill('ferry')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(page.getByText('A pattern for several icons has a * for the name')).toBeVisible()
  await page.getByLabel('Pattern for the names').fill('sea-*')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(sheet(page).getByRole('link').first()).toHaveAttribute('title', 'Draw sea-dinghy')

  await bar.getByRole('button', { name: 'Weight of all strokes' }).click()
  await page.getByRole('menuitem', { name: /^fine/ }).click()
  await expect(page.getByText('Set the strokes of 4 icons to fine.')).toBeVisible()
  // Or by a number; one that the rules have keeps its name there.
  for (const [typed, said] of [
    ['1.25', '1.25'],
    ['4/2', 'main'],
  ] as const) {
    await bar.getByRole('button', { name: 'Weight of all strokes' }).click()
    await page.getByRole('menuitem', { name: 'A number…' }).click()
    await page.getByLabel('Weight in units of the grid').fill(typed)
    await page.getByRole('button', { name: 'Set', exact: true }).click()
    await expect(page.getByText(`Set the strokes of 4 icons to ${said}.`)).toBeVisible()
  }

  await bar.getByRole('button', { name: 'Delete' }).click()
  await expect(sheet(page).getByRole('link')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(sheet(page).getByRole('link')).toHaveCount(4)

  // A name in its place; one that is taken is not accepted.
  const name = sheet(page).getByRole('button', { name: 'sea-anchor', exact: true })
  await name.dblclick()
  await page.getByLabel('Name of sea-anchor').fill('ferry')
  await page.getByLabel('Name of sea-anchor').press('Enter')
  await expect(page.getByLabel('Name of sea-anchor')).toHaveAttribute('aria-invalid', 'true')
  await page.getByLabel('Name of sea-anchor').fill('anchor')
  await page.getByLabel('Name of sea-anchor').press('Enter')
  await expect(sheet(page).getByRole('link', { name: /^anchor at/ })).toBeVisible()
})

test('two icons over each other, icons in use, and the sheet as a picture and as a PDF', async ({ page }) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  await bench.saved()
  await page.getByRole('link', { name: 'Review' }).click()
  await select(page, 'high-tide')
  await select(page, 'low-tide')
  await page.getByRole('button', { name: 'Overlay' }).click()
  const dialog = page.getByRole('dialog', { name: 'high-tide over low-tide' })
  await expect(dialog.getByRole('img')).toHaveCount(2)
  await dialog.getByRole('slider').fill('100')
  await expect(dialog.getByRole('img', { name: 'low-tide' })).toHaveCSS('opacity', '0')
  await page.keyboard.press('Escape')

  await page.getByRole('radio', { name: 'in use' }).click()
  await expect(
    page.getByRole('figure').filter({ hasText: 'A list, 16 px' }).first().getByRole('listitem').first(),
  ).toContainText('high tide')
  await page.getByRole('radio', { name: 'sheet' }).click()
  const kept = async (as: string) => {
    await page.getByRole('button', { name: 'The sheet as a file' }).click()
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: as, exact: true }).click(),
    ])
    return readFileSync(await file.path())
  }
  const png = decode(await kept('PNG'))
  expect(png.width).toBeGreaterThan(1000)
  expect(new Set(png.data.subarray(0, png.width * 400)).size).toBeGreaterThan(20)
  expect((await kept('PDF')).subarray(0, 5).toString()).toBe('%PDF-')
})

test('what an icon is right to left is said in Review and on the bench, seen in use, and taken back', async ({
  page,
}) => {
  await BenchPage.withDemoIcon(page, 'ferry')
  const direction = page.getByRole('region', { name: 'Right to left' })
  await expect(direction.getByRole('button')).toHaveText('not set')
  await direction.getByRole('button').click()
  await page.getByRole('menuitem', { name: 'another icon…' }).click()
  await page.getByLabel('Name of an icon of this set').fill('no such')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByText('There is no icon “no such” in this set.')).toBeVisible()
  await page.getByLabel('Name of an icon of this set').fill('dinghy')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(direction.getByRole('button')).toHaveText('dinghy')
  await expect(direction.getByRole('img', { name: 'ferry right to left, light' })).toBeVisible()

  await page.getByRole('link', { name: 'Review' }).click()
  await select(page, 'ferry')
  await select(page, 'anchor')
  const bar = page.getByRole('toolbar', { name: 'Selected icons' })
  await bar.getByRole('button', { name: 'Right to left' }).click()
  await page.getByRole('menuitem', { name: 'mirrors' }).click()
  await page.getByRole('radio', { name: 'in use' }).click()
  const row = page.locator('figure', { hasText: 'A row of tools' }).first()
  await expect(row.getByRole('img', { name: 'ferry' })).not.toHaveClass(/scale/)
  await page.getByRole('radio', { name: 'right to left' }).click()
  for (const name of ['ferry', 'anchor']) await expect(row.getByRole('img', { name, exact: true })).toHaveClass(/scale/)
  await expect(row.getByRole('img', { name: 'dinghy' })).not.toHaveClass(/scale/)
  await page.keyboard.press('Control+z')
  await expect(row.getByRole('img', { name: 'anchor' })).not.toHaveClass(/scale/)
})

test('a whole set is brought to a grid of 20: seen on one sheet, one icon left as it looks, applied and undone', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.getByRole('button', { name: 'Bring the set to another grid' }).click()
  await page.getByRole('menuitem', { name: '20 units' }).click()
  await expect(page.getByLabel('Live area', { exact: true })).toHaveValue('18')
  const status = page.getByRole('status').filter({ hasText: 'icons change' })
  await expect(status).toContainText(/39 of 39 icons change/, { timeout: 30_000 })
  await page.getByRole('button', { name: 'on one sheet' }).click()
  await expect(page.getByRole('list', { name: 'All icons that change' }).getByRole('figure').first()).toBeVisible()
  await page.getByRole('button', { name: 'Leave dinghy as it looks' }).first().click()
  await expect(page.getByText('one icon is left as it looks')).toBeVisible()
  await expect(status).toContainText(/of 39 icons change/, { timeout: 30_000 })
  await page.getByRole('button', { name: 'Apply' }).click()
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await expect(page.getByRole('tab', { name: '20', exact: true })).toHaveAttribute('aria-selected', 'true')
  await bench.press('Control+z')
  await expect(page.getByRole('tab', { name: '24', exact: true })).toHaveAttribute('aria-selected', 'true')
})
