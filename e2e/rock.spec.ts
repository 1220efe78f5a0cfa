import { request as plainRequest } from 'node:http'
import { readFileSync } from 'node:fs'
import { expect, test } from './test'
import { BenchPage, imported } from './bench-page'

const { rules } = (JSON.parse(readFileSync('demo/quayside.wisesquare.json', 'utf8')) as { set: { rules: object } }).set
type Drawings = Record<string, object[]>
const { BOMBS, setFileOf } = (await import('../tools/fuzz/bombs.mjs' as string)) as {
  BOMBS: Drawings
  setFileOf: (rules: object, name: string, drawings: Drawings) => string
}

/** A sound drawing beside those that are not. */
const box = {
  kind: 'rectangle',
  id: 'box',
  name: 'Box',
  x: 3,
  y: 3,
  w: 18,
  h: 18,
  corner: 0,
  style: { fill: 'none', stroke: 'ink', weight: 'main' },
}

test('drawings that come to too much take nothing else down: shelf, bench, review and delivery show the rest and say why', async ({
  page,
}) => {
  const {
    'dashes of nothing with a head': dashes,
    'mirrors in mirrors': mirrors,
    'a spiral without width': flat,
    'a faded shape beside the square': far,
  } = BOMBS
  const id = await imported(
    page,
    setFileOf(rules, 'Squall', { dashes: dashes!, mirrors: [...mirrors!, box], flat: flat!, far: far!, sound: [box] }),
  )
  await page.goto('/')
  const row = page.getByRole('row').filter({ has: page.getByRole('link', { name: 'Squall', exact: true }) })
  // What is out of sight on a long shelf is not asked for.
  await row.scrollIntoViewIfNeeded()
  await expect(
    row.getByRole('img', {
      name: /^dashes cannot be drawn\. “Rope” comes to billions of dashes; at most 10,000 are drawn\.$/,
    }),
  ).toBeVisible()
  await expect(row.getByRole('img', { name: 'sound', exact: true })).toBeVisible()

  await page.goto(`/sets/${id}/draw/mirrors`)
  const bench = new BenchPage(page)
  await bench.ready()
  await expect(
    page.getByRole('alert').filter({ hasText: '“Wreath” comes to billions of segments; at most 60,000 are drawn.' }),
  ).toBeVisible()
  await expect(
    page
      .getByRole('complementary', { name: 'Proofs' })
      .getByRole('img', { name: /^mirrors at 24 on light cannot be drawn/ }),
  ).toBeVisible()
  // It is mended where it stands: the object in question is chosen by its sentence and deleted.
  await page.getByRole('button', { name: 'Select it' }).click()
  await bench.press('Delete')
  await expect(
    page
      .getByRole('complementary', { name: 'Proofs' })
      .getByRole('img', { name: 'mirrors at 24 on light', exact: true }),
  ).toBeVisible()
  await expect(page.getByRole('alert').filter({ hasText: 'are drawn.' })).toHaveCount(0)
  await bench.saved()

  await page.getByRole('link', { name: 'Review' }).click()
  await expect(page.getByRole('img', { name: /^dashes at 24 cannot be drawn/ })).toBeVisible()
  await page.getByRole('link', { name: 'Deliver' }).click()
  await expect(page.getByRole('list', { name: 'Problems' })).toContainText(
    '“dashes” is left out. “Rope” comes to billions of dashes',
  )
  await expect(page.getByRole('list', { name: 'Problems' }).getByRole('listitem')).toHaveCount(1)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Download as a zip' }).click()
  expect(readFileSync(await (await download).path()).length).toBeGreaterThan(1000)
})

