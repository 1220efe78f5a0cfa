import { readFileSync } from 'node:fs'
import { expect, type Page, test } from './test'
import { area } from '../src/core/geometry/area'
import { readPathData } from '../src/core/formats/path-reader'
import { BenchPage, command, delivered, setting } from './bench-page'

const takePaint = async (page: Page, place: 'fill' | 'stroke', kind: 'none' | 'colour' | 'linear' | 'radial') => {
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await page.getByRole('button', { name: new RegExp(`^Take the ${place} in hand`) }).click()
  await page.getByRole('radio', { name: kind, exact: true }).click()
}

/** Samples the colour at a place of the square. */
const sample = async (bench: BenchPage, x: number, y: number) => {
  await bench.press('i')
  await bench.click(x, y)
  await bench.press('q')
}

const stopsOf = (svg: string, element: 'linearGradient' | 'radialGradient'): string[][] =>
  [...svg.matchAll(new RegExp(`<${element}[^>]*>(.*?)</${element}>`, 'g'))].map(([, body]) =>
    [...body!.matchAll(/<stop(?: offset="([^"]*)")? stop-color="([^"]*)"/g)].map(
      ([, at = '0', color]) => `${at} ${color}`,
    ),
  )

test('porthole glass: colours sampled through what lies above, centred copies, gradients set on the square', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Porthole')
  await bench.rename('icon', 'porthole')
  await bench.layPicture('porthole')
  await bench.type('opacity of the reference porthole', '40')
  await page.getByRole('button', { name: 'Lock the reference porthole' }).click()

  // A rounded square over the picture; its fill is sampled from the picture's own pixels, however dimmed and covered
  // they are.
  await bench.press('1')
  await bench.drag([2, 2], [22, 22])
  await takePaint(page, 'stroke', 'none')
  await takePaint(page, 'fill', 'colour')
  await page.mouse.move(0, 0)
  await bench.press('i')
  // The very first press takes it, even before the picture's pixels were looked at.
  await bench.click(3, 12)
  await expect(page.getByRole('button', { name: 'Take the fill in hand: #1f5f7a' })).toBeVisible()
  const beside = await bench.at(5, 13)
  await page.mouse.move(beside.x, beside.y)
  await expect(page.getByTestId('stage').getByText('#e8b04a')).toBeVisible()
  await bench.press('q')

  // A circle, and a copy of it scaled about its centre; nudged away, they are brought onto each other again.
  await bench.press('2')
  await bench.drag([12, 12], [19.5, 12], ['Shift', 'Alt'])
  await takePaint(page, 'stroke', 'none')
  await takePaint(page, 'fill', 'colour')
  await sample(bench, 5, 12)
  await expect(page.getByRole('button', { name: 'Take the fill in hand: #e8b04a' })).toBeVisible()
  await bench.press('r')
  await page.getByRole('radio', { name: 'scale' }).click()
  await setting(page, 'Amount', '80')
  await setting(page, 'Copies', '1')
  await page.getByRole('button', { name: 'Apply' }).click()
  await bench.press('q')
  await bench.press('Shift+ArrowRight')
  await bench.press('ArrowDown')
  await page.getByLabel('Align to', { exact: true }).selectOption('square')
  await page.getByRole('button', { name: 'Align centre' }).click()
  await page.getByRole('button', { name: 'Align middle' }).click()
  await takePaint(page, 'fill', 'linear')
  await page.getByRole('button', { name: 'Stop 1 at 0 %' }).click()
  await sample(bench, 12, 14)
  await page.getByRole('button', { name: 'Stop 2 at 100 %' }).click()
  await sample(bench, 9.5, 9.5)
  await setting(page, 'Opacity of the stop', '100')
  // The way of the gradient is turned upright by its ends, on the square; then two stops are laid on it.
  await bench.drag([18, 12], [12, 18])
  await bench.drag([6, 12], [12, 6])
  for (const y of [10, 15] as const) {
    const place = await bench.at(12, y)
    await page.mouse.dblclick(place.x, place.y)
  }
  const linear = (await delivered(page, bench)).porthole!
  expect(linear).toMatch(/<linearGradient id="\w+" x1="12" y1="6" x2="12" y2="18"/)
  const [stops] = stopsOf(linear, 'linearGradient')
  expect(stops!.map((stop) => stop.split(' ')[1])).toEqual(['#9fd3e0', '#9fd3e0', '#9fd3e0', '#fdfdfb'])
  const places = stops!.map((stop) => Number(stop.split(' ')[0]))
  expect(places[1]).toBeCloseTo(1 / 3, 1)
  expect(places[2]).toBeCloseTo(3 / 4, 1)
  // Nothing of the picture is delivered, and the covered colours are as they were sampled.
  expect(linear).not.toContain('image')
  expect(linear).toContain('fill="#1f5f7a"')
  expect(linear).toMatch(/<circle fill="#e8b04a" cx="12" cy="12" r="7\.5"\/>/)
  expect(linear).toMatch(/<circle fill="url\(#\w+\)" cx="12" cy="12" r="6"\/>/)

  // Made radial, its centre is where the way began; its rim is pulled to three units from there.
  await bench.click(12, 16)
  await page.getByRole('tab', { name: /^Colours/ }).click()
  await page.getByRole('radio', { name: 'radial', exact: true }).click()
  await bench.drag([12, 18], [12, 9])
  expect((await delivered(page, bench)).porthole!).toMatch(/<radialGradient id="\w+" cx="12" cy="6" r="3"/)
})

