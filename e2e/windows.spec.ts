import { readFileSync } from 'node:fs'
import { expect, test } from './test'
import type { IconSet } from '../src/core/set/set'
import { BenchPage, imported } from './bench-page'

/** A second window on what a first one shows. */
async function second(bench: BenchPage): Promise<BenchPage> {
  await bench.saved()
  const page = await bench.page.context().newPage()
  await page.goto(bench.page.url())
  const other = new BenchPage(page)
  await other.ready()
  return other
}

test('two windows draw on one icon: each sees the other at once, keeps its selection, and takes back its own steps only', async ({
  page,
}) => {
  const one = await BenchPage.withNewSet(page, 'Two hands')
  await one.press('1')
  await one.drag([3, 3], [9, 9])
  const other = await second(one)
  await expect(page.getByText('open in another window')).toBeVisible()
  await expect(other.page.getByText('open in another window')).toBeVisible()

  await one.pick('Rectangle 1')
  await other.press('2')
  await other.drag([12, 12], [20, 20])
  await expect(one.row('Ellipse 1')).toBeVisible()
  await expect(one.row('Rectangle 1')).toHaveAttribute('aria-selected', 'true')
  // Both change one object, each another number of it.
  await one.type('x of Rectangle 1', '4')
  await other.pick('Rectangle 1')
  await other.type('w of Rectangle 1', '7')
  for (const bench of [one, other]) {
    await bench.saved()
    await bench.expectCell('x of Rectangle 1', '4')
    await bench.expectCell('w of Rectangle 1', '7')
  }
  await one.press('Control+z')
  for (const bench of [one, other]) {
    await bench.saved()
    await bench.expectCell('x of Rectangle 1', '3')
    await bench.expectCell('w of Rectangle 1', '7')
    await expect(bench.row('Ellipse 1')).toBeVisible()
  }
  await other.page.close()
  await expect(page.getByText('open in another window')).toBeHidden()
})

test('what both changed is shown side by side and chosen; what is held with the pointer waits for nothing and loses nothing', async ({
  page,
}) => {
  const one = await BenchPage.withNewSet(page, 'Crosswind')
  await one.press('1')
  await one.drag([3, 3], [9, 9])
  const other = await second(one)
  // While one drags, the other moves the same rectangle, and undo is not to be had.
  await one.press('q')
  const [from, to] = [await one.at(6, 3), await one.at(6, 8)]
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(to.x, to.y, { steps: 4 })
  await one.press('Control+z')
  await expect(page.getByRole('status').filter({ hasText: 'Release the mouse button first.' })).toBeVisible()
  await other.type('y of Rectangle 1', '14')
  await other.type('x of Rectangle 1', '5')
  await other.saved()
  await page.mouse.up()
  await page.getByRole('button', { name: 'Choose…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Changed here and in another window' })
  await expect(dialog.getByRole('listitem')).toHaveCount(1)
  await expect(dialog.getByRole('listitem')).toContainText('Rectangle 1')
  await dialog.getByRole('button', { name: /^as here/ }).click()
  await expect(dialog).toBeHidden()
  for (const bench of [one, other]) {
    await bench.saved()
    await bench.expectCell('x of Rectangle 1', '5')
    await bench.expectCell('y of Rectangle 1', '8')
  }
})

test('windows that are closed while the server is away leave nothing behind: the next one brings all of it together', async ({
  page,
  context,
}) => {
  const one = await BenchPage.withNewSet(page, 'Gale')
  const other = await second(one)
  const url = page.url()
  await context.route('**/save', (route) => route.abort())
  await one.press('1')
  await one.drag([3, 3], [9, 9])
  await expect(page.getByText('Not saved yet')).toBeVisible()
  await other.press('2')
  await other.drag([12, 12], [20, 20])
  await expect(other.page.getByText('Not saved yet')).toBeVisible()
  const later = await context.newPage()
  await page.close()
  await other.page.close()
  await context.unroute('**/save')
  await later.goto(url)
  const bench = new BenchPage(later)
  await bench.ready()
  await expect(bench.row('Rectangle 1')).toBeVisible()
  await expect(bench.row('Ellipse 1')).toBeVisible()
  await bench.saved()
  await later.reload()
  await expect(bench.row('Rectangle 1')).toBeVisible()
  await expect(bench.row('Ellipse 1')).toBeVisible()
})

