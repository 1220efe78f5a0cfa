import AxeBuilder from '@axe-core/playwright'
import { expect, type Page, test } from './test'
import { BenchPage } from './bench-page'

/** What axe finds that is serious or critical, with the first place of each; in a part of the page where one is named. */
async function faults(page: Page, part?: string): Promise<string[]> {
  const axe = new AxeBuilder({ page })
  const { violations } = await (part ? axe.include(part) : axe).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes.length} × ${nodes[0]!.html.slice(0, 160)} ${nodes[0]!.failureSummary?.split('\n')[1] ?? ''}`,
    )
}

test('no screen has a serious fault of access, by day or by night', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Quayside', exact: true })).toBeVisible()
  expect.soft(await faults(page), 'shelf').toEqual([])
  const bench = await BenchPage.withDemoIcon(page, 'lighthouse')
  await bench.click(9, 14)
  expect.soft(await faults(page), 'bench').toEqual([])
  for (const panel of ['Nodes', 'Colours', 'References', 'Guides', 'History'] as const) {
    await page.getByRole('tab', { name: new RegExp(`^${panel}`) }).click()
    expect.soft(await faults(page, '[role="tabpanel"]'), panel).toEqual([])
  }
  await page.keyboard.press('Shift+?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  expect.soft(await faults(page, '[role="dialog"]'), 'keys').toEqual([])
  await page.keyboard.press('Escape')
  for (const stage of ['Rules', 'Review', 'Deliver'] as const) {
    await page.getByRole('link', { name: stage }).click()
    await page.waitForURL(`**/${stage.toLowerCase()}`)
    await expect(page.getByRole('banner')).toBeVisible()
    expect.soft(await faults(page), stage).toEqual([])
  }
  await page.evaluate(() => {
    document.documentElement.dataset.theme = 'night'
  })
  expect.soft(await faults(page), 'deliver by night').toEqual([])
})

test('a rectangle is drawn, moved, painted and undone by keys alone', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Keys')
  await page.mouse.move(0, 0)
  await bench.press('1')
  // From the middle four to the left and up, there it begins; eight further it ends.
  await bench.press('Shift+ArrowLeft')
  await bench.press('Shift+ArrowUp')
  await bench.press('Enter')
  for (let i = 0; i < 2; i++) await bench.press('Shift+ArrowRight')
  for (let i = 0; i < 6; i++) await bench.press('ArrowDown')
  await bench.press('Enter')
  for (const [cell, value] of [
    ['x', '8'],
    ['y', '8'],
    ['w', '8'],
    ['h', '6'],
  ] as const)
    await bench.expectCell(`${cell} of Rectangle 1`, value)
  await bench.press('Shift+ArrowRight')
  await bench.expectCell('x of Rectangle 1', '13')
  await page.getByRole('button', { name: /^fill of Rectangle 1/ }).focus()
  await bench.press('Enter')
  await page.getByRole('button', { name: 'ink #14231f' }).press('Enter')
  await expect(page.getByRole('button', { name: 'fill of Rectangle 1: ink' })).toBeVisible()
  await bench.press('Control+z')
  await bench.press('Control+z')
  await bench.expectCell('x of Rectangle 1', '8')
})
