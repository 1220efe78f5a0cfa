import { expect, test } from './test'
import { BenchPage, delivered } from './bench-page'

test('a 20 px master is derived and fitted, tuned by hand, and keeps that when its parent changes', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'timetable')
  const tab = (base: number) => page.getByRole('tablist', { name: 'Masters' }).getByRole('tab', { name: String(base) })
  await page.getByRole('radio', { name: '20', exact: true }).click()
  const crisp = page.getByRole('complementary', { name: 'Proofs' }).getByText(/\d+ % crisp/)
  const share = async () => Number.parseInt((await crisp.textContent()) ?? '', 10)
  await expect(crisp).toBeVisible()
  expect(await share()).toBeLessThan(50)
  await page.getByRole('button', { name: 'Derive masters for a further size' }).click()
  await page.getByRole('menuitem', { name: 'Derive 20 px masters' }).click()
  await expect(tab(20)).toHaveAttribute('aria-selected', 'true')
  const bar = page.getByRole('group', { name: 'The 20 master' })
  await expect(bar).toContainText('derived from 24, fitted to pixels')
  await expect.poll(share).toBe(100)

  // Tuned by hand: the width of the board, typed.
  await bench.pick('Board')
  await bench.type('w of Board', '14')
  await expect(bar).toContainText('changed by hand, follows 24 in all else')

  // The parent changes: its board gets another width.
  await tab(24).click()
  await expect(page.getByRole('group', { name: 'The 20 master' })).toHaveCount(0)
  await bench.pick('Board')
  await bench.type('w of Board', '15')
  await tab(20).click()
  await expect(bar).toContainText('1 conflict')
  await bar.getByRole('button', { name: '1 conflict' }).click()
  await bar.getByRole('button', { name: 'keep mine' }).click()
  await expect(bar).not.toContainText('conflict')
  await bench.pick('Board')
  await bench.expectCell('w of Board', '14')

  const first = await delivered(page, bench),
    second = await delivered(page, bench)
  expect(first).toEqual(second)
  expect(Object.keys(first)).toContain('20/timetable')
  expect(first['20/timetable']).toContain('viewBox="0 0 20 20"')

  await tab(20).click()
  await bar.getByRole('button', { name: 'derive again' }).click()
  await expect(bar).toContainText('derived from 24')
})

test('an edge of a derived master is pinned by a drag, let go by a press, and all else is fitted around it', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'lighthouse')
  await page.getByRole('tablist', { name: 'Masters' }).getByRole('tab', { name: '16' }).click()
  const bar = page.getByRole('group', { name: 'The 16 master' }),
    edges = page.getByRole('group', { name: 'Edges of this master' }).getByRole('slider')
  await expect(bar).toContainText('edges crisp')
  const left = edges.nth(1)
  const before = Number(await left.getAttribute('aria-valuenow'))
  const square = Number(await left.evaluate((mark) => mark.getBoundingClientRect().left))
  const box = (await left.boundingBox())!
  await page.mouse.move(box.x + 7, box.y + 7)
  await page.mouse.down()
  await page.mouse.move(box.x + 30, box.y + 7, { steps: 4 })
  await expect(left).toHaveAttribute('aria-valuetext', /pinned by hand/)
  await page.mouse.up()
  await expect(left).toHaveAttribute('aria-valuenow', String(before + 1))
  await expect(bar).toContainText('derived from 24')
  await expect(bar).toContainText('1 by hand')
  expect(Number(await left.evaluate((mark) => mark.getBoundingClientRect().left))).toBeGreaterThan(square)

  // What is pinned is kept, and undone like anything else.
  await bench.saved()
  await page.reload()
  await page.getByRole('tablist', { name: 'Masters' }).getByRole('tab', { name: '16' }).click()
  await expect(left).toHaveAttribute('aria-valuetext', /pinned by hand/)
  await left.press('ArrowRight')
  await expect(left).toHaveAttribute('aria-valuenow', String(before + 2))
  await page.keyboard.press('Control+z')
  await expect(left).toHaveAttribute('aria-valuenow', String(before + 1))

  await left.press('Enter')
  await expect(left).toHaveAttribute('aria-valuenow', String(before))
  await expect(bar).not.toContainText('by hand')
  await left.press('Enter')
  await expect(left).toHaveAttribute('aria-valuetext', /released by hand/)
})

test('what could not be kept of a derived master is held to by a press, and let go by another', async ({ page }) => {
  await BenchPage.withDemoIcon(page, 'chart')
  await page.getByRole('tablist', { name: 'Masters' }).getByRole('tab', { name: '16' }).click()
  const bar = page.getByRole('group', { name: 'The 16 master' }),
    marks = page.getByRole('group', { name: 'Edges of this master' })
  await expect(bar).toContainText('6 ties, 2 not kept')
  await marks.getByRole('button', { name: 'slant, not kept' }).first().click()
  await expect(marks.getByRole('button', { name: 'slant, kept by hand' })).toHaveCount(1)
  await expect(bar).toContainText('1 by hand')
  await marks.getByRole('button', { name: 'slant, kept by hand' }).click()
  await expect(bar).toContainText('6 ties, 2 not kept')
  // What holds is marked when it is asked for: marks lie over what is drawn.
  await expect(marks.getByRole('button', { name: 'slant, holds' })).toHaveCount(0)
  await bar.getByRole('button', { name: /ties/ }).click()
  await marks.getByRole('button', { name: 'slant, holds' }).first().click()
  await expect(marks.getByRole('button', { name: 'slant, released by hand' })).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(bar).not.toContainText('by hand')
})

test('a master drawn by itself is compared with the main one, and mended where it lies elsewhere', async ({ page }) => {
  const bench = await BenchPage.withDemoIcon(page, 'anchor')
  await page.getByRole('tablist', { name: 'Masters' }).getByRole('tab', { name: '16' }).click()
  const bar = page.getByRole('group', { name: 'The 16 master' }),
    snags = page.getByRole('region', { name: 'Snags' })
  await bar.getByRole('button', { name: /by itself/ }).click()
  await expect(bar).toContainText('drawn by itself')
  await expect(snags).not.toContainText('main master')
  await page.keyboard.press('Control+a')
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowRight')
  const moved = snags
    .getByRole('listitem')
    .filter({ hasText: 'The drawing lies 1 px from where the main master has it' })
  await moved.getByRole('button', { name: /^Mend/ }).click()
  await expect(moved).toHaveCount(0)
  await bench.saved()
})
