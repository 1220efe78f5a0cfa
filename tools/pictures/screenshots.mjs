// Makes docs/screenshots/ from the demo sets, on a data folder of its own. Run after bin/start or bin/test has built
// the product.
import { spawn } from 'node:child_process'
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { root } from '../../bin/prepare.mjs'
import { BOMBS } from '../fuzz/bombs.mjs'

const PORT = 4397
const at = `http://127.0.0.1:${PORT}`
const data = join(root, 'build', 'screenshots-data')
const out = join(root, 'docs', 'screenshots')
rmSync(data, { recursive: true, force: true })
mkdirSync(out, { recursive: true })

const server = spawn(join(root, 'bin', 'start'), ['--port', String(PORT), '--data', data], {
  stdio: ['ignore', 'pipe', 'inherit'],
})
await new Promise((resolve, reject) => {
  server.stdout.on('data', (text) => String(text).includes(at) && resolve())
  server.on('exit', () => reject(new Error('The server did not start.')))
})
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })

async function picture(name, path, act = async () => undefined) {
  await page.goto(at + path)
  await page.waitForTimeout(1200)
  await act()
  writeFileSync(join(out, `${name}.png`), await settled())
}

/** The page once nothing on it has changed for a while: workers fill in proofs one by one. */
async function settled() {
  let last = await page.screenshot()
  for (let still = 0; still < 4;) {
    await page.waitForTimeout(700)
    const next = await page.screenshot()
    still = next.equals(last) ? still + 1 : 0
    last = next
  }
  return last
}

try {
  await page.goto(at)
  const set = async (name) =>
    (await page.getByRole('link', { name, exact: true }).getAttribute('href')).replace('/draw', '')
  const quayside = await set('Quayside'),
    app = await set('Skerry app icons')
  await picture('shelf', '/')
  await picture('new-set', '/', () => page.getByRole('button', { name: 'New set…' }).click())
  await picture('reading', '/', async () => {
    await page.getByLabel('Folder of SVG files').setInputFiles('demo/folder')
    await page.getByRole('button', { name: /^Create a set of [1-9]/ }).waitFor()
  })
  await picture('bench', `${quayside}/draw/ticket`, () => page.getByText('Left notch', { exact: true }).click())
  await picture('bench-master', `${quayside}/draw/timetable`, async () => {
    await page.getByRole('tab', { name: '16', exact: true }).click()
    await page.getByRole('button', { name: 'overlay' }).click()
  })
  await picture('bench-nodes', `${quayside}/draw/propeller`, async () => {
    await page.getByText('Blade', { exact: true }).click()
    await page.keyboard.press('w')
    await page.getByRole('tab', { name: /^Nodes/ }).click()
    await page.locator('[data-node="2"] [role=rowheader]').click()
  })
  await picture('bench-shape', `${quayside}/draw/starfish`, () => page.getByText('Arms', { exact: true }).click())
  await picture('bench-finish', `${app}/draw/porthole`, async () => {
    await page.getByText('Shine', { exact: true }).click()
    await page.getByRole('tab', { name: /^Colours/ }).click()
  })
  await picture('bench-patchwork', `${quayside}/draw/shell`, async () => {
    await page.getByText('Fan', { exact: true }).click()
    await page.keyboard.press('s')
    await page.mouse.move(600, 330)
  })
  await picture('bench-parts', `${quayside}/draw/fenders`, async () => {
    await page.getByText('Left fender', { exact: true }).click()
    await page.keyboard.press('9')
    await page.getByRole('tab', { name: /^Parts/ }).click()
  })
  await picture('bench-plate', `${app}/draw/timetable`, () =>
    page
      .locator('[data-object="Cast"]')
      .getByTitle(/rename/)
      .click(),
  )
  await picture('bench-difference', `${app}/draw/porthole`, async () => {
    await page.getByRole('tab', { name: /^References/ }).click()
    await page.locator('[data-reference-row="photo"] [role=rowheader]').click()
    await page.getByRole('button', { name: 'Difference' }).click()
    await page.getByLabel('Mismatch').waitFor()
  })
  await picture('keys', `${quayside}/draw/ferry`, () => page.keyboard.press('Shift+?'))
  await picture('rules', `${quayside}/rules`, async () => {
    await page.getByLabel('weight main', { exact: true }).fill('1.5')
    await page.getByLabel('weight main', { exact: true }).press('Enter')
    await page
      .getByText(/needs? a hand/)
      .first()
      .waitFor()
  })
  await page.getByRole('button', { name: 'Discard' }).click()
  await picture('review', `${quayside}/review`, () => page.waitForTimeout(2500))
  await picture('review-balance', `${quayside}/review`, async () => {
    await page.getByRole('radio', { name: 'balance' }).click()
    await page
      .getByText(/to be looked at/)
      .first()
      .waitFor({ state: 'hidden' })
  })
  await picture('deliver', `${app}/deliver`, async () => {
    await page.getByRole('checkbox', { name: 'PNG files' }).uncheck()
    for (const name of ['Tab and home screen', 'Launcher icon']) await page.getByRole('checkbox', { name }).check()
    await page
      .getByRole('complementary', { name: 'Targets' })
      .getByText(/^\d+ files, [\d.]+ .?B$/)
      .waitFor({ timeout: 60_000 })
  })
  const file = await (await page.request.get(`${at}/api${quayside}/file`)).json()
  const horn = file.set.icons.find(({ name }) => name === 'fog-horn')
  const bomb = { ...BOMBS['dashes of nothing with a head'][0], id: 'too-much' }
  file.set = {
    ...file.set,
    name: 'Squall',
    icons: [
      file.set.icons[0],
      { ...horn, masters: [{ ...horn.masters[0], objects: [...horn.masters[0].objects, bomb] }] },
      ...file.set.icons.slice(1, 6),
    ],
  }
  const { id } = await (
    await page.request.post(`${at}/api/sets`, {
      data: JSON.stringify(file),
      headers: { 'content-type': 'application/json' },
    })
  ).json()
  await picture('bench-refused', `/sets/${id}/draw/fog-horn`)
  await page.evaluate(() => localStorage.setItem('wise-square:film', 'night'))
  await picture('bench-night', `${quayside}/draw/lighthouse`, () => page.getByText('Tower', { exact: true }).click())
} finally {
  await browser.close()
  server.kill('SIGTERM')
}
