import { expect, test } from './test'
import { BenchPage } from './bench-page'

test('drawing snaps to the true thing and says what it is; X suspends it', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Snapping')
  await bench.press('1')
  await bench.drag([4.3, 4.2], [10.2, 12.3])
  await bench.expectCell('x of Rectangle 1', '4.5')
  await bench.type('x of Rectangle 1', '4.3')
  await bench.press('2')
  const from = await bench.at(4.33, 16),
    to = await bench.at(10, 20)
  await page.mouse.move(from.x, from.y)
  await expect(page.getByTestId('stage').getByText('edge', { exact: true })).toBeVisible()
  await page.mouse.down()
  await page.mouse.move(to.x, to.y, { steps: 4 })
  await expect(page.getByTestId('stage').getByText('5.7 × 4')).toBeVisible()
  await page.mouse.up()
  await bench.expectCell('x of Ellipse 1', '4.3')
  await bench.press('Delete')
  await bench.press('1')
  await bench.drag([14.13, 14.13], [19.41, 19.77], ['x'])
  const width = await page.getByRole('button', { name: /^w of Rectangle 2: / }).textContent()
  expect(Math.abs(Number(width) - 5.28)).toBeLessThan(0.06)
  expect(Number(width) % 0.5).not.toBe(0)
})

test('numbers: sums, steps, anchor and linked sides', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Numbers')
  await bench.press('1')
  await bench.drag([2, 2], [12, 7])
  await bench.type('w of Rectangle 1', '24/2-1')
  await bench.expectCell('w of Rectangle 1', '11')
  await bench.type('x of Rectangle 1', '+0.5')
  await bench.expectCell('x of Rectangle 1', '2.5')
  await page.getByRole('button', { name: /^y of Rectangle 1: / }).click()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Shift+ArrowUp')
  await page.keyboard.press('Alt+ArrowDown')
  await page.keyboard.press('Escape')
  await bench.expectCell('y of Rectangle 1', '7.45')
  await page.getByRole('button', { name: 'Link w and h' }).click()
  await page.getByRole('radio', { name: 'bottom right' }).click()
  await bench.type('w of Rectangle 1', '22')
  await bench.expectCell('h of Rectangle 1', '10')
  await bench.expectCell('x of Rectangle 1', '13.5')
  await page.getByRole('radio', { name: 'top left' }).click()
  await bench.expectCell('x of Rectangle 1', '−8.5')
  // Nonsense is said; what was there comes back, to be typed over.
  await bench.type('h of Rectangle 1', 'nonsense')
  await expect(page.getByText('“nonsense” is not a number or a sum. h of Rectangle 1 stays 10.')).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'h of Rectangle 1' })).toBeFocused()
  await page.keyboard.press('Escape')
  await bench.expectCell('h of Rectangle 1', '10')

  // Several rows: what differs says so, and one number goes to all.
  await bench.press('5')
  await bench.drag([14, 14], [20, 14])
  await bench.press('Control+a')
  await expect(page.getByRole('row', { name: '2 objects selected' })).toBeVisible()
  await page.getByRole('button', { name: /^weight of the selection/ }).click()
  await page.getByRole('button', { name: /^fine/ }).click()
  await expect(bench.row('Line 1')).toContainText('fine')
  await expect(bench.row('Rectangle 1')).toContainText('fine')
})

test('what lies beneath is listed and picked; what is locked never is', async ({ page }) => {
  const bench = await BenchPage.withDemoIcon(page, 'life-ring')
  await bench.click(12, 2, { button: 'right' })
  await expect(page.getByRole('menuitem', { name: /Rim/ })).toBeVisible()
  await page.getByRole('menuitem', { name: /Rim/ }).click()
  await expect(bench.row('Rim')).toHaveAttribute('aria-selected', 'true')
  await page.getByRole('button', { name: 'Lock Rim' }).click()
  await page.keyboard.press('Escape')
  await bench.click(12, 2)
  await expect(bench.row('Rim')).toHaveAttribute('aria-selected', 'false')
  await bench.click(12, 2, { button: 'right' })
  await expect(page.getByRole('menuitem', { name: /Rim/ })).toHaveAttribute('data-disabled', '')
})

