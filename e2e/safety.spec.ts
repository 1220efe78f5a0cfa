import { expect, test } from './test'
import { BenchPage } from './bench-page'

test('what was drawn while the server could not be reached is kept over a closed tab and saved later', async ({
  page,
  context,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Storm')
  await bench.saved()
  const url = page.url()
  await context.route('**/save', (route) => route.abort())
  await bench.press('1')
  await bench.drag([3, 3], [21, 21])
  await expect(page.getByText('Not saved yet')).toBeVisible()
  await page.close()
  await context.unroute('**/save')
  const later = await context.newPage()
  await later.goto(url)
  await expect(new BenchPage(later).row('Rectangle 1')).toBeVisible()
  await new BenchPage(later).saved()
  await later.reload()
  await expect(new BenchPage(later).row('Rectangle 1')).toBeVisible()
})

test('a set file that cannot be read is refused in a sentence, and a good one is taken', async ({ page }) => {
  await page.goto('/')
  const rows = page.getByRole('table', { name: 'Sets' }).getByRole('row')
  const count = await rows.count()
  const choose = (name: string, text: string) =>
    page.getByLabel('Set file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  const href = await page.getByRole('link', { name: 'Quayside', exact: true }).getAttribute('href')
  const text = await (await page.request.get(`/api${href!.replace('/draw', '/file')}`)).text()
  for (const [broken, sentence] of [
    [text.slice(0, 3000), 'The file is cut off before its end.'],
    [text.replace('"version": 1', '"version": 2'), 'This set file is of version 2; this program reads version 1.'],
    [text.replace('"x": 2,', '"x": NaN,'), 'The file holds NaN or Infinity where a number is needed.'],
  ] as const) {
    await choose('pier.wisesquare.json', broken)
    await expect(page.getByRole('status')).toContainText(`“pier.wisesquare.json” was not imported. ${sentence}`)
    expect(await rows.count()).toBe(count)
  }
  await choose('pier.wisesquare.json', text.replace('"name": "Quayside"', '"name": "Pier"'))
  await expect(page.getByRole('link', { name: 'Pier', exact: true })).toBeVisible()

  // Deleted, it can be put back at once or later.
  await page.getByRole('button', { name: 'More for Pier' }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(page.getByRole('link', { name: 'Pier', exact: true })).toBeHidden()
  await page.getByRole('listitem').filter({ hasText: 'Pier' }).getByRole('button', { name: 'Put back' }).click()
  await expect(page.getByRole('link', { name: 'Pier', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'More for Pier' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(page.getByRole('link', { name: 'Pier 2', exact: true })).toBeVisible()
})

test('requests from another site change nothing', async ({ page }) => {
  await page.goto('/')
  const response = await page.request.post('/api/sets', {
    data: '{}',
    headers: { origin: 'http://elsewhere.example', 'content-type': 'application/json' },
  })
  expect(response.status()).toBe(403)
})

test('rules that cannot be are refused where they stand', async ({ page }) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  await page.goto(`${bench.setUrl}/rules`)
  const apply = page.getByRole('button', { name: 'Apply' })
  for (const [field, value, sentence] of [
    ['Size 1', '0', 'A size must be at least 1 pixel.'],
    ['Size 5', '100000', 'A size may be at most 2048 pixels.'],
    ['Live area', '30', 'The live area cannot be larger than the grid of 24.'],
  ] as const) {
    await page.getByLabel(field, { exact: true }).fill(value)
    await page.getByLabel(field, { exact: true }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: sentence })).toBeVisible()
    await expect(apply).toBeDisabled()
    await page.getByRole('button', { name: 'Discard' }).click()
  }
  await page.getByRole('button', { name: 'Remove outer' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'uses the radius “outer”' })).toBeVisible()
  await page.getByRole('button', { name: 'Discard' }).click()

  // Renamed, a value keeps its icons; a keyline is pulled in the diagram.
  await page.getByLabel('Name of weight 1').fill('stout')
  await page.getByLabel('Pull the height of wide').hover()
  await page.mouse.down()
  const diagram = (await page.getByRole('img', { name: 'Diagram of the square' }).boundingBox())!
  await page.mouse.move(diagram.x + diagram.width / 2, diagram.y + (diagram.height * 19) / 24, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByRole('textbox', { name: 'Height of wide' })).toHaveValue('14')
  await apply.click()
  await bench.saved()
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await expect(bench.row('Funnel')).toContainText('stout')
})
