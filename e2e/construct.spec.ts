import { expect, test } from './test'
import { readPathData } from '../src/core/formats/path-reader'
import { BenchPage, delivered, setting } from './bench-page'

const paths = (svg: string): string[] => [...svg.matchAll(/ d="([^"]+)"/g)].map(([, d]) => d!)
const clear = async (bench: BenchPage) => {
  await bench.press('Escape')
  await bench.press('Control+a')
  await bench.press('Delete')
}

test('basics: circles, resizing, rows of copies, rings, turning about a pivot, radii by drag', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Basics')
  await bench.press('2')
  await bench.drag([3, 3], [9, 7], ['Shift'])
  await bench.expectCell('w of Ellipse 1', '6')
  await bench.expectCell('h of Ellipse 1', '6')
  await bench.drag([9, 9], [11, 10])
  await bench.expectCell('w of Ellipse 1', '8')
  await bench.expectCell('h of Ellipse 1', '7')
  await bench.press('Control+z')
  await bench.drag([9, 9], [11, 10], ['Shift'])
  await bench.expectCell('h of Ellipse 1', '8')
  await clear(bench)

  // A row: one copy by dragging, the others repeat it.
  await bench.press('1')
  await bench.drag([2, 2], [5, 5])
  await bench.drag([3.5, 3.5], [8.5, 3.5], ['Alt'])
  await bench.press('Control+d')
  await bench.press('Control+d')
  const cells = page.getByRole('button', { name: /^x of Rectangle/ })
  await expect(cells).toHaveCount(4)
  const xs = await cells.allTextContents()
  expect(xs.map(Number).sort((a, b) => a - b)).toEqual([2, 7, 12, 17])
  await clear(bench)

  // A circle of typed size, placed by a click, and rings around it by scaling copies.
  await bench.press('2')
  await setting(page, 'Width a click places', '4')
  await bench.click(12, 12, {}, ['Alt'])
  await bench.press('r')
  await page.getByRole('radio', { name: 'scale' }).click()
  await setting(page, 'Amount', '200')
  await setting(page, 'Copies', '2')
  await page.getByRole('button', { name: 'Apply' }).click()
  await bench.rename('icon', 'rings')
  expect((await delivered(page, bench)).rings!.match(/<circle[^>]*>/g)).toEqual([
    '<circle cx="12" cy="12" r="2"/>',
    '<circle cx="12" cy="12" r="4"/>',
    '<circle cx="12" cy="12" r="8"/>',
  ])
  await clear(bench)

  // Twelve strokes around the centre by one typed angle.
  await bench.press('5')
  await bench.drag([12, 1], [12, 3])
  await bench.press('r')
  await page.getByRole('radio', { name: 'turn' }).click()
  await setting(page, 'Pivot y', '12')
  await setting(page, 'Amount', '30')
  await setting(page, 'Copies', '11')
  await page.getByRole('button', { name: 'Apply' }).click()
  const strokes = paths((await delivered(page, bench)).rings!).map((d) => readPathData(d)[0]!.segments[0]!)
  expect(strokes).toHaveLength(12)
  strokes.forEach(({ from, to }, i) => {
    for (const [end, r] of [
      [from, 11],
      [to, 9],
    ] as const) {
      expect(Math.abs(end.x - (12 + r * Math.sin((i * Math.PI) / 6)))).toBeLessThan(6e-4)
      expect(Math.abs(end.y - (12 - r * Math.cos((i * Math.PI) / 6)))).toBeLessThan(6e-4)
    }
  })
  await clear(bench)

  // A triangle turned about a pivot that was dragged to the centre of the square.
  await bench.press('3')
  await setting(page, 'Sides', '3')
  await bench.drag([4, 4], [8, 8], ['Shift'])
  await bench.press('r')
  await bench.drag([6, 6], [12, 12])
  await bench.drag([18, 12], [12, 18])
  await bench.expectCell('turn of Polygon 1', '90')
  await page.getByRole('radio', { name: 'centre', exact: true }).click()
  // Of what is drawn, which lies three quarters down its circle.
  await bench.expectCell('x of Polygon 1', '18.5')
  await bench.expectCell('y of Polygon 1', '6')
  await clear(bench)

  // Radii by their grips: all corners, then one alone.
  await bench.press('1')
  await setting(page, 'Width a click places', '16')
  await setting(page, 'Height a click places', '12')
  await bench.click(4, 6)
  await bench.drag([6, 8], [7, 9])
  await bench.drag([17, 15], [19, 17], ['Shift'])
  await expect(page.getByRole('button', { name: 'corners of Rectangle 1: 3 3 1 3' })).toBeVisible()
})