test('a ring from an old scan: guides on its edges, a circle by three places, what is left of a mismatch', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Scan')
  await bench.rename('icon', 'ring')
  await bench.layPicture('scan')
  await page.getByRole('button', { name: 'Lock the reference scan' }).click()
  // The ring's left edge is 86 pixels from the left: 4.3 units, between the steps of the grid.
  await bench.press('i')
  await bench.click(12, 2)
  await bench.press('q')
  const from = await bench.at(-2, 11.8)
  const ruler = (await page.getByTestId('stage').boundingBox())!
  const to = await bench.at(4.42, 11.8)
  await page.mouse.move(ruler.x + 8, from.y)
  await page.mouse.down()
  await page.mouse.move(to.x - 10, to.y, { steps: 3 })
  await page.mouse.move(to.x, to.y, { steps: 2 })
  await expect(page.getByText('contrast')).toBeVisible()
  await page.mouse.up()
  await page.getByRole('tab', { name: /^Guides/ }).click()
  const x = Number(await page.getByRole('button', { name: /^x of guide 1: / }).textContent())
  expect(Math.abs(x - 4.3)).toBeLessThan(0.02)

  // A circle by three places of its rim, pressed between the steps of the grid.
  await bench.press('u')
  await page.getByRole('radio', { name: /circle/ }).click()
  await page.keyboard.down('x')
  for (const degrees of [20, 140, 260])
    await bench.click(
      12.15 + 7.85 * Math.cos((degrees * Math.PI) / 180),
      11.8 + 7.85 * Math.sin((degrees * Math.PI) / 180),
    )
  await page.keyboard.up('x')
  const diameter = Number(/⌀ ([\d.]+)/.exec((await page.getByLabel('Measured').textContent())!)![1])
  expect(Math.abs(diameter - 15.7)).toBeLessThan(0.15)
  await page.getByRole('button', { name: 'Circle', exact: true }).click()
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await page.getByRole('radio', { name: 'centre', exact: true }).click()
  for (const [cell, value] of [
    ['w', '15.7'],
    ['h', '15.7'],
    ['x', '12.15'],
    ['y', '11.8'],
  ] as const)
    await bench.type(`${cell} of Ellipse 1`, value)
  await takePaint(page, 'stroke', 'none')
  await takePaint(page, 'fill', 'colour')
  const mismatch = async () => Number.parseFloat((await page.getByLabel('Mismatch').textContent())!)
  await page.getByRole('tab', { name: /^References/ }).click()
  await page.getByRole('button', { name: 'Difference' }).click()
  // The whole disc is there but not its hole: of 7.85², 5² are too much.
  await expect.poll(mismatch).toBeGreaterThan(30)
  expect(Math.abs((await mismatch()) - (100 * 5 ** 2) / 7.85 ** 2)).toBeLessThan(1.5)

  // A copy, named, cuts the hole; then hardly anything differs.
  await bench.press('Control+d')
  await page.getByRole('tab', { name: /^Objects/ }).click()
  const copy = page.locator('[role=row][aria-selected=true]')
  await copy.getByText('Ellipse 2', { exact: true }).dblclick()
  await page.getByLabel('Name of Ellipse 2').fill('Hole')
  await page.getByLabel('Name of Ellipse 2').press('Enter')
  for (const cell of ['w', 'h'] as const) await bench.type(`${cell} of Hole`, '10')
  await bench.press('Control+a')
  await bench.press('Shift+A')
  await page.getByRole('tab', { name: /^References/ }).click()
  await expect.poll(mismatch).toBeLessThan(3)
  const [d] = [...(await delivered(page, bench)).ring!.matchAll(/ d="([^"]+)"/g)].map(([, one]) => one!)
  expect(area(readPathData(d!))).toBeCloseTo(Math.PI * (7.85 ** 2 - 25), 2)
  // Placed by two points, the picture comes half as large: both of its places lie where they were told to.
  await page.getByRole('tab', { name: /^References/ }).click()
  await page.locator('[data-reference-row="scan"]').click()
  await page.getByRole('button', { name: 'Difference' }).click()
  await page.getByRole('button', { name: 'Unlock the reference scan' }).click()
  await page.getByRole('button', { name: 'Place by two points' }).click()
  for (const [px, py] of [
    [4, 4],
    [2, 2],
    [20, 4],
    [10, 2],
  ] as const)
    await bench.click(px, py)
  await bench.expectCell('w of the reference scan', '12')
  await bench.expectCell('x of the reference scan', '0')
})