test('a window that stays open takes over what another one could not save before it was closed, and says Saved only then', async ({
  page,
  context,
}) => {
  const one = await BenchPage.withNewSet(page, 'Squall')
  const other = await second(one)
  await context.route('**/save', (route) => route.abort())
  await one.press('1')
  await one.drag([3, 3], [9, 9])
  await expect(page.getByText('Not saved yet')).toBeVisible()
  await page.close({ runBeforeUnload: false })
  await expect(other.page.getByText('Not saved yet')).toBeVisible()
  await context.unroute('**/save')
  await expect(other.row('Rectangle 1')).toBeVisible()
  await other.saved()
  const later = await context.newPage()
  await later.goto(other.page.url())
  await expect(new BenchPage(later).row('Rectangle 1')).toBeVisible()
})

test('answers that are cut off are asked for again, and nothing is refused or doubled by it', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Squall line')
  await bench.saved()
  let cut = 2
  await page.route('**/save', async (route) => {
    if (cut-- <= 0) return route.continue()
    // It arrives, but its answer does not.
    await route.fetch()
    await route.fulfill({ status: 200, body: '' })
  })
  await bench.press('1')
  await bench.drag([3, 3], [9, 9])
  await expect(page.getByText('Not saved yet')).toBeVisible()
  await bench.press('2')
  await bench.drag([12, 12], [20, 20])
  await bench.saved()
  await page.reload()
  await bench.ready()
  await expect(bench.row('Rectangle 1')).toBeVisible()
  await expect(bench.row('Ellipse 1')).toBeVisible()
  await expect(page.locator('[role=row][data-object]')).toHaveCount(2)
})