test('pen: corners, a curve, a path closed on its first node, going on from an end', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Pen')
  await bench.rename('icon', 'pen')
  const sharp = async (name: string) => {
    await page.getByRole('button', { name: new RegExp(`^corner of ${name}`) }).click()
    await page.getByRole('button', { name: 'sharp', exact: true }).click()
  }
  await bench.press('6')
  for (const [x, y] of [
    [4.1, 3.9],
    [20, 4.1],
    [20.1, 9],
    [4, 4],
  ] as const)
    await bench.click(x, y)
  await sharp('Path 1')
  await bench.press('6')
  await bench.drag([4, 20], [4, 14])
  await bench.drag([20, 20], [20, 25])
  await bench.press('Enter')
  // Taken up again at its end, the path goes on straight.
  await bench.press('6')
  await bench.click(20, 20)
  await bench.click(20, 22)
  await bench.press('Enter')
  await sharp('Path 2')
  await expect(bench.row('Path 2')).toContainText('3 nodes, open')
  expect(paths((await delivered(page, bench)).pen!)).toEqual(['M4 4H20V9z', 'M4 20c0-6 16-5 16 0v2'])
})

test('nodes: several at once, one corner and one join of its own, curving, deleting', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'Nodes')
  await bench.rename('icon', 'four')
  await bench.press('6')
  for (const [x, y] of [
    [4, 4],
    [20, 4],
    [20, 20],
    [4, 20],
    [4, 4],
  ] as const)
    await bench.click(x, y)
  await page.getByRole('button', { name: /^corner of Path 1/ }).click()
  await page.getByRole('button', { name: 'sharp', exact: true }).click()
  await page.getByRole('tab', { name: /^Nodes/ }).click()
  await bench.press('w')
  const row = (n: string) => page.locator(`[data-node="${n}"]`)

  // The two on the left in a box: one x, several y; typed over, both go there.
  await bench.drag([2, 2], [6, 22])
  await bench.expectCell('x of the selected nodes', '4')
  await bench.expectCell('y of the selected nodes', 'several')
  await bench.type('x of the selected nodes', '6')
  await expect(row('1')).toHaveAttribute('aria-selected', 'true')
  expect(paths((await delivered(page, bench)).four!)).toEqual(['M6 4H20V20H6z'])

  // One corner of its own.
  await bench.click(13, 4)
  await bench.press('w')
  await page.getByRole('tab', { name: /^Nodes/ }).click()
  await page.getByRole('button', { name: 'corner of node 2: the path’s' }).click()
  await page.getByLabel('Own corner of node 2').fill('5')
  await page.getByLabel('Own corner of node 2').press('Enter')
  await page.keyboard.press('Escape')
  expect(paths((await delivered(page, bench)).four!)).toEqual(['M6 4h9a5 5 0 0 1 5 5V20H6z'])

  // A straight side pulled to a curve goes through the pointer's place; then a node is put on it and taken out again.
  await bench.click(13, 4)
  await bench.press('w')
  await bench.drag([13, 20], [13, 23])
  const [curve] = paths((await delivered(page, bench)).four!).map((d) =>
    readPathData(d)[0]!.segments.find(({ kind }) => kind === 'cubic')!,
  )
  expect(curve).toMatchObject({ from: { x: 20, y: 20 }, to: { x: 6, y: 20 }, c1: { y: 24 }, c2: { y: 24 } })
  await bench.click(13, 4)
  await bench.press('w')
  const middle = await bench.at(6, 12)
  await page.mouse.dblclick(middle.x, middle.y)
  await expect(page.getByRole('tab', { name: 'Nodes 5' })).toBeVisible()
  await bench.press('Delete')
  await expect(page.getByRole('tab', { name: 'Nodes 4' })).toBeVisible()
  await bench.press('Control+z')
  await bench.press('Control+z')
  await expect(page.getByRole('tab', { name: 'Nodes 4' })).toBeVisible()

  // A join of one node alone is delivered as the outline it paints.
  await page.getByRole('tab', { name: /^Nodes/ }).click()
  await page.getByRole('button', { name: 'join of node 1: round' }).click()
  await page.getByRole('button', { name: 'miter', exact: true }).click()
  const svg = (await delivered(page, bench)).four!
  expect(svg).not.toContain('stroke')
  // The mitred corner reaches where its two sides, half a weight out, cross.
  expect(
    readPathData(paths(svg)[0]!).some(({ segments }) =>
      segments.some(({ from }) => Math.hypot(from.x - 5, from.y - 3) < 6e-4),
    ),
  ).toBe(true)
})