test('fog horn: a circle in a polygon, lines gone on and repeated, all of one stroke taken away, gradients and a word', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Fog')
  await bench.rename('icon', 'horn')
  await bench.press('3')
  await setting(page, 'Sides', '3')
  await setting(page, 'Width a click places', '16')
  await setting(page, 'Height a click places', '16')
  await bench.click(4, 3)
  await bench.expectCell('w of Polygon 1', '16')
  // Lines of another stroke, the last move repeated: a fan of four; then everything with their stroke goes at once.
  await bench.press('5')
  await bench.drag([3, 21], [7, 21])
  await takePaint(page, 'stroke', 'colour')
  await page.getByLabel('Own colour', { exact: true }).fill('oklch(60% 0.15 30)')
  await page.getByLabel('Own colour', { exact: true }).press('Enter')
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await bench.press('Shift+ArrowRight')
  await bench.press('Shift+D')
  await bench.press('Shift+D')
  await expect(page.getByRole('tab', { name: 'Objects 4' })).toBeVisible()
  await command(page, 'Select all with the same stroke')
  await expect(page.getByRole('row', { name: '3 objects selected' })).toBeVisible()
  await bench.press('Delete')
  await expect(page.getByRole('tab', { name: 'Objects 1' })).toBeVisible()

  // A gradient, reversed; its finish goes to a second shape, where it lies in that shape's own box.
  await bench.click(12, 19)
  await takePaint(page, 'stroke', 'none')
  await takePaint(page, 'fill', 'linear')
  await page.getByRole('button', { name: 'Stop 2 at 100 %' }).click()
  await page.getByLabel('Own colour', { exact: true }).fill('#d5401b')
  await page.getByLabel('Own colour', { exact: true }).press('Enter')
  await setting(page, 'Opacity of the stop', '100')
  await page.getByRole('button', { name: 'Reverse' }).click()
  await bench.press('Control+Alt+c')
  await bench.press('1')
  await bench.drag([10, 20], [18, 22])
  await bench.press('Control+Alt+v')
  const svg = (await delivered(page, bench)).horn!
  expect(stopsOf(svg, 'linearGradient')).toEqual([
    ['0 #d5401b', '1 currentColor'],
    ['0 #d5401b', '1 currentColor'],
  ])
  const spans = [...svg.matchAll(/x1="([\d.]+)" y1="[\d.]+" x2="([\d.]+)"/g)].map(([, a, b]) => [Number(a), Number(b)])
  expect(spans[1]).toEqual([10, 18])
  expect(spans[0]![1]! - spans[0]![0]!).toBeCloseTo(16, 2)

  // A ground behind it all, a word with wide spacing beneath.
  await bench.press('1')
  await bench.drag([1, 1], [23, 18])
  await command(page, 'Bring to the back')
  await expect(page.locator('[role=row][data-object]').last()).toHaveAttribute('data-object', 'Rectangle 2')
  await bench.press('8')
  await bench.click(4, 22)
  await page.keyboard.type('FOG')
  await page.keyboard.press('Enter')
  await setting(page, 'Letter spacing', '2')
  expect((await delivered(page, bench)).horn!.match(/<path/g)!.length).toBeGreaterThanOrEqual(3)
})

