import { expect, test } from './test'
import { BenchPage } from './bench-page'

test('the pen goes back and forth by its own nodes, and is kept by another tool, another icon and another stage', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, `Keys ${Date.now()}`)
  const nodes = async (...places: [number, number][]) => {
    await page.keyboard.press('6')
    for (const [x, y] of places) await bench.click(x, y)
  }
  const paths = page.locator('[role=row][data-object^="Path "]')
  await nodes([4, 4], [8, 4], [8, 8])
  await page.keyboard.press('Enter')
  await expect(paths).toHaveCount(1)
  await nodes([12, 12], [16, 12], [20, 12])
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+Shift+z')
  // The finished path is still there, and so is what was built beside it.
  await page.keyboard.press('1')
  await expect(paths).toHaveCount(2)
  await nodes([4, 18], [10, 18])
  await page.getByRole('link', { name: 'Review' }).click()
  await expect(page.getByRole('radio', { name: 'look-alikes' })).toBeVisible()
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await expect(paths).toHaveCount(3)
})

test('no key reaches what lies beneath a sheet, wherever the focus is', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, `Sheets ${Date.now()}`)
  await page.keyboard.press('1')
  await bench.drag([4, 4], [18, 14])
  const row = page.locator('[role=row][data-object="Rectangle 1"]')
  await page.keyboard.press('Shift+Digit9')
  const sheet = page.getByRole('dialog', { name: 'Save as a part' })
  await expect(sheet).toBeVisible()
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  for (const key of ['Shift+T', 'Control+d', 'Delete', 'Control+k', '2', 'Control+z']) await page.keyboard.press(key)
  await expect(page.getByRole('dialog')).toHaveCount(1)
  await sheet.getByRole('button', { name: 'Cancel' }).click()
  await expect(sheet).toHaveCount(0)
  await expect(page.locator('[role=row][data-object]')).toHaveCount(1)
  await expect(row).toHaveAttribute('aria-selected', 'true')
})

test('a panel of the ledger keeps by Enter, gives back by Escape, and no tool’s key works in it', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, `Panels ${Date.now()}`)
  await page.keyboard.press('1')
  await bench.drag([4, 4], [18, 14])
  const cell = page.getByRole('button', { name: /^corner of Rectangle 1: / }).first(),
    tool = (name: string) => page.getByRole('button', { name, exact: true })
  await cell.click()
  await page.getByRole('textbox', { name: 'Own corner of Rectangle 1' }).fill('3')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(cell).toHaveAttribute('aria-label', 'corner of Rectangle 1: 3')
  await cell.click()
  await page.getByRole('textbox', { name: 'Own corner of Rectangle 1' }).fill('nonsense')
  await page.keyboard.press('Enter')
  await expect(page.getByText('“nonsense” is not a number or a sum.')).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Own corner of Rectangle 1' })).toBeFocused()
  await page.keyboard.press('ArrowUp')
  await expect(cell).toHaveAttribute('aria-label', 'corner of Rectangle 1: 3.25')
  await page.keyboard.press('Escape')
  await expect(cell).toHaveAttribute('aria-label', 'corner of Rectangle 1: 3')
  await cell.click()
  await page.keyboard.press('w')
  await expect(page.getByRole('textbox', { name: 'Own corner of Rectangle 1' })).toHaveValue('w')
  await expect(tool('Nodes')).toHaveAttribute('aria-pressed', 'false')
  await page.keyboard.press('Escape')
  // A letter goes to the choice that begins with it; after a press of the pointer the keys are the square's again.
  await cell.click()
  await page.keyboard.type('o')
  await page.keyboard.press('Enter')
  await expect(cell).toHaveAttribute('aria-label', 'corner of Rectangle 1: outer')
  await page.keyboard.press('w')
  await expect(tool('Nodes')).toHaveAttribute('aria-pressed', 'true')
  await bench.saved()
})

