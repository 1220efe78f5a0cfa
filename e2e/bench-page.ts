import { readFileSync } from 'node:fs'
import { expect, type Locator, type Page } from './test'
import { unzipSync } from 'fflate'
import { writeSetFile } from '../src/core/formats/set-file'
import { STARTERS } from '../src/core/rules/starters'

/** The bench as a person uses it: by pointer on the square, by keys, by the ledger. Coordinates are grid units. */
export class BenchPage {
  constructor(readonly page: Page) {}

  /** Opens the first icon of a new set that begins with a starting rule book. */
  static async withNewSet(page: Page, name: string, book = 'Interface 24'): Promise<BenchPage> {
    const { kind, rules } = STARTERS.find((starter) => starter.name.startsWith(book))!
    const id = await imported(page, writeSetFile({ name, kind, rules, icons: [] }))
    await page.goto(`/sets/${id}/draw`)
    await page.getByRole('button', { name: 'Draw the first icon' }).click()
    const bench = new BenchPage(page)
    await bench.ready()
    await page.keyboard.press('Enter')
    return bench
  }

  /** Opens an icon of a demo set, in a copy of the set that is the test's own. */
  static async withDemoIcon(page: Page, icon: string): Promise<BenchPage> {
    await page.goto('/')
    const response = await page.request.get(await hrefOf(page, 'Quayside'))
    const text = (await response.text()).replace(
      '"name": "Quayside"',
      `"name": "Copy ${Math.random().toString(36).slice(2, 8)}"`,
    )
    const id = await imported(page, text)
    await page.goto(`/sets/${id}/draw/${icon}`)
    const bench = new BenchPage(page)
    await bench.ready()
    return bench
  }

  /** The bench is there with all that stands around the square. */
  async ready(): Promise<void> {
    await expect(this.page.getByTestId('artwork')).toBeAttached()
    await expect(this.page.getByRole('tablist', { name: 'Ledger' })).toBeAttached()
  }

  /** A sibling in the family strip, scrolled into sight from the top down as a person would. */
  async sibling(name: string): Promise<Locator> {
    const list = this.page.getByRole('complementary', { name: 'Family' }).getByRole('list'),
      found = list.getByRole('button', { name, exact: true })
    await list.evaluate((element) => element.scrollTo(0, 0))
    for (let i = 0; i < 40 && !(await found.isVisible()); i++) {
      await list.evaluate((element) => element.scrollBy(0, 300))
      await this.page.waitForTimeout(30)
    }
    return found
  }

  get setUrl(): string {
    return /^.*\/sets\/[^/]+/.exec(this.page.url())![0]
  }

  /** Where a place of the square is on the screen. */
  async at(x: number, y: number): Promise<{ x: number; y: number }> {
    const [left, top, scale] = await this.page.getByTestId('artwork').evaluate((element) => {
      const { e, f, a } = (element as SVGGElement).getScreenCTM()!
      return [e, f, a] as const
    })
    return { x: left + x * scale, y: top + y * scale }
  }

  async click(
    x: number,
    y: number,
    options: Parameters<Page['mouse']['click']>[2] = {},
    keys: readonly string[] = [],
  ): Promise<void> {
    const to = await this.at(x, y)
    for (const key of keys) await this.page.keyboard.down(key)
    await this.page.mouse.move(to.x, to.y)
    await this.page.mouse.click(to.x, to.y, options)
    for (const key of keys) await this.page.keyboard.up(key)
  }

