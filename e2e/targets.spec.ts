import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { tmpdir } from 'node:os'
import { extname, join } from 'node:path'
import { expect, type Page, test } from './test'
import { readSetFile } from '../src/core/formats/set-file'
import { composedIcon } from '../src/core/targets/composition'
import { IconRenderer } from '../src/core/targets/icon-renderer'
import { decoded } from '../src/testing/decoded'
import { rasterised } from '../src/testing/rasterised'
import { picturePixels } from '../src/core/picture/pixels'
import { svgOfPicture } from '../src/core/picture/svg'
import { bundled } from './bundled'
import { deliver } from './deliver'

/** Delivered files as a browser shows them, compared with the proofs. */

// All tests of the file share one delivery: fully parallel tests would make one each.
test.describe.configure({ mode: 'default' })

/**
 * How far the pixels of a browser may be off the true ones on the mean, of 255: at the edges of what is not convex it looks
 * at sixteen places of each.
 */
const BROWSER = 2

const folder = mkdtempSync(join(tmpdir(), 'wise-square-shown-'))
const TYPES: Record<string, string> = {
  '.html': 'text/html',
  '.svg': 'image/svg+xml',
  '.css': 'text/css',
  '.js': 'text/javascript',
  '.woff2': 'font/woff2',
  '.ttf': 'font/ttf',
}
let server: Server, base: string

