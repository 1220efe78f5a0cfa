import { readFileSync } from 'node:fs'
import { expect, test } from './test'
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
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
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

test('rules as a file of their own: exported, changed, brought in again as a change that waits; design tokens beside it', async ({
  page,
}) => {
  await BenchPage.withNewSet(page, 'Rule files')
  await page.getByRole('link', { name: 'Rules' }).click()
  // A radius that is a sum follows the weight in it, and goes by its new name.
  await setting(page, 'Sum for inner', 'outer - main / 2')
  await expect(page.getByLabel('radius inner', { exact: true })).toHaveValue('1')
  await setting(page, 'weight main', '3')
  await expect(page.getByLabel('radius inner', { exact: true })).toHaveValue('0.5')
  await page.getByLabel('Name of weight 1').fill('thick')
  await expect(page.getByLabel('Sum for inner')).toHaveValue('outer - thick / 2')
  await setting(page, 'Sum for inner', 'outer - nothing')
  await expect(page.getByText('“outer - nothing” is not a sum of weights')).toBeVisible()
  await page.getByRole('button', { name: 'Discard' }).click()
  const download = async (name: string) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()])
    return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') }
  }
  const rules = await download('Export rules')
  expect(rules.name).toBe('rule-files.rules.json')
  const tokens = await download('as design tokens')
  expect(JSON.parse(tokens.text)).toMatchObject({ weight: { main: { $value: { value: 2, unit: 'px' } } } })
  const changed = rules.text.replace('{"name": "main", "value": 2}', '{"name": "main", "value": 2.5}')
  await page
    .getByLabel('Rules file')
    .setInputFiles({ name: 'r.json', mimeType: 'application/json', buffer: Buffer.from(changed) })
  await expect(page.getByLabel('weight main', { exact: true })).toHaveValue('2.5')
  await page.getByRole('button', { name: 'Discard' }).click()
  await expect(page.getByLabel('weight main', { exact: true })).toHaveValue('2')
  await page
    .getByLabel('Rules file')
    .setInputFiles({ name: 'r.json', mimeType: 'application/json', buffer: Buffer.from('{}') })
  await expect(page.getByText('This is not a Wise Square rules file.')).toBeVisible()
})

test('a gradient of the rules is made and edited there, trim and lines to draw by are seen on the square', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, `Rules ${Math.random().toString(36).slice(2, 7)}`, 'App icon')
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.getByRole('button', { name: '+ gradient' }).click()
  await page.getByLabel('Name of gradient 1').fill('dusk')
  const stops = page.getByRole('list', { name: 'Stops of dusk' })
  await stops.getByRole('button', { name: '+ stop' }).click()
  await page.getByLabel('Colour of stop 2 of dusk').selectOption('signal')
  await setting(page, 'Place of stop 2 of dusk, in percent', '30')
  await setting(page, 'Trim', '1000')
  await page.getByRole('toolbar', { name: 'Construction lines' }).getByRole('button', { name: 'thirds' }).click()
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText('No change is pending.')).toBeVisible()
  await bench.saved()
  const file = (await (await page.request.get(`${bench.setUrl.replace('/sets/', '/api/sets/')}/file`)).json()) as {
    set: { rules: Record<string, unknown> }
  }
  expect(file.set.rules['gradients']).toEqual([
    {
      name: 'dusk',
      stops: [
        { at: 0, color: 'ink' },
        { at: 0.3, color: 'signal' },
        { at: 1, color: 'ground' },
      ],
    },
  ])
  expect([file.set.rules['trim'], file.set.rules['lines']]).toEqual([1000, ['thirds']])
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await expect(page.locator('[data-layer=trim]')).toBeVisible()
  await expect(page.locator('[data-layer=lines] path')).toHaveCount(2)
})