  /** Drags in steps, as a hand does; keys held during the drag are pressed before and released after it. */
  async drag(
    from: readonly [number, number],
    to: readonly [number, number],
    keys: readonly string[] = [],
  ): Promise<void> {
    const a = await this.at(...from),
      b = await this.at(...to)
    for (const key of keys) await this.page.keyboard.down(key)
    await this.page.mouse.move(a.x, a.y)
    await this.page.mouse.down()
    await this.page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 })
    await this.page.mouse.move(b.x, b.y, { steps: 3 })
    await this.page.mouse.up()
    for (const key of keys) await this.page.keyboard.up(key)
  }

  press(keys: string): Promise<void> {
    return this.page.keyboard.press(keys)
  }

  row(name: string): Locator {
    return this.page.locator(`[role=row][data-object="${name}"]`)
  }

  /** Selects an object by its name in the ledger. */
  pick(name: string): Promise<void> {
    return this.row(name)
      .getByTitle(/double click to rename/)
      .first()
      .click()
  }

  /** Types into a number of the ledger. */
  async type(cell: string, text: string): Promise<void> {
    await this.page.getByRole('button', { name: new RegExp(`^${cell}: `) }).click()
    const field = this.page.getByRole('textbox', { name: cell, exact: true })
    await field.fill(text)
    await field.press('Enter')
  }

  /** Chooses one of the words that a cell of the ledger offers. */
  async choose(cell: string, word: string): Promise<void> {
    await this.page
      .getByRole('button', { name: new RegExp(`^${cell}: `) })
      .first()
      .click()
    await this.page
      .getByRole('dialog')
      .getByRole('button', { name: new RegExp(`^${word}( |$)`) })
      .click()
  }

  /** Gives a cell that offers values of the rules a number of its own. */
  async own(cell: string, text: string): Promise<void> {
    await this.page
      .getByRole('button', { name: new RegExp(`^${cell}: `) })
      .first()
      .click()
    // Enter keeps it and closes the panel.
    await setting(this.page, `Own ${cell}`, text)
    await expect(this.page.getByRole('dialog')).toHaveCount(0)
  }

  async expectCell(cell: string, text: string): Promise<void> {
    await expect(this.page.getByRole('button', { name: new RegExp(`^${cell}: `) })).toHaveText(text)
  }

  /** Lays one of the tests' pictures under the square; 480 pixels of it are 24 units. */
  async layPicture(name: string): Promise<void> {
    const { page } = this
    await page.getByRole('tab', { name: /^References/ }).click()
    await page.getByLabel('Pictures to draw by').setInputFiles(`e2e/pictures/${name}.png`)
    await expect(page.locator(`[data-reference-row="${name}"]`)).toBeVisible()
    await expect(page.locator(`[data-reference="${name}"]`)).toBeAttached()
  }

  async saved(): Promise<void> {
    await expect(this.page.getByText(/^Saved · rev/)).toBeVisible()
  }

  async rename(icon: string, name: string): Promise<void> {
    await this.page.getByRole('button', { name: icon, exact: true }).click({ button: 'right' })
    await this.page.getByRole('menuitem', { name: 'Rename…' }).click()
    await this.page.getByLabel('Name', { exact: true }).fill(name)
    await this.page.getByRole('button', { name: 'Rename' }).click()
    await expect(this.page.getByRole('button', { name, exact: true })).toBeVisible()
  }

  /** The pixels of a proof as a person sees them: R, G, B, A bytes. */
  proofPixels(label: string): Promise<number[]> {
    return this.page.getByRole('img', { name: label, exact: true }).evaluate((element) => {
      const image = element as HTMLImageElement,
        context = new OffscreenCanvas(image.naturalWidth, image.naturalHeight).getContext('2d')!
      context.drawImage(image, 0, 0)
      return [...context.getImageData(0, 0, image.naturalWidth, image.naturalHeight).data]
    })
  }
}

/** Lays a set file on the shelf; answers the id of the new set. */
export async function imported(page: Page, text: string): Promise<string> {
  const response = await page.request.post('/api/sets', {
    data: text,
    headers: { 'content-type': 'application/json' },
  })
  return ((await response.json()) as { id: string }).id
}

async function hrefOf(page: Page, set: string): Promise<string> {
  const href = await page.getByRole('link', { name: set, exact: true }).getAttribute('href')
  return `/api${href!.replace('/draw', '/file')}`
}

/** The SVG files of the set as they are delivered, by name; the bench is opened again afterwards. */
export async function delivered(page: Page, bench: BenchPage): Promise<Record<string, string>> {
  await bench.saved()
  await page.getByRole('link', { name: 'Deliver' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download as a zip' }).click(),
  ])
  const files = unzipSync(readFileSync(await download.path()))
  await page.getByRole('link', { name: 'Draw', exact: true }).click()
  await bench.ready()
  return Object.fromEntries(
    Object.entries(files).flatMap(([path, bytes]) =>
      path.endsWith('.svg') ? [[path.replace(/^svg\/|\.svg$/g, ''), Buffer.from(bytes).toString()]] : [],
    ),
  )
}

/** Types a value into a setting. */
export async function setting(page: Page, label: string, value: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).fill(value)
  await page.getByLabel(label, { exact: true }).press('Enter')
}

/** Does a command by its name, by way of the command box. */
export async function command(page: Page, name: string): Promise<void> {
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder('What would you like to do?').fill(name)
  await page.keyboard.press('Enter')
}