test.beforeAll(async () => {
  test.setTimeout(120_000)
  deliver('quayside', folder, 'svg,web,react,vue,svelte,solid,functions,element,font')
  deliver('quayside-solid', join(folder, 'solid'), 'svg,font', (set) => {
    set.delivery = { options: { font: { ligatures: true } } }
  })
  deliver('quayside', join(folder, 'turned'), 'react,vue,svelte,solid,functions,element', ({ icons }) => {
    const [radio, knot] = ['radio', 'knot'].map((name) => icons.find((icon) => icon.name === name)!)
    radio!.rtl = { icon: knot!.id }
  })
  deliver('skerry-app', folder, 'favicon')
  deliver('skerry-app', join(folder, 'apps'), 'svg,react,vue,svelte,solid,functions,element')
  server = createServer(({ url }, response) => {
    try {
      const path = join(folder, decodeURIComponent(url!.split('?')[0]!))
      response.setHeader('content-type', TYPES[extname(path)] ?? 'text/plain')
      response.end(readFileSync(path))
    } catch {
      response.statusCode = 404
      response.end()
    }
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  base = `http://127.0.0.1:${(server.address() as { port: number }).port}`
})
test.afterAll(() => {
  server.close()
  rmSync(folder, { recursive: true })
})

const SIDE = 96
const NAMES = ['ferry', 'departure', 'radio', 'knot']

/** How far what a page shows at #shown is from the proof of an icon in black, on white: the mean of 255. */
async function apart(page: Page, name: string, { isMirrored = false, of = '' } = {}): Promise<number> {
  const { data, width, height } = decoded(await page.locator('#shown').screenshot())
  expect([width, height]).toEqual([SIDE, SIDE])
  const svg = readFileSync(join(folder, of, 'svg', `${name}.svg`), 'utf8').replaceAll('currentColor', '#000')
  const proof = rasterised(svg, SIDE).data
  let sum = 0
  for (let i = 0; i < data.length; i += 4) {
    const x = (i / 4) % SIDE
    sum += Math.abs(data[i]! - (255 - proof[(isMirrored ? i + 4 * (SIDE - 1 - 2 * x) : i) + 3]!))
  }
  return sum / (data.length / 4)
}

/** A page of one's own with an element that is measured. */
async function show(page: Page, head: string, body: string): Promise<void> {
  writeFileSync(
    join(folder, 'page.html'),
    `<!doctype html><meta charset="utf-8"><style>body{margin:0;color:#000;background:#fff}#shown{display:block;width:${SIDE}px;height:${SIDE}px}</style>${head}${body}`,
  )
  await page.goto(`${base}/page.html?${Math.random()}`)
}

test('a sprite, masks, data URIs, a font and a custom element show the icons as the proofs do', async ({ page }) => {
  const uris = JSON.parse(readFileSync(join(folder, 'web/data-uris.json'), 'utf8')) as Record<string, string>
  for (const name of NAMES) {
    await show(page, '', `<svg id="shown" width="${SIDE}" height="${SIDE}"><use href="web/sprite.svg#${name}"/></svg>`)
    await expect.poll(() => apart(page, name)).toBeLessThan(BROWSER)
    await show(
      page,
      '<link rel="stylesheet" href="web/masks.css">',
      `<i id="shown" class="quayside-${name}" style="font-size:${SIDE}px"></i>`,
    )
    await expect.poll(() => apart(page, name)).toBeLessThan(BROWSER)
    await show(page, '', `<img id="shown" alt="" src="${uris[name]}">`)
    // A picture has no text around it: its ink is that of the palette.
    await expect.poll(() => apart(page, name)).toBeLessThan(8)
    await show(
      page,
      '<link rel="stylesheet" href="developers/font/quayside.css">',
      `<i id="shown" class="icon-quayside icon-quayside-${name}" style="font-size:${SIDE}px"></i>`,
    )
    await page.evaluate(() => document.fonts.ready)
    await expect.poll(() => apart(page, name)).toBeLessThan(2)
    await show(
      page,
      '<script type="module" src="developers/element/quayside-icon.js"></script>',
      `<quayside-icon id="shown" name="${name}" size="${SIDE}" title="${name}"></quayside-icon>`,
    )
    await expect(page.getByRole('img', { name })).toBeVisible()
    await expect.poll(() => apart(page, name)).toBeLessThan(BROWSER)
  }
  await page.goto(`${base}/web/index.html`)
  await expect(page.getByRole('listitem')).toHaveCount(39)
})

test('the fonts of two sets on one page show each its own; names become icons where that is wanted', async ({
  page,
}) => {
  const fonts =
    '<link rel="stylesheet" href="developers/font/quayside.css"><link rel="stylesheet" href="solid/developers/font/quayside-solid.css">'
  const shows = async (body: string, name: string, of: string) => {
    await show(page, fonts, body)
    await page.evaluate(() => document.fonts.ready)
    await expect.poll(() => apart(page, name, { of })).toBeLessThan(2)
  }
  for (const name of ['ferry', 'fog-horn']) {
    const shown = (set: string) =>
      `<i id="shown" class="icon-${set} icon-${set}-${name}" style="font-size:${SIDE}px"></i>`
    await shows(shown('quayside'), name, '')
    await shows(shown('quayside-solid'), name, 'solid')
    await shows(
      `<span id="shown" style="font:${SIDE}px/1 'Quayside solid';overflow:hidden">${name}</span>`,
      name,
      'solid',
    )
  }
})

test('what mirrors does so where text runs from right to left, and nothing else does', async ({ page }) => {
  writeFileSync(
    join(folder, 'mirrored.tsx'),
    `import { createRoot } from 'react-dom/client'
import { createElement } from 'react'
import { Ferry, ToTheBoat } from './developers/react/dist/index.js'
const isBoat = document.querySelector('[data-name=to-the-boat]') !== null
createRoot(document.getElementById('shown')!).render(createElement(isBoat ? ToTheBoat : Ferry, { size: ${SIDE} }))
`,
  )
  const react = await bundled(join(folder, 'mirrored.tsx'))
  writeFileSync(join(folder, 'mirrored.js'), react)
  for (const [name, isTurned] of [
    ['to-the-boat', true],
    ['ferry', false],
  ] as const)
    for (const dir of ['ltr', 'rtl'])
      for (const [head, body] of [
        [
          '<link rel="stylesheet" href="web/masks.css">',
          `<i id="shown" class="quayside-${name}" style="font-size:${SIDE}px"></i>`,
        ],
        [
          '<script type="module" src="developers/element/quayside-icon.js"></script>',
          `<quayside-icon id="shown" name="${name}" size="${SIDE}"></quayside-icon>`,
        ],
        [
          '<link rel="stylesheet" href="developers/react/direction.css">',
          `<span id="shown"></span><script type="module" src="mirrored.js?${name}"></script>`,
        ],
      ] as const) {
        await show(page, head, `<div dir="${dir}" data-name="${name}" style="width:${SIDE}px">${body}</div>`)
        await expect
          .poll(() => apart(page, name, { isMirrored: isTurned && dir === 'rtl' }), `${name} ${dir} ${head}`)
          .toBeLessThan(BROWSER)
      }
})

/** Programs that show the radio, which has another drawing right to left, beside a copy of another icon. */
const TURNED = {
  react: `import { createRoot } from 'react-dom/client'
import { Radio } from './turned/developers/react'
createRoot(document.getElementById('shown')!).render(<Radio size={${SIDE}} />)`,
  vue: `import { createApp, h } from 'vue'
import { Radio } from './turned/developers/vue/dist/index.js'
createApp({ render: () => h(Radio, { size: ${SIDE} }) }).mount('#shown')`,
  svelte: `import { mount } from 'svelte'
import { Radio } from './turned/developers/svelte'
mount(Radio, { target: document.getElementById('shown')!, props: { size: ${SIDE} } })`,
  solid: `import { render } from 'solid-js/web'
import { Radio } from './turned/developers/solid'
render(() => <Radio size={${SIDE}} />, document.getElementById('shown')!)`,
  functions: `import { radioIcon } from './turned/developers/functions'
document.getElementById('shown')!.innerHTML = radioIcon({ size: ${SIDE} })`,
  element: `import './turned/developers/element/quayside-icon.js'
document.getElementById('shown')!.innerHTML = '<quayside-icon name="radio" size="${SIDE}"></quayside-icon>'`,
} as const

test('an icon with another drawing for right to left shows it there, and its own where nobody links the style sheet', async ({
  page,
}) => {
  for (const [kind, program] of Object.entries(TURNED)) {
    const file = join(folder, `${kind}-turned.tsx`)
    writeFileSync(file, program)
    writeFileSync(join(folder, `${kind}-turned.js`), await bundled(file))
    // The element brings its rules along.
    const link = kind === 'element' ? '' : `<link rel="stylesheet" href="turned/developers/${kind}/direction.css">`
    for (const [head, dir, name] of [
      [link, 'ltr', 'radio'],
      [link, 'rtl', 'knot'],
      ...(kind === 'element' ? [] : [['', 'rtl', 'radio'] as const]),
    ] as const) {
      await show(
        page,
        head,
        `<div dir="${dir}" style="width:${SIDE}px"><span id="shown"></span></div><script type="module" src="${kind}-turned.js"></script>`,
      )
      await expect.poll(() => apart(page, name), `${kind} ${dir} ${head}`).toBeLessThan(BROWSER)
    }
  }
})

test('a tab icon follows a dark theme as the proofs do', async ({ page }) => {
  const { icons, rules } = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!
  const dress = { share: 1, plate: 'own', fallback: null } as const
  let differ = 0
  for (const { name, ...icon } of icons.filter((one) => ['passenger', 'crew', 'propeller'].includes(one.name))) {
    const renderer = new IconRenderer({ name, ...icon }, rules, null),
      [light, dark] = (['light', 'dark'] as const).map((ground) => composedIcon(renderer, 32, { ...dress, ground }))
    if (svgOfPicture(light!) !== svgOfPicture(dark!)) differ++
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme })
      await show(page, '', `<img id="shown" alt="" src="favicon/${name}/icon.svg">`)
      const own = decoded(await page.locator('#shown').screenshot()).data,
        proof = picturePixels(colorScheme === 'light' ? light! : dark!, SIDE).data
      let sum = 0
      for (let i = 0; i < own.length; i++)
        if (i % 4 !== 3) sum += Math.abs(own[i]! - (255 + ((proof[i]! - 255) * proof[i - (i % 4) + 3]!) / 255))
      expect(sum / (own.length * 0.75), `${name} ${colorScheme}`).toBeLessThan(BROWSER)
    }
  }
  expect(differ).toBeGreaterThan(0)
})