test('pictures come by drop and paste; what is none is refused in a sentence; they travel in the set file, or not', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Pictures')
  const png = readFileSync('e2e/pictures/scan.png').toString('base64')
  const transfer = (name: string, type: string) =>
    page.evaluateHandle(
      ([data, fileName, fileType]) => {
        const files = new DataTransfer()
        files.items.add(
          new File([Uint8Array.from(atob(data!), (c) => c.charCodeAt(0))], fileName!, { type: fileType! }),
        )
        return files
      },
      [png, name, type],
    )
  await page.dispatchEvent('[data-testid=stage]', 'drop', { dataTransfer: await transfer('dropped.png', 'image/png') })
  await expect(page.locator('[data-reference-row="dropped"]')).toBeVisible()
  await page.evaluate(
    (files) =>
      document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: files, bubbles: true, cancelable: true })),
    await transfer('pasted.png', 'image/png'),
  )
  await expect(page.getByRole('tab', { name: 'References 2' })).toBeVisible()
  await page.dispatchEvent('[data-testid=stage]', 'drop', { dataTransfer: await transfer('notes.txt', 'text/plain') })
  await expect(
    page.getByText('“notes.txt” is no picture that can be a reference: PNG, JPEG, WebP or SVG.'),
  ).toBeVisible()
  await page
    .getByLabel('Pictures to draw by')
    .setInputFiles({ name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('no pixels in here') })
  await expect(page.getByText('This is no picture that can be read: PNG, JPEG, WebP or SVG.')).toBeVisible()
  await expect(page.getByRole('tab', { name: 'References 2' })).toBeVisible()

  // Under or over the square, hidden all at once, taken away and brought back.
  await page.getByRole('button', { name: /^layer of the reference dropped/ }).click()
  await page.getByRole('button', { name: 'over', exact: true }).click()
  await page.mouse.move(0, 0)
  await bench.press('Shift+P')
  await expect(page.locator('[data-reference]')).toHaveCount(0)
  await bench.press('Shift+P')
  await page.getByRole('button', { name: 'Remove the reference pasted' }).click()
  await expect(page.getByRole('tab', { name: 'References 1' })).toBeVisible()
  await bench.press('Control+z')
  await expect(page.getByRole('tab', { name: 'References 2' })).toBeVisible()

  await bench.saved()
  const file = `/api${new URL(bench.setUrl).pathname}/file`
  const whole = (await (await page.request.get(file)).json()) as { set: object; pictures: Record<string, string> }
  expect(Object.values(whole.pictures)).toEqual([png])
  expect(await (await page.request.get(`${file}?pictures=no`)).json()).not.toHaveProperty('pictures')
  const again = await page.request.post('/api/sets', {
    data: JSON.stringify(whole),
    headers: { 'content-type': 'application/json' },
  })
  expect(again.ok()).toBe(true)
})
