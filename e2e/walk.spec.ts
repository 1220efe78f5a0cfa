import { expect, type Page, test } from './test'
import { BenchPage } from './bench-page'

/** How many walks are made, of four acts each. */
const WALKS = Number(process.env.WALKS ?? 40)
const SEED = Number(process.env.SEED ?? 20)

/** Numbers from 0 to 1, the same for the same seed (mulberry32). */
function numbers(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const TOOLS = [...'123456789', ...'qwertyui', ...'asdfghjk', 'l', 'z']
const OTHERS = [
  'Escape',
  'Enter',
  'Delete',
  'Backspace',
  'Tab',
  'ArrowRight',
  'Shift+ArrowDown',
  'o',
  '3',
  '-',
  'Control+z',
  'Control+Shift+z',
  'Control+d',
  'Control+g',
]
/** Cells that open when they are pressed. */
const CELLS = ['corner', 'weight', 'stroke', 'fill', 'cap', 'x', 'w', 'sides']

/** Something a person does, and how it is said where it went wrong. */
type Act = { readonly said: string; readonly run: () => Promise<unknown> }

test('whatever is done in four acts can be taken back, and nothing goes without a step', async ({ page }) => {
  test.setTimeout(60_000 + WALKS * 12_000)
  const bench = await BenchPage.withNewSet(page, `Walks ${Date.now()}`)
  await page.keyboard.press('1')
  await bench.drag([3, 3], [10, 9])
  await page.keyboard.press('3')
  await bench.drag([13, 3], [21, 10])
  await page.keyboard.press('6')
  for (const [x, y] of [
    [3, 14],
    [8, 12],
    [10, 20],
  ] as const)
    await bench.click(x, y)
  await page.keyboard.press('Enter')
  await page.keyboard.press('2')
  await bench.drag([13, 13], [20, 20])
  await page.keyboard.press('2')
  await bench.drag([15, 15], [22, 22])
  await page.keyboard.press('q')
  await bench.saved()
  // From here on there is nothing to undo.
  await page.reload()
  await bench.ready()
  const start = await rows(page)
  expect(start).toHaveLength(5)

  const next = numbers(SEED)
  const one = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!
  const place = (): [number, number] => [Math.round(next() * 44) / 2 + 1, Math.round(next() * 44) / 2 + 1]
  const acts: readonly (() => Act)[] = [
    () => key(one(TOOLS)),
    () => key(one(TOOLS)),
    () => key(one(OTHERS)),
    () => key(one(OTHERS)),
    () => {
      const [x, y] = place()
      return { said: `click ${x} ${y}`, run: () => bench.click(x, y) }
    },
    () => {
      const [from, to] = [place(), place()]
      return { said: `drag ${from.join(' ')} to ${to.join(' ')}`, run: () => bench.drag(from, to) }
    },
    () => {
      const cell = one(CELLS),
        row = Math.floor(next() * start.length)
      const button = page
        .locator('[role=treegrid] [role=row][data-object]')
        .nth(row)
        .locator(`button[aria-label^="${cell} of "]`)
      return {
        said: `${cell} of row ${row}`,
        run: async () =>
          (await button.count()) > 0 &&
          button
            .first()
            .click({ timeout: 2000 })
            .catch(() => undefined),
      }
    },
  ]
  const key = (name: string): Act => ({ said: name, run: () => page.keyboard.press(name) })

  for (let walk = 0; walk < WALKS; walk++) {
    const chosen = Math.floor(next() * (start.length + 1))
    if (chosen < start.length)
      await page
        .locator('[role=treegrid] [role=row][data-object]')
        .nth(chosen)
        .click({ position: { x: 60, y: 10 } })
    const path = Array.from({ length: 4 }, () => one(acts)())
    const said = `walk ${walk} (seed ${SEED}), row ${chosen}: ${path.map((act) => act.said).join(', ')}`
    for (const act of path) await act.run()
    const wasUndone = path.some((act) => act.said.startsWith('Control+') && act.said.endsWith('z'))
    await leave(page)
    if (!wasUndone && (await steps(page)) === 0) expect(await rows(page), said).toEqual(start)
    for (let i = 0; (await steps(page)) > 0; i++) {
      expect(i, `${said}: undoing comes to no end`).toBeLessThan(60)
      await page.keyboard.press('Control+z')
    }
    await leave(page)
    await expect(async () => expect(await rows(page), said).toEqual(start)).toPass({ timeout: 5000 })
  }
  await bench.saved()
})

/** Out of whatever is open, and to the tool that selects. */
async function leave(page: Page): Promise<void> {
  for (let i = 0; i < 4; i++) await page.keyboard.press('Escape')
  await page.keyboard.press('q')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Select', exact: true })).toHaveAttribute('aria-pressed', 'true')
}

/** How many steps there are to be undone. */
const steps = async (page: Page): Promise<number> =>
  Number(/\d+/.exec((await page.getByRole('tab', { name: /^History/ }).textContent()) ?? '')![0])

/** What the ledger says of every object, without what only says that it is selected, and marks of snags, which come when they are found. */
const rows = (page: Page): Promise<string[]> =>
  page.locator('[role=treegrid] [role=row][data-object]').evaluateAll((all) =>
    all.map((row) => {
      const { dataset, innerText } = row as HTMLElement
      return `${dataset.object} ${innerText.replace(/[◇◆·]/g, ' ').replace(/\s+/g, ' ').trim()}`
    }),
  )
