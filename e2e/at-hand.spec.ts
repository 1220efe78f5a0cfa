import { type CDPSession, expect, type Page, test } from './test'
import { BenchPage } from './bench-page'

const TOOL_KEYS = [...'12345678', ...'qwertui', 'Shift+3', 'Shift+4']

/** What of an element is beyond the window or beyond what holds it. */
const outside = (page: Page, holder: string, parts: string): Promise<string[]> =>
  page.locator(holder).evaluate((element, selector) => {
    const box = element.getBoundingClientRect()
    return [...element.querySelectorAll<HTMLElement>(selector)].flatMap((part) => {
      const { left, right, top, bottom, width } = part.getBoundingClientRect()
      if (width === 0 || getComputedStyle(part).display === 'none') return []
      const isIn =
        left >= box.left - 1 &&
        right <= Math.min(box.right, innerWidth) + 1 &&
        top >= box.top - 1 &&
        bottom <= box.bottom + 1
      return isIn ? [] : [part.getAttribute('aria-label') ?? part.textContent ?? part.tagName]
    })
  }, parts)

/** Shows the settings that do not fit into the line, where there are any. */
async function showMore(page: Page): Promise<void> {
  const more = page.getByRole('button', { name: /^more ▾$/ })
  if (await more.isVisible()) await more.click()
}

/** Beyond the window, of what the settings line holds in the rows that are open. */
const settingsOutside = async (page: Page, parts: string): Promise<string[]> => {
  if ((await page.getByTestId('settings').count()) === 0) return []
  await showMore(page)
  return outside(page, '[data-testid=settings]', parts)
}

test('the settings of every tool are wholly in sight at 1280 and at 1024, and the square stays whole', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ferry')
  for (const [width, height] of [
    [1280, 800],
    [1024, 720],
  ] as const) {
    await page.setViewportSize({ width, height })
    for (const key of TOOL_KEYS) {
      if (key === 'q') await page.locator('[role=row] [data-name]').first().click()
      await bench.press(key)
      const line = await page.getByRole('group', { name: /^Settings of/ }).boundingBox()
      expect([key, width, await settingsOutside(page, 'button, input, select, output')]).toEqual([key, width, []])
      expect([key, width, line!.height]).toEqual([key, width, 27])
      expect(await outside(page, '[role=toolbar][aria-label=Tools]', 'button')).toEqual([])
    }
    await bench.press('q')
    await expect
      .poll(async () => {
        const [first, last] = [await bench.at(0, 0), await bench.at(24, 24)]
        const stage = (await page.getByTestId('stage').boundingBox())!
        return (
          first.x > stage.x && first.y > stage.y && last.x < stage.x + stage.width && last.y < stage.y + stage.height
        )
      })
      .toBe(true)
  }
  // A text has the most of them.
  await bench.press('8')
  await bench.click(4, 22)
  await expect(page.getByLabel(/^Words of/)).toBeFocused()
  expect(await settingsOutside(page, 'button, input[type=text], select')).toEqual([])
})

test('what lies over the square gives way to what is in hand, and the menu stays inside the window', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'ticket')
  const words = page.getByRole('group', { name: 'Alternatives' })
  const box = (await words.boundingBox())!
  await bench.press('1')
  const from = await bench.at(20, 4)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await expect(words).toHaveCSS('opacity', '1')
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 4 })
  await expect(words).toHaveCSS('opacity', '0.1')
  await page.mouse.up()
  await expect(words).toHaveCSS('opacity', '1')
  await page.mouse.click(box.x + 30, (await bench.at(0, 23)).y, { button: 'right' })
  const menu = (await page.getByRole('menu').boundingBox())!
  expect(menu.y).toBeGreaterThanOrEqual(0)
  expect(menu.y + menu.height).toBeLessThanOrEqual(800)
})

const touch = (client: CDPSession, type: 'touchStart' | 'touchMove' | 'touchEnd', places: { x: number; y: number }[]) =>
  client.send('Input.dispatchTouchEvent', { type, touchPoints: places.map((place, id) => ({ ...place, id })) })

