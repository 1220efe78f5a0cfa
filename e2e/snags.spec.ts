import { expect, test } from './test'
import { BenchPage, command, delivered, setting } from './bench-page'

test('snags: found while drawing, marked, mended one by one and all at once, left on purpose, weighed by the rules', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Snags')
  const snags = page.getByRole('region', { name: 'Snags' })
  const rows = snags.getByRole('listitem')
  await bench.press('5')
  await bench.drag([4, 12], [20, 12])
  await bench.press('q')
  await expect(snags.getByText('none')).toBeVisible()
  // A weight of its own is listed, marked at its row and at the icon, and mended by a press.
  await bench.own('weight of Line 1', '2.3')
  await expect(rows.filter({ hasText: 'has a weight of its own, 2.3' })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Line 1 has/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /^icon: / })).toBeVisible()
  await page.getByRole('button', { name: /^Mend: “Line 1” has a weight/ }).click()
  await expect(rows.filter({ hasText: 'weight' })).toHaveCount(0)
  await bench.expectCell('weight of Line 1', 'main 2')

  // A slip of the hand: nearly level. The place is marked on the square; the repair levels it, to the thousandth.
  await bench.press('5')
  await bench.drag([4, 17], [20, 17.5])
  await bench.press('q')
  const slip = rows.filter({ hasText: 'nearly horizontal' })
  await expect(slip).toBeVisible()
  await expect(page.locator('[data-snag="nearly-straight"]')).toBeAttached()
  await slip.hover()
  await command(page, 'Mend all snags')
  await expect(slip).toHaveCount(0)
  await bench.rename('icon', 'level')
  expect((await delivered(page, bench)).level).toMatch(
    /M4 17H20|x1="4" x2="20" y1="17" y2="17"|x1="4" y1="17" x2="20" y2="17"/,
  )

  // At 16 pixels three of four edges lie between pixels; a press marks them on the square. At 24 all is crisp.
  await page.getByRole('button', { name: '25 % crisp' }).click()
  await expect(page.locator('[data-blurred="3"]')).toBeAttached()
  await page.getByRole('radiogroup', { name: 'Size to magnify' }).getByRole('radio', { name: '24' }).click()
  await expect(page.locator('[data-blurred="0"]')).toBeAttached()
  await page.getByRole('button', { name: '100 % crisp' }).click()

  // Another is left as it is, for a reason; undo brings it back.
  await bench.pick('Line 2')
  await bench.own('weight of Line 2', '2.3')
  const own = rows.filter({ hasText: 'weight of its own' })
  await own.hover()
  await own.getByRole('button', { name: /^Leave as it is/ }).click()
  await page.getByLabel('Reason').fill('As on the old sign.')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(own).toHaveCount(0)
  await bench.press('Control+z')
  await expect(own).toHaveCount(1)

  // The rules say how much it matters, and what else is looked for.
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.getByLabel('How much it matters: weights not in the rules').selectOption('off')
  await setting(page, 'Smallest gap', '3')
  await page.getByRole('button', { name: 'Apply' }).click()
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await expect(rows.filter({ hasText: 'A gap is' })).toContainText('at 16 px; the least is 3 px.')
  await expect(own).toHaveCount(0)
  await page.getByRole('link', { name: 'Review' }).click()
  await expect(page.getByRole('list', { name: 'Sheet' }).getByText(/◇ \d/)).toBeVisible()

  await page.getByLabel('Icons shown').selectOption('with snags')
  await expect(page.getByRole('list', { name: 'Sheet' }).getByRole('link')).toHaveCount(1)
  // Beside each other: charts with what stands out, look-alikes by their likeness.
  await page.getByRole('radio', { name: 'balance' }).click()
  await expect(page.getByRole('region', { name: 'visual weight' })).toContainText('middle')
  await page.getByRole('radio', { name: 'look-alikes' }).click()
  await expect(page.getByText('No two icons look alike at 16 pixels.')).toBeVisible()
})

test('review of the demo: the heaviest first, what stands out is opened by a press, the most alike by their figure', async ({
  page,
}) => {
  await BenchPage.withDemoIcon(page, 'ferry')
  await page.getByRole('link', { name: 'Review' }).click()
  await page.getByLabel('Order of the sheet').selectOption('name')
  const first = page.getByRole('list', { name: 'Sheet' }).getByRole('link').first()
  await expect(first).toHaveAttribute('title', 'Draw anchor')
  await page.getByLabel('Order of the sheet').selectOption('weight')
  await expect(first).toHaveAttribute('title', 'Draw wind-rose')
  // Nothing of the demo has a snag that is not accepted.
  await page.getByLabel('Icons shown').selectOption('with snags')
  await expect(first).toHaveCount(0)
  await page.getByLabel('Icons shown').selectOption('all')
  await expect(first).toBeVisible()
  await page.getByRole('radio', { name: 'look-alikes' }).click()
  await expect(page.getByRole('listitem').first()).toContainText(/half-tide · tide-window\s*83 % alike/)
  await page.getByRole('radio', { name: 'balance' }).click()
  const weight = page.getByRole('region', { name: 'visual weight' })
  await weight.getByRole('button', { name: 'Adjust wind-rose' }).click()
  await expect(page.getByText('Adjust wind-rose: visual weight.')).toBeVisible()
  await weight.getByRole('link', { name: 'berth', exact: true }).click()
  await expect(page.getByRole('tablist', { name: 'Ledger' })).toBeAttached()
  await expect(page).toHaveURL(/draw\/berth$/)
})