/** A first copy that is hidden, and a second one that is measured, of an icon with gradients and a soft shadow. */
const COPIES = {
  react: `import { createRoot } from 'react-dom/client'
import { Timetable } from './apps/developers/react'
createRoot(document.getElementById('root')!).render(<><p style={{ display: 'none' }}><Timetable /></p><Timetable id="shown" size={${SIDE}} aria-label="Timetable" /></>)`,
  vue: `import { createApp, h } from 'vue'
import { Timetable } from './apps/developers/vue'
createApp({ render: () => [h('p', { style: 'display:none' }, [h(Timetable)]), h(Timetable, { id: 'shown', size: ${SIDE}, 'aria-label': 'Timetable' })] }).mount('#root')`,
  'vue-file': `import { createApp } from 'vue'
import App from './app.vue'
createApp(App).mount('#root')`,
  svelte: `import { mount } from 'svelte'
import { Timetable } from './apps/developers/svelte'
const root = document.getElementById('root')!
root.innerHTML = '<p style="display:none"></p>'
mount(Timetable, { target: root.firstElementChild!, props: {} })
mount(Timetable, { target: root, props: { id: 'shown', size: ${SIDE}, 'aria-label': 'Timetable' } })`,
  solid: `import { render } from 'solid-js/web'
import { Timetable } from './apps/developers/solid'
render(() => <><p style="display:none"><Timetable /></p><Timetable id="shown" size={${SIDE}} aria-label="Timetable" /></>, document.getElementById('root')!)`,
  functions: `import { timetableIcon } from './apps/developers/functions'
document.getElementById('root')!.innerHTML = '<p style="display:none">' + timetableIcon() + '</p>' + timetableIcon({ size: ${SIDE}, title: 'Timetable', attributes: { id: 'shown' } })`,
  element: `import './apps/developers/element/skerry-app-icons-icon.js'
document.getElementById('root')!.innerHTML = '<p style="display:none"><skerry-app-icons-icon name="timetable"></skerry-app-icons-icon></p><skerry-app-icons-icon id="shown" name="timetable" size="6rem" aria-label="Timetable"></skerry-app-icons-icon>'`,
} as const