test('names are renumbered over each other, a set is left while it is saved, and renamed on the shelf while it is open', async ({
  page,
  context,
}) => {
  const { set } = JSON.parse(readFileSync('demo/quayside.wisesquare.json', 'utf8')) as { set: IconSet }
  const names = ['star-2', 'star-3', 'x']
  const icons = names.map((name) => ({ id: name, name, masters: [{ base: 24, objects: [] }] }))
  const response = await page.request.post('/api/sets', {
    data: { format: 'wise-square-set', version: 1, set: { ...set, name: 'Skiff', icons } },
  })
  const { id } = (await response.json()) as { id: string }
  const stored = async () => ((await (await page.request.get(`/api/sets/${id}`)).json()) as { set: IconSet }).set
  await page.goto(`/sets/${id}/review`)
  for (const [name, held] of [
    ['star-2', []],
    ['x', ['Shift' as const]],
  ] as const)
    await page
      .getByRole('checkbox', { name: `Select ${name}`, exact: true })
      .click({ modifiers: [...held], force: true })
  await page.getByRole('button', { name: 'Rename…' }).click()
  await page.getByLabel('Pattern for the names').fill('star-#')
  await page.keyboard.press('Enter')
  await expect.poll(async () => (await stored()).icons.map(({ name }) => name)).toEqual(['star-1', 'star-2', 'star-3'])
  await expect(page.getByText('Saved · rev 2')).toBeVisible()

  // The save is under way when the set is left; what was done after it goes out all the same.
  const bench = new BenchPage(page)
  await page.goto(`/sets/${id}/draw/star-1`)
  await bench.ready()
  let release = () => undefined as void
  const held = new Promise<void>((resolve) => (release = resolve))
  await page.route('**/save', async (route) => {
    await held
    await route.continue()
  })
  await bench.press('1')
  await bench.drag([3, 3], [9, 9])
  await page.waitForRequest('**/save')
  await bench.press('2')
  await bench.drag([12, 12], [20, 20])
  await page.getByRole('link', { name: 'Shelf', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Sets', exact: true })).toBeVisible()
  release()
  await page.goBack()
  await expect(bench.row('Ellipse 1')).toBeVisible()
  await bench.saved()
  expect((await stored()).icons[0]!.masters[0]!.objects.map(({ name }) => name)).toEqual(['Rectangle 1', 'Ellipse 1'])

  const shelf = await context.newPage()
  await shelf.goto('/')
  await shelf.getByRole('button', { name: 'More for Skiff' }).click()
  await shelf.getByRole('menuitem', { name: 'Rename…' }).click()
  await shelf.getByLabel('Name', { exact: true }).fill('Skiff and oars')
  await shelf.keyboard.press('Enter')
  await expect(page.getByText('Skiff and oars', { exact: true }).first()).toBeVisible()
  await bench.press('1')
  await bench.drag([14, 3], [20, 8])
  await bench.saved()
  expect((await stored()).name).toBe('Skiff and oars')
  await expect(shelf.getByRole('link', { name: 'Skiff and oars', exact: true })).toBeVisible()
})

test('every stage takes in what another window saved, with what waits in it', async ({ page }) => {
  const one = await BenchPage.withNewSet(page, 'Tide table')
  const other = await second(one)
  await page.getByRole('link', { name: 'Rules' }).click()
  const live = page.getByRole('textbox', { name: 'Live area' })
  await live.fill('20')
  await live.press('Enter')
  await expect(page.getByRole('button', { name: 'Apply' })).toBeEnabled()

  await other.page.getByRole('link', { name: 'Rules' }).click()
  const square = (on: typeof page) => on.getByLabel('Cap', { exact: true }).getByRole('radio', { name: 'square' })
  await square(other.page).click()
  await other.page.getByRole('button', { name: 'Apply' }).click()
  await other.saved()
  // The change that waits here lies over the rules as they are now.
  await expect(square(page)).toBeChecked()
  await expect(live).toHaveValue('20')
  await page.getByRole('button', { name: 'Apply' }).click()
  await one.saved()

  await page.getByRole('link', { name: 'Review' }).click()
  await other.page.getByRole('link', { name: 'Draw', exact: true }).click()
  await other.ready()
  await other.press('1')
  await other.drag([3, 3], [9, 9])
  await other.saved()
  await expect(page.getByText(/^Saved · rev 5/)).toBeVisible()

  // An icon that is deleted elsewhere while it is open here is named, and another one is open then.
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await one.ready()
  await other.page.getByRole('button', { name: '+ icon' }).click()
  await other.saved()
  await other.page.getByRole('button', { name: 'icon', exact: true }).click({ button: 'right' })
  await other.page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(page.getByText('“icon” is gone from the set. This is “icon-2”.')).toBeVisible()
})

test('a name that is typed in Review stays with its icon while another window deletes the one before it', async ({
  page,
  context,
}) => {
  const { set } = JSON.parse(readFileSync('demo/quayside.wisesquare.json', 'utf8')) as { set: IconSet }
  const icons = ['anchor', 'oar', 'buoy'].map((name) => ({ id: name, name, masters: [{ base: 24, objects: [] }] }))
  const id = await imported(page, JSON.stringify({ format: 'wise-square-set', version: 1, set: { ...set, icons } }))
  await page.goto(`/sets/${id}/review`)
  await page.getByRole('button', { name: 'oar', exact: true }).dblclick()
  const field = page.getByLabel('Name of oar')
  await field.fill('long-oar')

  const other = await context.newPage()
  await other.goto(`/sets/${id}/review`)
  await other.getByRole('checkbox', { name: 'Select anchor' }).click({ force: true })
  await other.getByRole('toolbar', { name: 'Selected icons' }).getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByRole('checkbox', { name: 'Select anchor' })).toHaveCount(0)
  await expect(field).toHaveValue('long-oar')
  await field.press('Enter')
  await expect(other.getByRole('button', { name: 'long-oar', exact: true })).toBeVisible()
  await expect(other.getByRole('checkbox', { name: /^Select/ })).toHaveCount(2)
})
