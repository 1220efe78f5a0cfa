import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { deliver } from './deliver'
import { BenchPage, delivered } from './bench-page'
import { expect, test } from './test'

const FOLDER = join(import.meta.dirname, '../demo/folder')

test('a folder of SVG becomes a set: rules proposed, icons chosen, snags mended, delivered, taken back', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('Folder of SVG files').setInputFiles(FOLDER)
  const dialog = page.getByRole('dialog', { name: 'Import 14 files' })
  const rules = dialog.getByRole('list', { name: 'Rules found' })
  await expect(rules).toContainText('weight 2')
  await expect(rules).toContainText('34 of 40')
  await expect(rules).toContainText('1.75 (buoy)')
  await expect(dialog.getByRole('img', { name: 'lighthouse' })).toBeVisible()
  await expect(dialog).toContainText('text: its text became outlines in the font that comes with Wise Square')
  await dialog.getByLabel('Take quay').uncheck()
  // A proposed rule is left by a click, and taken by another.
  await rules.getByRole('checkbox', { name: /^corner/ }).uncheck()
  await expect(rules.getByRole('checkbox', { checked: false })).toHaveCount(1)
  await rules.getByRole('checkbox', { name: /^corner/ }).check()
  await dialog.getByLabel('Name of the set').fill('Harbour')
  await dialog.getByRole('button', { name: 'Create a set of 13 icons' }).click()
  const made = page.getByRole('link', { name: 'Harbour', exact: true })
  await expect(made).toBeVisible()
  // It is one step: taken back, and made again.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(made).toHaveCount(0)
  await page.getByLabel('Folder of SVG files').setInputFiles(FOLDER)
  await dialog.getByLabel('Name of the set').fill('Harbour')
  await dialog.getByRole('button', { name: 'Create a set of 14 icons' }).click()
  await made.click()
  await page.waitForURL('**/draw**')

  // The shapes are live, and what breaks the rules is said.
  const bench = new BenchPage(page)
  await page.goto(page.url().replace(/\/draw.*/, '/draw/lifebelt'))
  await bench.expectCell('w of circle 1', '18')
  await page.getByRole('link', { name: 'Review' }).click()
  await page.getByLabel('Icons shown').selectOption('with snags')
  await expect(page.getByRole('button', { name: 'buoy', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Mend…' }).click()
  await page.getByRole('button', { name: /^Mend (all|\d+|one)/ }).click()
  await page.keyboard.press('Escape')
  await page.getByLabel('Icons shown').selectOption('all')

  // Another file is read into the set, under its rules.
  const drawn = (name: string, body: string) => ({
    name: `${name}.svg`,
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(`<svg viewBox="0 0 48 48"><g fill="none" stroke="#14231f" stroke-width="4">${body}</g></svg>`),
  })
  const square = '<rect x="8" y="8" width="32" height="32" rx="4"/>'
  await page
    .getByLabel('SVG files to import into the set')
    .setInputFiles([
      drawn('crate', square),
      drawn('chest', square),
      drawn('barrel', '<circle cx="24" cy="24" r="16"/>'),
    ])
  const preview = page.getByRole('dialog', { name: /^Import 3 files into/ })
  await preview.getByRole('checkbox', { name: 'Take barrel' }).uncheck()
  await preview.getByRole('button', { name: 'chest is imported as editable shapes' }).click()
  await expect(preview.getByRole('button', { name: 'chest is imported as paths as drawn' })).toBeVisible()
  await preview.getByRole('button', { name: 'Import 2 icons' }).click()
  await expect(page.getByText('2 icons were imported.')).toBeVisible()
  await page.getByRole('button', { name: 'crate', exact: true }).dblclick()
  await page.keyboard.press('Escape')
  const stored = async () =>
    JSON.parse(await (await page.request.get(`/api/sets/${/sets\/([^/]+)/.exec(page.url())![1]}/file`)).text()).set
  await expect.poll(async () => (await stored()).icons.map(({ name }: { name: string }) => name)).toContain('chest')
  const { rules: written, icons } = await stored()
  expect(written.weights).toEqual([{ name: 'main', value: 2 }])
  const named = (name: string) => icons.find((icon: { name: string }) => icon.name === name).masters[0].objects
  expect(named('crate')).toMatchObject([{ kind: 'rectangle', x: 4, w: 16, corner: 'outer', style: { weight: 'main' } }])
  expect(named('chest')).toMatchObject([{ kind: 'path', style: { weight: 'main' } }])
  const files = await delivered(page, bench)
  expect(Object.keys(files)).toHaveLength(16)
  expect(files.crate).toContain('stroke-width="2"')
  expect(named('buoy')).toMatchObject([{ style: { stroke: 'ink', weight: 'main' } }, {}, {}, {}])
})

test('icons of two styles become two sets, each named, and a style that is unticked is left out', async ({ page }) => {
  const icon = (name: string, body: string) => ({
    name: `${name}.svg`,
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24">${body}</svg>`),
  })
  const line = '<path fill="none" stroke="#000" stroke-width="2" d="M4 6h16v12H4z"/>',
    solid = '<path d="M3 5h18v14H3z"/>'
  const files = ['crate', 'chest', 'locker'].flatMap((name) => [icon(name, line), icon(`${name}-filled`, solid)])
  await page.goto('/')
  await page.getByLabel('Set file').setInputFiles([...files, icon('barrel', line)])
  const dialog = page.getByRole('dialog', { name: 'Import 7 files' })
  await dialog.getByLabel('Name of the set').fill('Hold')
  const styles = dialog.getByRole('group', { name: /^Styles/ })
  await expect(styles).toContainText('Hold solid')
  await expect(dialog.getByRole('button', { name: 'Create 2 sets of 7 icons' })).toBeEnabled()
  // Left out by its tick, then taken again; each style can be looked at.
  await styles.getByRole('checkbox', { name: 'solid 3' }).uncheck()
  await expect(dialog.getByRole('button', { name: 'Create a set of 4 icons' })).toBeEnabled()
  await styles.getByRole('checkbox', { name: 'solid 3' }).check()
  await styles.getByRole('button', { name: 'show solid' }).click()
  await expect(dialog.getByRole('img', { name: 'chest' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Create 2 sets of 7 icons' }).click()
  await expect(page.getByText('“Hold” and “Hold solid” were added to the shelf.')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Hold solid', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await page.waitForURL('**/draw**')
  await expect(
    page.getByRole('complementary', { name: 'Family' }).getByRole('button', { name: 'barrel', exact: true }),
  ).toBeVisible()
})

test('a font that a set was delivered as is read as that set again, with its code points', async ({ page }, info) => {
  const folder = info.outputPath('font')
  deliver('quayside', folder, 'font')
  const files = join(folder, 'developers/font')
  await page.goto('/')
  const torn = join(files, 'torn.woff2')
  writeFileSync(torn, readFileSync(join(files, 'quayside.woff2')).subarray(0, 3000))
  await page.getByLabel('Set file').setInputFiles(torn)
  await expect(page.getByText('The WOFF2 font cannot be unpacked.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel('Set file').setInputFiles(join(files, 'quayside.woff2'))
  const dialog = page.getByRole('dialog', { name: /^Import/ })
  await dialog.getByLabel('Name of the set').fill('From a font')
  await dialog.getByRole('button', { name: 'Create a set of 39 icons' }).click()
  await page.getByRole('link', { name: 'From a font', exact: true }).click()
  await page.waitForURL('**/draw**')
  const { icons, rules, delivery } = JSON.parse(
    await (await page.request.get(`/api/sets/${/sets\/([^/]+)/.exec(page.url())![1]}/file`)).text(),
  ).set
  expect(rules.grid.size).toBe(24)
  const codes = JSON.parse(readFileSync(join(files, 'code-points.json'), 'utf8'))
  for (const { id, name } of icons) expect([name, delivery.codes[id].toString(16)]).toEqual([name, codes[name]])
})

test('SVG text is pasted and dropped on the square as objects under the rules', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Pasted')
  const text = readFileSync(join(FOLDER, 'signs/lifebelt.svg'), 'utf8')
  await page.evaluate((svg) => {
    const data = new DataTransfer()
    data.setData('text/plain', svg)
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  }, text)
  await bench.expectCell('w of circle 1', '18')
  await expect(page.getByRole('button', { name: /^weight of circle 1: main/ })).toBeVisible()
  await bench.press('Control+z')
  await expect(page.getByRole('row', { name: /circle 1/ })).toHaveCount(0)
  await page.evaluate((svg) => {
    const stage = document.querySelector('[data-testid=stage]')!
    const { left, top, width, height } = stage.getBoundingClientRect()
    const data = new DataTransfer()
    data.items.add(new File([svg], 'belt.svg', { type: 'image/svg+xml' }))
    stage.dispatchEvent(
      new DragEvent('drop', {
        dataTransfer: data,
        bubbles: true,
        cancelable: true,
        clientX: left + width / 2,
        clientY: top + height / 2,
      }),
    )
  }, text)
  await bench.expectCell('w of circle 1', '18')
})