/** A single file of Vue: what is known of the icon is set in its template, all else falls through to its element. */
const VUE_FILE = `<script setup lang="ts">
import { ref } from 'vue'
import { Timetable } from './apps/developers/vue'
const side = ref(${SIDE})
</script>
<template>
  <p style="display:none"><Timetable /></p>
  <Timetable id="shown" :size="side" aria-label="Timetable" class="mine" @click="side = 48" />
</template>
`

test('a copy that is hidden takes nothing from the one that is seen, whatever it is made of', async ({ page }) => {
  await show(page, '', `<img id="shown" alt="" src="apps/svg/timetable.svg">`)
  const wanted = decoded(await page.locator('#shown').screenshot()).data
  writeFileSync(join(folder, 'app.vue'), VUE_FILE)
  for (const [kind, program] of Object.entries(COPIES)) {
    const file = join(folder, `${kind}-copies.tsx`)
    writeFileSync(file, program)
    writeFileSync(join(folder, `${kind}-copies.js`), await bundled(file))
    await show(page, '', `<div id="root"></div><script type="module" src="${kind}-copies.js"></script>`)
    await expect(page.getByRole('img', { name: 'Timetable' })).toBeVisible()
    const { data } = decoded(await page.locator('#shown').screenshot())
    const sum = data.reduce((all, value, i) => all + Math.abs(value - wanted[i]!), 0)
    expect(sum / data.length, kind).toBeLessThan(BROWSER)
    if (kind === 'vue-file') {
      const shown = page.locator('#shown')
      await expect(shown).toHaveClass('mine')
      await shown.click()
      await expect(shown).toHaveAttribute('width', '48')
    }
  }
  // On a server the element may be imported; nothing is defined there.
  const module = join(folder, 'apps/developers/element/skerry-app-icons-icon.js')
  const names = execFileSync(process.execPath, [
    '--input-type=module',
    '-e',
    `import(${JSON.stringify(module)}).then(({ icons }) => process.stdout.write(String(Object.keys(icons).length)))`,
  ])
  expect(Number(names)).toBe(9)
})