test('copies, order, undo and redo, and the history', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Copies')
  await bench.press('2')
  await bench.drag([2, 2], [6, 6])
  await bench.drag([2.586, 2.586], [8.586, 2.586], ['Alt'])
  await bench.press('Control+d')
  await expect(page.getByRole('tab', { name: 'Objects 3' })).toBeVisible()
  const xs = () => page.getByRole('button', { name: /^x of Ellipse/ }).allTextContents()
  await expect.poll(xs).toEqual(expect.arrayContaining(['14', '2', '8']))
  await bench.press('Control+z')
  await bench.press('Control+z')
  await expect.poll(xs).toEqual(['2'])
  await bench.press('Control+Shift+z')
  await expect.poll(async () => (await xs()).sort()).toEqual(['2', '8'])
  await page.getByRole('tab', { name: /History/ }).click()
  await page.getByRole('button', { name: /As it was opened/ }).click()
  await expect(page.getByText('This set has no icon yet')).toBeVisible()
  await page.keyboard.press('Control+Shift+z')
  await page.keyboard.press('Control+Shift+z')
  await page.getByRole('tab', { name: /Objects/ }).click()
  await expect.poll(xs).toEqual(['2'])
})

test('a path by clicks, closed on its first node; an open one ended by Enter', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Paths')
  await bench.press('6')
  for (const [x, y] of [
    [4, 4],
    [20, 4],
    [20, 16],
    [4, 4],
  ] as const)
    await bench.click(x, y)
  await expect(bench.row('Path 1')).toContainText('3 nodes')
  await expect(bench.row('Path 1')).not.toContainText('open')
  await bench.press('6')
  for (const [x, y] of [
    [4, 20],
    [12, 18],
  ] as const)
    await bench.click(x, y)
  await bench.press('Enter')
  await expect(bench.row('Path 2')).toContainText('2 nodes, open')
  await bench.press('5')
  await bench.drag([4, 10], [9, 10.8], ['Shift'])
  await expect(page.getByRole('button', { name: 'angle of Line 1: 0°' })).toBeVisible()
})

test('members of an assembly: roles, order and moving change the result at once', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Assembly')
  await bench.press('1')
  await bench.drag([4, 4], [20, 20])
  await bench.press('a')
  await expect(page.getByRole('status').filter({ hasText: 'Select two or more objects to assemble.' })).toBeVisible()
  await bench.press('2')
  await bench.drag([8, 8], [16, 16])
  await bench.press('Control+a')
  await bench.press('a')
  await expect(page.getByText('result: 8 segments · 1 contour', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'role of Ellipse 1: adds' }).click()
  await page.getByRole('button', { name: 'cuts', exact: true }).click()
  await expect(page.getByText(/· 2 contours$/)).toBeVisible()

  // Stepped into, the hole is moved out over the edge: one contour is left.
  await bench.press('Escape')
  const inside = await bench.at(12, 4)
  await page.mouse.dblclick(inside.x, inside.y)
  await bench.drag([12, 8.2], [20, 8.2])
  await expect(page.getByText(/· 1 contour$/)).toBeVisible()
  await bench.press('Escape')
  await expect(bench.row('Assembly 1')).toHaveAttribute('aria-selected', 'true')
  await bench.press('Control+Shift+g')
  await expect(page.getByRole('tab', { name: 'Objects 2' })).toBeVisible()
})