test('a number that no set takes is refused where it is typed; a width of nothing is taken, and the set opens again', async ({
  page,
}) => {
  const bench = await BenchPage.withDemoIcon(page, 'rope')
  await bench.type('x of Coil', '2000000')
  await expect(
    page.getByRole('status').filter({ hasText: '“x of Coil” goes from −1,000,000 to 1,000,000.' }),
  ).toBeVisible()
  await page.keyboard.press('Escape')
  await bench.expectCell('x of Coil', '2.5')
  await bench.type('w of Coil', '0')
  await bench.saved()
  await page.reload()
  await bench.ready()
  await bench.expectCell('w of Coil', '0')
  await page.goto('/')
  await expect(page.getByRole('table', { name: 'Sets' })).toBeVisible()
})

test('Back always shows what is there now, and what is drawn after it is saved', async ({ page }) => {
  const bench = await BenchPage.withNewSet(page, 'To and fro')
  await bench.press('1')
  await bench.drag([3, 3], [9, 9])
  await page.getByRole('link', { name: 'Shelf', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Sets', exact: true })).toBeVisible()
  await page.goBack()
  await expect(bench.row('Rectangle 1')).toBeVisible()
  await bench.press('2')
  await bench.drag([12, 12], [20, 20])
  await bench.saved()
  await page.reload()
  await expect(bench.row('Ellipse 1')).toBeVisible()
  await expect(bench.row('Rectangle 1')).toBeVisible()

  // While the server is away too: what could not be saved is laid over what it had.
  await page.context().route('**/save', (route) => route.abort())
  await bench.press('1')
  await bench.drag([14, 3], [20, 8])
  await expect(page.getByText('Not saved yet')).toBeVisible()
  await page.getByRole('link', { name: 'Shelf', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Sets', exact: true })).toBeVisible()
  await page.goBack()
  await expect(bench.row('Rectangle 2')).toBeVisible()
  await page.context().unroute('**/save')
  await bench.saved()

  // Come by address: Back leads to the page, not to its address alone.
  await page.getByRole('link', { name: 'Review' }).click()
  await expect(page.getByRole('list', { name: 'Sheet' })).toBeVisible()
  await page.goBack()
  await expect(page.getByTestId('artwork')).toBeAttached()
  await page.goForward()
  await expect(page.getByRole('list', { name: 'Sheet' })).toBeVisible()
})

test('a set that was deleted elsewhere says so, takes no keys beneath, and is put back with what was drawn last', async ({
  page,
  context,
}) => {
  const bench = await BenchPage.withNewSet(page, 'Sandbank')
  await bench.saved()
  await page.route('**/save', (route) => route.abort())
  await bench.press('1')
  await bench.drag([3, 3], [9, 9])
  await expect(page.getByText('Not saved yet')).toBeVisible()
  const shelf = await context.newPage()
  await shelf.goto('/')
  await shelf.getByRole('button', { name: 'More for Sandbank' }).click()
  await shelf.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(shelf.getByRole('link', { name: 'Sandbank', exact: true })).toBeHidden()
  await page.unroute('**/save')
  const dialog = page.getByRole('alertdialog', { name: 'This set was deleted in another window' })
  await expect(dialog).toBeVisible()
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Delete')
  await expect(bench.row('Rectangle 1')).toBeAttached()
  await dialog.getByRole('button', { name: 'Restore it' }).click()
  await expect(dialog).toBeHidden()
  await expect(bench.row('Rectangle 1')).toBeVisible()
  await bench.saved()
})

/** A request as another program sends it, with whatever headers it likes. */
const raw = (
  base: string,
  path: string,
  method: string,
  headers: Record<string, string>,
  body = '',
): Promise<{ status: number; text: string }> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(base)
    const sent = plainRequest(
      { hostname, port, path, method, headers: { ...headers, 'content-length': Buffer.byteLength(body) } },
      (response) => {
        let text = ''
        response.on('data', (chunk) => (text += String(chunk)))
        response.on('end', () => resolve({ status: response.statusCode!, text }))
      },
    )
    sent.on('error', reject)
    sent.end(body)
  })

test('only pages of this machine get in, and pages may do no more than they need', async ({ page, baseURL }) => {
  const base = baseURL!,
    { host } = new URL(base)
  const sentence = (text: string) => (JSON.parse(text) as { message: string }).message
  for (const path of ['/', '/api/sets/none', '/sets/none/draw']) {
    const answer = await raw(base, path, 'GET', { host: 'rebound.example' })
    expect([answer.status, sentence(answer.text)]).toEqual([
      403,
      'This server answers to 127.0.0.1 and localhost only.',
    ])
  }
  for (const origin of ['null', '', 'nonsense', 'http://elsewhere.example', `https://${host}`]) {
    expect((await raw(base, '/api/sets', 'POST', { host, origin }, '{}')).status, origin).toBe(403)
    expect(
      (await raw(base, '/', 'POST', { host, origin, 'next-action': '00', 'content-type': 'text/plain' }, '[]')).status,
      origin,
    ).toBe(403)
  }
  expect((await raw(base, '/api/sets', 'POST', { host, 'sec-fetch-site': 'cross-site' }, '{}')).status).toBe(403)
  // A page of another port of this machine is another page.
  for (const site of ['cross-site', 'same-site'])
    expect((await raw(base, '/api/events', 'GET', { host, 'sec-fetch-site': site })).status, site).toBe(403)
  expect((await raw(base, '/api/sets', 'POST', { host }, '{}')).status).toBe(422)
  for (const [method, headers, body, status] of [
    ['TRACE', {}, undefined, 405],
    ['PUT', {}, 'x', 405],
    ['POST', { 'content-type': 'multipart/form-data; boundary=x' }, 'garbage', 405],
    ['POST', { 'next-action': '40', 'content-type': 'text/plain' }, '[broken', 400],
    ['POST', { 'next-action': '40', 'content-type': 'text/plain' }, '["$F1"]', 400],
    ['POST', { 'next-action': '40', 'content-type': 'multipart/form-data; boundary=x' }, 'garbage', 400],
  ] as const) {
    const answer = await raw(base, '/', method, { host, ...headers }, body)
    expect([method, body, answer.status, sentence(answer.text)]).toEqual([
      method,
      body,
      status,
      expect.stringMatching(/^[A-Z].*\.$/),
    ])
  }
  expect((await raw(base, '/api/sets/%ff', 'GET', { host })).status).toBeLessThan(500)
  expect((await raw(base, '/sets/%ff/draw', 'GET', { host })).status).toBeLessThan(500)

  const faults: string[] = []
  page.on('console', (message) => message.type() === 'error' && faults.push(message.text()))
  const response = (await page.goto('/'))!
  const headers = response.headers()
  expect(headers['content-security-policy']).toMatch(
    /default-src 'none'.*script-src 'self' 'nonce-[^']+' 'strict-dynamic';.*frame-ancestors 'none'/,
  )
  expect([headers['x-content-type-options'], headers['referrer-policy'], headers['x-frame-options']]).toEqual([
    'nosniff',
    'same-origin',
    'DENY',
  ])
  await page.getByRole('link', { name: 'Quayside', exact: true }).click()
  await new BenchPage(page).ready()
  for (const stage of ['Rules', 'Review', 'Deliver']) await page.getByRole('link', { name: stage }).click()
  await expect(page.getByRole('tree')).toBeVisible()
  expect(faults).toEqual([])
})

test('a set file of many megabytes arrives whole, and one of too many is told so', async ({ page }) => {
  const file = setFileOf(rules, 'Ballast', {
    stone: [box],
  })
  const sent = async (megabytes: number) => {
    // What is cut off at its end would lose the set itself.
    const data = ' '.repeat(megabytes * 2 ** 20) + file
    const response = await page.request.post('/api/sets', { data, headers: { 'content-type': 'application/json' } })
    return { status: response.status(), ...((await response.json()) as { name?: string; message?: string }) }
  }
  expect(await sent(40)).toMatchObject({ status: 200, name: 'Ballast' })
  expect((await sent(70)).message).toBe('The file is larger than 64 MB, the most that is taken.')
})