test('two fingers zoom and pan and draw nothing; a pinch on a trackpad zooms; a pen draws with the freehand tool', async ({
  page,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Fingers')
  const client = await page.context().newCDPSession(page)
  await bench.press('1')
  const [a, b] = [await bench.at(10, 12), await bench.at(14, 12)]
  const wide = b.x - a.x
  await touch(client, 'touchStart', [a])
  await touch(client, 'touchStart', [a, b])
  await touch(client, 'touchMove', [
    { x: a.x - wide / 2, y: a.y + 20 },
    { x: b.x + wide / 2, y: b.y + 20 },
  ])
  await touch(client, 'touchEnd', [])
  const [c, d] = [await bench.at(10, 12), await bench.at(14, 12)]
  expect((d.x - c.x) / wide).toBeCloseTo(2, 1)
  expect((c.y + d.y) / 2 - a.y).toBeCloseTo(20, 0)
  await expect(page.getByRole('tab', { name: 'Objects 0' })).toBeVisible()
  await bench.press('0')

  const before = await bench.at(12, 12)
  await page.mouse.move(before.x, before.y)
  // As browsers tell a pinch: a turn of the wheel with Ctrl that nobody holds.
  await client.send('Input.dispatchMouseEvent', {
    type: 'mouseWheel',
    ...before,
    deltaX: 0,
    deltaY: -20,
    modifiers: 2,
  })
  await expect.poll(async () => (await bench.at(13, 12)).x - (await bench.at(12, 12)).x).toBeGreaterThan(wide / 4 + 3)
  await bench.press('0')

  await bench.press('7')
  const pen = async (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', x: number, y: number) =>
    client.send('Input.dispatchMouseEvent', {
      type,
      ...(await bench.at(x, y)),
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      clickCount: 1,
      pointerType: 'pen',
    })
  await pen('mousePressed', 4, 12)
  for (let i = 1; i <= 16; i++) await pen('mouseMoved', 4 + i, 12 + 3 * Math.sin(i / 2.5))
  // The hand that rests on the sheet meanwhile does nothing.
  const palm = await bench.at(20, 20)
  await touch(client, 'touchStart', [palm])
  await touch(client, 'touchMove', [{ x: palm.x + 40, y: palm.y + 40 }])
  await touch(client, 'touchEnd', [])
  await pen('mouseReleased', 20, 12)
  await expect(page.getByRole('tab', { name: 'Objects 1' })).toBeVisible()
  await expect(bench.row('Path 1')).toContainText('Smoothness')
})

test.describe('keys', () => {
  test('are those of a Mac at a Mac', async ({ page }) => {
    await page.addInitScript(() => {
      Object.defineProperty(Navigator.prototype, 'platform', { get: () => 'MacIntel' })
      Object.defineProperty(Navigator.prototype, 'userAgentData', { get: () => undefined })
    })
    const bench = await BenchPage.withDemoIcon(page, 'ticket')
    await expect(page.getByRole('button', { name: 'Find a command' })).toContainText('⌘K')
    await bench
      .row('Ticket')
      .getByTitle(/rename/)
      .click()
    await expect(page.getByRole('group', { name: 'Settings of Select' })).toContainText('⌥: leave a copy')
    await bench.press('Meta+d')
    await expect(page.getByText('Move the copy, and ⌘D repeats what you did.')).toBeVisible()
    await bench.press('Meta+z')
    await expect(page.getByRole('button', { name: 'Redo' })).toHaveAttribute('title', /⇧⌘Z/)
  })

  test('go by their place with the sign that is printed there, and by their sign with Ctrl', async ({ page }) => {
    await page.addInitScript(() => {
      const printed = new Map([
        ['KeyQ', 'a'],
        ['KeyW', 'z'],
        ['KeyA', 'q'],
        ['KeyZ', 'w'],
      ])
      Object.defineProperty(Navigator.prototype, 'keyboard', {
        get: () => ({ getLayoutMap: async () => printed }),
      })
    })
    const bench = await BenchPage.withDemoIcon(page, 'ticket')
    await expect(page.getByRole('button', { name: 'Nodes', exact: true })).toHaveAttribute('title', 'Nodes (Z)')
    const press = (key: string, code: string, ctrlKey = false) =>
      page.evaluate(
        (init) =>
          document.body.dispatchEvent(new KeyboardEvent('keydown', { ...init, bubbles: true, cancelable: true })),
        { key, code, ctrlKey },
      )
    await press('z', 'KeyW')
    await expect(page.getByRole('button', { name: 'Nodes', exact: true })).toHaveAttribute('aria-pressed', 'true')
    await press('a', 'KeyQ')
    await bench.pick('Ticket')
    await bench.press('ArrowRight')
    await expect(page.getByRole('tab', { name: 'History 1' })).toBeVisible()
    // Ctrl+Z where Z is on such a keyboard.
    await press('z', 'KeyW', true)
    await expect(page.getByRole('tab', { name: 'History 0' })).toBeVisible()
  })
})