test('a polygon edited at one side follows on all, its count still changes; depth by drag; nodes brought to a marked one', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Pennant')
  await bench.press('3')
  await setting(page, 'Sides', '6')
  await bench.drag([4, 4], [20, 20], ['Shift'])
  await bench.press('w')
  const side = await bench.at(15.464, 6)
  await page.mouse.dblclick(side.x, side.y)
  await expect(page.getByText(/^result: 12 segments/)).toBeVisible()
  await bench.drag([15.464, 6], [14, 8])
  await page.getByRole('tab', { name: /^Objects/ }).click()
  await expect(page.getByRole('button', { name: 'sides of Polygon 1: 6 sides' })).toBeVisible()
  await bench.type('sides of Polygon 1', '8')
  await expect(page.getByText(/^result: 16 segments/)).toBeVisible()
  await bench.rename('icon', 'polygon')
  const [d] = paths((await delivered(page, bench)).polygon!)
  const nodes = readPathData(d!)[0]!.segments.map(({ from }) => Math.hypot(from.x - 12, from.y - 12))
  expect(nodes.filter((r) => Math.abs(r - 8) < 1e-3)).toHaveLength(8)
  const inner = nodes.filter((r) => Math.abs(r - 8) >= 1e-3)
  for (const r of inner) expect(Math.abs(r - inner[0]!)).toBeLessThan(2e-3)
  await clear(bench)

  // The depth of a star by its grip, a quarter of the way in.
  await bench.press('4')
  await bench.drag([4, 4], [20, 20], ['Shift'])
  const share = (k: number): [number, number] => [
    12 + 8 * k * Math.cos(Math.PI / 3),
    12 - 8 * k * Math.sin(Math.PI / 3),
  ]
  await bench.drag(share(0.5), share(0.75))
  await expect(page.getByRole('button', { name: 'depth of Star 1: Depth 25 %' })).toBeVisible()
  await clear(bench)

  // A fish out of an ellipse: its left end is pulled out, and what that takes away is said.
  await bench.press('2')
  await bench.drag([5, 7], [19, 17])
  await bench.press('w')
  await bench.drag([5, 12], [2, 12])
  await expect(page.getByRole('dialog')).toContainText('it loses its diameters and angles as numbers')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await bench.drag([5, 12], [2, 12])
  await page.getByRole('button', { name: 'Make it a path' }).click()
  await expect(bench.row('Ellipse 1')).toContainText('2 nodes')
  const [fish] = paths((await delivered(page, bench)).polygon!)
  const ends = readPathData(fish!)[0]!.segments.map(({ from }) => [from.x, from.y])
  expect(ends).toContainEqual([2, 12])
  expect(ends).toContainEqual([19, 12])
  await bench.press('Control+z')
  await expect(page.getByRole('button', { name: 'part of Ellipse 1: whole' })).toBeVisible()
  await clear(bench)

  // Two nodes brought level with the one that is marked.
  await bench.press('6')
  for (const [x, y] of [
    [4, 8],
    [12, 5],
    [20, 9],
    [12, 17],
  ] as const)
    await bench.click(x, y)
  await bench.press('Enter')
  await bench.press('w')
  await bench.click(4, 8)
  await bench.press('Shift+Q')
  const second = await bench.at(20, 9)
  await page.keyboard.down('Shift')
  await page.mouse.click(second.x, second.y)
  await page.keyboard.up('Shift')
  await bench.press('Shift+H')
  await page.getByRole('tab', { name: /^Nodes/ }).click()
  await bench.expectCell('y of node 3', '8')
  await bench.expectCell('y of node 1', '8')
})