test('the family: new, duplicated, reordered, deleted with two ways back, and objects copied between icons', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  const names = () =>
    page
      .getByRole('complementary', { name: 'Family' })
      .getByRole('listitem')
      .getByRole('button')
      .evaluateAll((all) => all.map((element) => element.getAttribute('aria-label')))
  await page.getByRole('button', { name: 'ferry', exact: true }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect.poll(async () => (await names()).slice(0, 3)).toEqual(['ferry', 'ferry-2', 'dinghy'])

  const box = (await page.getByRole('button', { name: 'dinghy', exact: true }).boundingBox())!
  await page.mouse.move(box.x + 30, box.y + 22)
  await page.mouse.down()
  await page.mouse.move(box.x + 30, box.y - 20, { steps: 5 })
  await page.mouse.move(box.x + 30, box.y - 66, { steps: 8 })
  await page.mouse.up()
  await expect.poll(async () => (await names())[0]).toBe('dinghy')

  await page.getByRole('button', { name: 'ferry-2', exact: true }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect.poll(names).not.toContain('ferry-2')
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toContain('ferry-2')
  await page.getByRole('button', { name: 'ferry-2', exact: true }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await bench.saved()
  await page.reload()
  await page.getByRole('button', { name: 'deleted', exact: true }).click()
  await page.getByRole('button', { name: 'Put back' }).click()
  await expect.poll(names).toContain('ferry-2')

  await (await bench.sibling('life-ring')).click()
  await bench.row('Rim').getByText('Rim', { exact: true }).click()
  await bench.press('Control+c')
  await (await bench.sibling('oar')).click()
  await bench.press('Control+v')
  await expect(bench.row('Rim')).toBeVisible()
  await bench.expectCell('w of Rim', '20')

  await page.getByRole('button', { name: 'oar', exact: true }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Rename…' }).click()
  for (const [name, sentence] of [
    ['a/b', 'A name cannot contain /'],
    ['FERRY', 'There is already an icon named “FERRY”.'],
  ] as const) {
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByRole('button', { name: 'Rename' }).click()
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible()
  }
})

test('zoom to the pointer, pan, fit, and what is shown on the square', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Views')
  const stage = page.getByTestId('stage')
  const scale = () => page.getByTestId('artwork').evaluate((element) => (element as SVGGElement).getScreenCTM()!.a)
  const before = await scale()
  const place = await bench.at(18, 6)
  await page.mouse.move(place.x, place.y)
  await page.keyboard.down('Control')
  await page.mouse.wheel(0, -300)
  await page.keyboard.up('Control')
  await expect.poll(scale).toBeGreaterThan(before * 1.5)
  const after = await bench.at(18, 6)
  expect(Math.hypot(after.x - place.x, after.y - place.y)).toBeLessThan(0.01)

  await page.keyboard.down(' ')
  await page.mouse.down()
  await page.mouse.move(place.x - 120, place.y + 40, { steps: 3 })
  await page.mouse.up()
  await page.keyboard.up(' ')
  const panned = await bench.at(18, 6)
  expect([Math.round(panned.x - place.x), Math.round(panned.y - place.y)]).toEqual([-120, 40])
  await bench.press('0')
  expect(await scale()).toBe(before)

  for (const [word, layer] of [
    ['Grid', 'grid'],
    ['Keylines', 'keylines'],
    ['Live area', 'live-area'],
  ] as const) {
    const drawn = stage.locator(`[data-layer="${layer}"]`)
    await expect(drawn).toHaveCount(1)
    await page.getByRole('button', { name: 'Show on the square' }).click()
    await page.getByRole('menuitemcheckbox', { name: word, exact: true }).click()
    await page.keyboard.press('Escape')
    await expect(drawn).toHaveCount(0)
  }
})

test('what was drawn is there after a way over the shelf, in front of it what was brought to the front', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'There and back')
  await bench.press('1')
  await bench.drag([3, 3], [12, 12])
  await bench.press('2')
  await bench.drag([8, 8], [20, 20])
  const order = () =>
    page.locator('[role=row][data-object]').evaluateAll((rows) => rows.map((row) => row.getAttribute('data-object')))
  await expect.poll(order).toEqual(['Ellipse 1', 'Rectangle 1'])
  await bench.press('Control+Shift+[')
  await expect.poll(order).toEqual(['Rectangle 1', 'Ellipse 1'])
  const from = (await bench.row('Ellipse 1').getByText('Ellipse 1').boundingBox())!
  await page.mouse.move(from.x + 5, from.y + 8)
  await page.mouse.down()
  await page.mouse.move(from.x + 5, from.y, { steps: 3 })
  await page.mouse.move(from.x + 5, from.y - 24, { steps: 6 })
  await page.mouse.up()
  await expect.poll(order).toEqual(['Ellipse 1', 'Rectangle 1'])
  await bench.saved()
  await page.getByRole('link', { name: /to the shelf/ }).click()
  await page.getByRole('link', { name: 'There and back', exact: true }).click()
  await bench.ready()
  await expect.poll(order).toEqual(['Ellipse 1', 'Rectangle 1'])
  await bench.press('Control+a')
  await bench.press('ArrowRight')
  await bench.saved()
  await expect(page.getByRole('alertdialog')).toHaveCount(0)
})
