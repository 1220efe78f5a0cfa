import { expect, test } from './test'

/** The most script that a stage loads, its workers’ included, in thousands of bytes before they are compressed. */
const MOST = { shelf: 800, rules: 1800, draw: 4250, review: 3200, deliver: 1800 }

test('each stage loads what it needs: the script of a stage stays under its bound, and none is WebAssembly', async ({
  browser,
  page,
  server,
}) => {
  await page.goto('/')
  const shelf = await page.getByRole('link', { name: 'Quayside', exact: true }).getAttribute('href')
  const pages = { shelf: '/', ...Object.fromEntries(['rules', 'draw', 'review', 'deliver'].map((one) => [one, one])) }
  for (const [stage, path] of Object.entries(pages)) {
    const context = await browser.newContext({ baseURL: server }),
      fresh = await context.newPage()
    const loaded: Promise<number>[] = []
    const kinds = new Set<string>()
    fresh.on('response', (response) => {
      const { pathname } = new URL(response.url())
      kinds.add(pathname.slice(pathname.lastIndexOf('.')))
      if (pathname.endsWith('.js'))
        loaded.push(
          response.body().then(
            ({ length }) => length,
            () => 0,
          ),
        )
    })
    await fresh.goto(path === '/' ? path : shelf!.replace(/draw$/, path))
    await fresh.waitForLoadState('networkidle')
    const bytes = (await Promise.all(loaded)).reduce((sum, one) => sum + one, 0)
    expect.soft(bytes, stage).toBeGreaterThan(300_000)
    expect.soft(bytes, stage).toBeLessThan(MOST[stage as keyof typeof MOST] * 1000)
    expect.soft(kinds.has('.wasm'), stage).toBe(false)
    await context.close()
  }
})