test('lines touch circles, circles touch three sides, mirrors stay live, texts stay texts', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'True')
  await bench.rename('icon', 'true')
  await bench.press('2')
  await bench.drag([12, 9], [15, 12], ['Shift', 'Alt'])
  // From outside, the line ends where it touches: 3-4-5, so the tangent place is known to the digit.
  await bench.press('5')
  await bench.drag([12, 4], [14.3, 7.15])
  await bench.press('Escape')
  const svg = (await delivered(page, bench)).true!
  const [tangent] = paths(svg).map((d) => readPathData(d)[0]!.segments[0]!)
  expect(tangent!.to.x).toBeCloseTo(14.4, 3)
  expect(tangent!.to.y).toBeCloseTo(7.2, 3)
  await clear(bench)

  // Three lines, and the circle inside them.
  for (const [from, to] of [
    [
      [4, 20],
      [20, 20],
    ],
    [
      [4, 20],
      [4, 8],
    ],
    [
      [4, 8],
      [20, 20],
    ],
  ] as const) {
    await bench.press('5')
    await bench.drag(from, to)
  }
  await bench.press('2')
  await page.getByRole('radio', { name: 'three places' }).click()
  for (const [x, y] of [
    [7, 20],
    [4, 17],
    [11, 13.25],
  ] as const)
    await bench.click(x, y)
  await bench.expectCell('w of Ellipse 1', '8')
  await bench.expectCell('x of Ellipse 1', '4')
  await bench.expectCell('y of Ellipse 1', '12')
  await clear(bench)

  // Half a hull, mirrored live: one closed outline, symmetric to the digit.
  await bench.press('6')
  for (const [x, y] of [
    [12, 4],
    [5, 9],
    [7, 18],
    [12, 21],
  ] as const)
    await bench.click(x, y)
  await bench.press('Enter')
  await page.getByRole('button', { name: /^corner of Path 1/ }).click()
  await page.getByRole('button', { name: 'sharp', exact: true }).click()
  await bench.press('Shift+T')
  await expect(page.getByText('result: 6 segments · 1 contour', { exact: true })).toBeVisible()
  expect(paths((await delivered(page, bench)).true!)).toEqual(['M12 4 5 9l2 9 5 3 5-3 2-9z'])
  await clear(bench)

  await bench.press('8')
  await bench.click(3, 20)
  await page.keyboard.type('FOG')
  await page.keyboard.press('Enter')
  await expect(bench.row('Text 1')).toBeVisible()
  await setting(page, 'Letter spacing', '1')
  const word = (await delivered(page, bench)).true!
  expect(word).not.toContain('<text')
  // F, O with its counter, G.
  expect(paths(word).join('').match(/z/g)).toHaveLength(4)
})
