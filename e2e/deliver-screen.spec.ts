import { readFileSync } from 'node:fs'
import { unzipSync } from 'fflate'
import { TARGETS } from '../src/core/targets/targets'
import { BenchPage } from './bench-page'
import { expect, type Page, test } from './test'

/** Deliveries set up, made, released and compared on the screen. */

test('what speaks against names is mended where it is listed; the tree follows what is pointed at', async ({
  page,
}) => {
  await BenchPage.withDemoIcon(page, 'ferry')
  await page.getByRole('link', { name: 'Deliver' }).click()
  const targets = page.getByRole('complementary', { name: 'Targets' }),
    tree = page.getByRole('tree')
  await targets.getByRole('checkbox', { name: 'Icon theme' }).check()
  await expect(tree.getByRole('treeitem', { name: /^linux\/[^/]+\/16x16\// })).toBeInViewport()
  await targets.getByRole('button', { name: 'SVG files', exact: true }).click()
  await expect(tree.getByRole('treeitem', { name: /^svg\/ / })).toBeInViewport()

  await targets.getByRole('button', { name: 'What is chosen about SVG files' }).click()
  const pattern = targets.getByLabel('pattern of SVG files')
  await pattern.fill('quay-*-#')
  await pattern.press('Enter')
  await expect(page.getByText('ferry is written to svg/16/quay-ferry-16.svg')).toBeVisible()
  await pattern.fill('con.*')
  await pattern.press('Enter')
  const problems = targets.getByRole('list', { name: 'Problems' })
  await expect(problems).toContainText(
    '“anchor” would be the file svg/16/con.anchor.svg. That name is reserved by some systems',
  )
  // Only that target is left out.
  await expect(targets.getByRole('link', { name: 'Download as a zip' })).toBeVisible()
  await expect(tree.getByRole('treeitem', { name: /^svg\/ / })).toHaveCount(0)
  await problems.getByRole('button', { name: 'use the default names' }).first().click()
  await expect(pattern).toHaveValue('*')
  await expect(problems).toHaveCount(0)
  await expect(targets.getByRole('link', { name: 'Download as a zip' })).toBeVisible()
  // As everything else that is changed, it can be taken back.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(pattern).toHaveValue('con.*')
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(targets.getByRole('checkbox', { name: 'Icon theme' })).not.toBeChecked()
})

test('all targets are set up, delivered, released, changed and compared', async ({ page }) => {
  test.slow()
  for (const name of ['Quayside', 'Skerry app icons']) {
    const isApp = name !== 'Quayside'
    await page.goto('/')
    const href = (await page.getByRole('link', { name, exact: true }).getAttribute('href'))!
    const response = await page.request.get(`/api${href.replace('/draw', '/file')}`)
    const set = JSON.parse(await response.text())
    set.set.name = `${name} for delivery`
    // A few icons: what large sets take is measured elsewhere.
    const few = set.set.icons.filter(({ name }: { name: string }, i: number) => i < 8 || name === 'life-ring')
    if (!isApp) Object.assign(set.set, { icons: few })
    else Object.assign(set.set, { icons: set.set.icons.slice(0, 2), rules: { ...set.set.rules, sizes: [64] } })
    const { id } = await (await page.request.post('/api/sets', { data: JSON.stringify(set) })).json()
    await page.goto(`/sets/${id}/deliver`)
    const targets = page.getByRole('complementary', { name: 'Targets' })
    await expect(targets.getByRole('checkbox')).toHaveCount(TARGETS.length)
    for (const box of await targets.getByRole('checkbox').all()) await box.check()
    if (!isApp) await targets.getByLabel('Icon that stands for the app').first().selectOption({ label: 'life-ring' })
    // Pressed while the files are made, the download starts by itself when they are.
    const coming = page.waitForEvent('download', { timeout: 240_000 })
    await targets.getByRole('button', { name: 'Download as a zip' }).click()
    await expect(targets.getByRole('button', { name: 'The download starts when the files are made' })).toBeVisible()
    const first = readFileSync(await (await coming).path())
    await expect(targets.getByRole('status')).toHaveText(/^\d+ files, [\d.]+ [kM]?B$/, { timeout: 240_000 })
    const zip = async (link: ReturnType<Page['getByRole']>) => {
      const [download] = await Promise.all([page.waitForEvent('download'), link.click()])
      return readFileSync(await download.path())
    }
    const paths = Object.keys(unzipSync(first))
    expect(await targets.getByRole('status').textContent()).toContain(`${paths.length} files`)
    for (const kind of ['svg/', 'png/', 'web/', 'favicon/', 'apple/', 'android/', 'windows/', 'linux/', 'developers/'])
      expect(paths.some((path) => path.startsWith(kind))).toBe(true)

    await page.getByRole('radio', { name: 'Releases' }).click()
    await page.getByLabel('Note of the release').fill('The first.')
    await page.getByRole('button', { name: 'Keep as release 1' }).click()
    await expect(page.getByRole('cell', { name: 'The first.' })).toBeVisible({ timeout: 120_000 })
    await expect(page.getByText('Nothing changed: the delivery is the same, byte for byte.')).toBeVisible({
      timeout: 60_000,
    })
    const released = await zip(page.getByRole('link', { name: 'deliver again' }))
    expect(Object.keys(unzipSync(released))).toEqual(paths)

    // An icon is renamed: its paths are no more, and that is said.
    const [, icon] = set.set.icons as { name: string }[]
    await page.getByRole('link', { name: 'Review' }).click()
    await page.getByRole('button', { name: icon!.name, exact: true }).dblclick()
    await page.getByLabel(`Name of ${icon!.name}`).fill('quay-light')
    await page.keyboard.press('Enter')
    await expect(page.getByText(/^Saved/)).toBeVisible()
    // Review shows what changed since, and nothing else.
    await page.getByLabel('Only icons that changed since a release').selectOption({ label: '1' })
    await expect(page.getByRole('checkbox', { name: /^Select / })).toHaveCount(1)
    await page.getByRole('link', { name: 'Deliver' }).click()
    await page.getByRole('radio', { name: 'Releases' }).click()
    const since = page.getByRole('region', { name: 'Since release 1' })
    await expect(since).toContainText(`${icon!.name} → quay-light`, { timeout: 240_000 })
    await expect(since).toContainText('paths are no more')
    const again = await zip(page.getByRole('link', { name: 'deliver again' }))
    expect(again.equals(released)).toBe(true)
  }
})