test('a whole icon is typed in, cell by cell', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, `Typed ${Date.now()}`)
  await page.keyboard.press('1')
  await bench.drag([4, 4], [18, 14])
  await page.keyboard.press('3')
  await bench.drag([6, 17], [12, 20])
  const cell = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}: `) }),
    tool = page.getByRole('toolbar', { name: 'Tools' }).locator('[aria-pressed=true]')
  const isTool = await tool.first().getAttribute('aria-label')
  // From x by Tab to y, w, h, over the turn to the corner, and on; nothing else is selected or taken.
  await cell('x of Rectangle 1').click()
  await page.keyboard.type('16.5')
  await page.keyboard.press('Tab')
  await page.keyboard.type('3.5')
  await page.keyboard.press('Tab')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('4+1')
  await page.keyboard.press('Tab')
  await page.keyboard.type('9')
  await page.keyboard.press('Tab')
  await page.keyboard.press('Tab')
  await page.keyboard.type('1.5')
  await page.keyboard.press('Tab')
  await page.keyboard.type('f')
  await page.keyboard.press('Enter')
  for (const [name, value] of [
    ['x', '16.5'],
    ['y', '3.5'],
    ['w', '5'],
    ['h', '9'],
    ['turn', '0'],
    ['corner', '1.5'],
    ['weight', 'fine'],
  ] as const)
    await expect(cell(`${name} of Rectangle 1`).first()).toHaveAttribute(
      'aria-label',
      `${name} of Rectangle 1: ${value}`,
    )
  await expect(page.locator('[role=row][aria-selected=true][data-object]')).toHaveCount(1)
  // Shift Tab goes back; arrows go from cell to cell, digits open one; Escape leaves the cells.
  await page.keyboard.press('Shift+Tab')
  await expect(cell('corner of Rectangle 1')).toBeFocused()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('Enter')
  await page.keyboard.type('abc')
  await page.keyboard.press('Tab')
  await expect(page.getByText('“abc” is')).toBeVisible()
  await page.keyboard.type('2')
  await page.keyboard.press('Enter')
  expect(await tool.first().getAttribute('aria-label')).toBe(isTool)
  await expect(page.locator('[role=row][data-object]')).toHaveCount(2)
  await bench.saved()
})

test('the command box copies, cuts, pastes, renames the icon and goes to a stage', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, `Box ${Date.now()}`)
  await page.keyboard.press('1')
  await bench.drag([4, 4], [10, 10])
  const run = async (words: string) => {
    await page.keyboard.press('Control+k')
    await page.getByPlaceholder('What would you like to do?').fill(words)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  const rows = page.locator('[role=row][data-object]')
  await run('paste')
  await expect(page.getByText('Nothing was copied in this window yet.')).toBeVisible()
  await run('cut')
  await expect(rows).toHaveCount(0)
  await run('paste')
  await run('paste')
  await expect(rows).toHaveCount(2)
  await run('copy')
  await page.waitForTimeout(300)
  await page.keyboard.press('Control+v')
  await expect(rows).toHaveCount(3)
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder('What would you like to do?').fill('rename icon')
  await page.keyboard.press('Enter')
  await page.getByLabel('Name of the icon').fill('three')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Rename three' })).toBeVisible()
  await run('export')
  await page.waitForURL('**/deliver')
})

test('words are kept by Escape, rules wait while one looks at the drawing, an open part says so in every icon', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  await page.keyboard.press('8')
  await bench.click(3, 20)
  await page.getByRole('textbox', { name: /^Words of/ }).fill('NW')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('textbox', { name: /^Words of/ })).toHaveValue('NW')
  await page.keyboard.press('8')
  await expect(page.getByRole('button', { name: 'Text', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')

  await page.getByRole('link', { name: 'Rules' }).click()
  const weight = page.getByLabel('weight main', { exact: true })
  await weight.fill('1.5')
  await weight.press('Enter')
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  await page.getByRole('link', { name: /^Rules.+a change waits/ }).click()
  await expect(weight).toHaveValue('1.5')
  await page.getByRole('button', { name: 'Discard' }).click()
  await expect(page.getByRole('link', { name: /^Rules.+a change waits/ })).toHaveCount(0)
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()

  await page.keyboard.press('1')
  await bench.drag([2, 2], [5, 5])
  await page.keyboard.press('Shift+9')
  await page.getByLabel('Name', { exact: true }).fill('plank')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await page.keyboard.press('Alt+9')
  const open = page.getByRole('group', { name: 'The part plank is open' })
  await expect(open).toBeVisible()
  await (await bench.sibling('anchor')).click()
  await expect(open).toContainText('in ferry')
  await open.getByRole('button', { name: 'cancel' }).click()
  await expect(open).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Rename ferry' })).toBeVisible()
})

test('the ledger by keys: a row is found, named, added to a selection; a range is taken by Shift, in one press', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, `Rows ${Date.now()}`)
  for (const x of [2, 7, 12, 17]) {
    await page.keyboard.press('1')
    await bench.drag([x, 4], [x + 3, 8])
  }
  const chosen = () =>
    page
      .locator('[role=row][aria-selected=true][data-object]')
      .evaluateAll((rows) => rows.map((row) => (row as HTMLElement).dataset.object))
  await page.keyboard.press('Alt+l')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Shift+ArrowDown')
  await expect.poll(chosen).toEqual(['Rectangle 3', 'Rectangle 2'])
  await page.keyboard.press('F2')
  await page.getByLabel('Name of Rectangle 2').fill('Plank')
  await page.keyboard.press('Enter')
  await expect(bench.row('Plank')).toBeVisible()
  // What is selected on the square is where the keys and ranges begin.
  await bench.click(18, 4)
  await bench
    .row('Plank')
    .getByTitle(/double click/)
    .click({ modifiers: ['Shift'] })
  await expect.poll(chosen).toEqual(['Rectangle 4', 'Rectangle 3', 'Plank'])
  await page.getByLabel('Find objects by name').fill('plank')
  await expect(page.locator('[role=row][data-object]')).toHaveCount(1)
})

test('three icons are drawn, named, changed and kept by keys alone', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, `By keys ${Date.now()}`)
  await page.mouse.move(2, 2)
  const press = async (...keys: string[]) => {
    for (const one of keys) await page.keyboard.press(one)
  }
  const times = (key: string, count: number) => Array.from({ length: count }, () => key)
  // A hull by the pen, its keel smooth, closed on its first node.
  await press('6', ...times('Shift+ArrowLeft', 2), 'Enter', ...times('Shift+ArrowRight', 4), 'Enter')
  await press(...times('Shift+ArrowLeft', 2), ...times('Shift+ArrowDown', 2), 'Enter', 'o')
  await press(...times('Shift+ArrowLeft', 2), ...times('Shift+ArrowUp', 2), 'Enter')
  await expect(bench.row('Path 1')).toBeVisible()
  // A mast, and a lamp on it.
  await press('5', 'Enter', ...times('Shift+ArrowUp', 2), 'Enter')
  await press(
    '2',
    'ArrowLeft',
    ...times('Shift+ArrowUp', 2),
    'Enter',
    'ArrowRight',
    'ArrowRight',
    'ArrowUp',
    'ArrowUp',
    'Enter',
  )
  await expect(bench.row('Ellipse 1')).toBeVisible()
  // Any row by its name, then its numbers and its name.
  await press('Alt+l', '/')
  await page.keyboard.type('path')
  await press('Enter')
  await expect(bench.row('Path 1')).toHaveAttribute('aria-selected', 'true')
  await press('F2', 'Control+a')
  await page.keyboard.type('Hull')
  await press('Enter')
  await expect(bench.row('Hull')).toBeVisible()
  await press('Alt+l', 'Enter', 'Enter', 'Control+a')
  await page.keyboard.type('5')
  await press('Enter')
  await bench.expectCell('x of Hull', '5')
  // A patch of the rest: turned, duplicated, undone, kept.
  await press('Escape', 'Alt+l', 'Control+d', 'Control+z')
  await bench.saved()
  await page.reload()
  await bench.ready()
  for (const name of ['Hull', 'Line 1', 'Ellipse 1']) await expect(bench.row(name)).toBeVisible()

  // Two more icons, their numbers typed cell by cell.
  for (const [icon, tool, object, numbers] of [
    ['crate', '1', 'Rectangle 1', ['3', '4', '18', '16']],
    ['float', '2', 'Ellipse 1', ['2', '2', '20', '20']],
  ] as const) {
    await press('Control+k')
    await page.keyboard.type('new icon')
    await press('Enter')
    await expect(page.getByLabel('Name of the icon')).toBeFocused()
    await page.keyboard.type(icon)
    await press('Enter', tool, 'Enter', 'Shift+ArrowRight', 'Shift+ArrowDown', 'Enter')
    await expect(bench.row(object)).toBeVisible()
    await press('Alt+l', 'Enter', 'Enter')
    for (const number of numbers) {
      await page.keyboard.type(number)
      await press('Tab')
    }
    await press('Escape')
    await bench.expectCell(`w of ${object}`, numbers[2])
    await bench.expectCell(`y of ${object}`, numbers[1])
  }
  await bench.saved()
  await page.getByRole('link', { name: 'Review' }).focus()
  await press('Enter')
  await expect(page.getByRole('list', { name: 'Sheet' }).getByRole('link')).toHaveCount(3)
})

test('the ledger is made higher by keys or folded by a double click, and is the same after a reload', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  const edge = page.getByRole('separator', { name: 'Height of the ledger' }),
    height = async () =>
      Math.round((await page.getByRole('tablist', { name: 'Ledger' }).locator('../..').boundingBox())!.height)
  const before = await height()
  await edge.focus()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await expect.poll(height).toBe(before + 44)
  await page.reload()
  await bench.ready()
  await expect.poll(height).toBe(before + 44)
  await edge.dblclick()
  await expect.poll(height).toBeLessThan(40)
  await page.reload()
  await bench.ready()
  await expect.poll(height).toBeLessThan(40)
})