test('the showcase opens from a file, finds icons, shows and copies them, and asks nothing of anywhere', async ({
  page,
  context,
}) => {
  deliver('quayside', folder, 'showcase')
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  const file = `file://${join(folder, 'showcase/index.html')}`
  await context.grantPermissions(['clipboard-read', 'clipboard-write']).catch(() => undefined)
  await page.goto(file)
  await expect(page.getByRole('listitem')).toHaveCount(39)
  await page.getByRole('searchbox').fill('tide')
  await expect(page.getByRole('status')).toHaveText('4 icons')
  await expect(page.getByRole('button', { name: 'high-tide' })).toBeVisible()
  await page.getByRole('checkbox', { name: 'dark' }).check()
  await page.getByRole('button', { name: 'high-tide' }).click()
  const dialog = page.getByRole('dialog', { name: 'high-tide' })
  await expect(dialog).toContainText('<HighTide />')
  await expect(dialog).toContainText('@drawable/ic_high_tide')
  await dialog.getByRole('button', { name: 'Copy SVG' }).click()
  await expect(dialog.getByText('copied')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(dialog).toHaveCount(0)
  // A link to what was looked for.
  expect(page.url()).toBe(`${file}#tide`)
  await page.getByRole('searchbox').fill('nothing of the kind')
  await expect(page.getByRole('status')).toHaveText('No icon is found.')
  expect(asked).toEqual([file])
})

test('masks show in forced colours', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await show(
    page,
    '<link rel="stylesheet" href="web/masks.css">',
    `<i id="shown" class="quayside-ferry" style="font-size:${SIDE}px"></i>`,
  )
  const colours = async () => {
    const { data } = decoded(await page.locator('#shown').screenshot())
    return new Set(Array.from({ length: data.length / 4 }, (_, i) => data.slice(4 * i, 4 * i + 3).join())).size
  }
  await expect.poll(colours).toBeGreaterThan(2)
})

/** How an icon is mounted in each framework, with a side, a colour, a label and a class of its own. */
const MOUNTS = {
  react: `import { createRoot } from 'react-dom/client'
import { Ferry } from './developers/react'
createRoot(document.getElementById('root')!).render(<Ferry id="shown" size={${SIDE}} color="#000" title="A ferry" className="mine" />)`,
  vue: `import { createApp, h } from 'vue'
import { Ferry } from './developers/vue'
createApp({ render: () => h(Ferry, { id: 'shown', size: ${SIDE}, color: '#000', title: 'A ferry', class: 'mine' }) }).mount('#root')`,
  svelte: `import { mount } from 'svelte'
import { Ferry } from './developers/svelte'
mount(Ferry, { target: document.getElementById('root')!, props: { id: 'shown', size: ${SIDE}, color: '#000', title: 'A ferry', class: 'mine' } })`,
  solid: `import { render } from 'solid-js/web'
import { Ferry } from './developers/solid'
render(() => <Ferry id="shown" size={${SIDE}} color="#000" title="A ferry" class="mine" />, document.getElementById('root')!)`,
  functions: `import { ferryIcon } from './developers/functions'
document.getElementById('root')!.innerHTML = ferryIcon({ size: ${SIDE}, color: '#000', title: 'A ferry', attributes: { id: 'shown', class: 'mine' } })`,
} as const

for (const [kind, mount] of Object.entries(MOUNTS))
  test(`${kind}: icons compile by themselves, are mounted, and only what is imported is there`, async ({ page }) => {
    const file = join(folder, `${kind}-app.tsx`)
    writeFileSync(file, mount)
    const text = await bundled(file)
    writeFileSync(join(folder, `${kind}-app.js`), text)
    await show(
      page,
      '',
      `<div id="root" style="color:#d5401b"></div><script type="module" src="${kind}-app.js"></script>`,
    )
    await expect(page.getByRole('img', { name: 'A ferry' })).toHaveClass('mine')
    await expect.poll(() => apart(page, 'ferry')).toBeLessThan(BROWSER)
    // Of an icon that was not imported nothing is shipped.
    const [, d] = / d="([^"]{12,})"/.exec(readFileSync(join(folder, 'svg/anchor.svg'), 'utf8'))!
    expect(text).not.toContain(d)
    // Its types hold; those of Svelte are checked by its compiler alone.
    if (kind === 'svelte') return
    writeFileSync(
      join(folder, 'types.json'),
      JSON.stringify({
        compilerOptions: {
          strict: true,
          ...(kind === 'solid' ? { jsx: 'preserve', jsxImportSource: 'solid-js' } : { jsx: 'react-jsx' }),
          module: 'esnext',
          moduleResolution: 'bundler',
          target: 'es2022',
          lib: ['es2022', 'dom'],
          noEmit: true,
          skipLibCheck: true,
          types: [],
          paths: { '*': [join(process.cwd(), 'node_modules/@types/*'), join(process.cwd(), 'node_modules/*')] },
        },
        files: [file],
      }),
    )
    execFileSync('node_modules/.bin/tsc', ['-p', join(folder, 'types.json')], { encoding: 'utf8' })
  })
