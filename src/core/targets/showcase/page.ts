import { escaped } from '../../formats/markup'

/** An icon of the page: its drawings as markup, by the grid of each, and how each platform writes it. */
export type Shown = {
  readonly name: string
  readonly words: readonly string[]
  readonly tags: readonly string[]
  /** Its change since the last release. */
  readonly since?: 'new' | 'changed'
  /** What becomes of it right to left, in words. */
  readonly rtl?: string
  readonly svg: Readonly<Record<string, string>>
  readonly code: readonly (readonly [where: string, text: string])[]
}

const STYLE = `
:root{color-scheme:light;--film:#eef2f0;--sheet:#fbfcfb;--ink:#14231f;--hair:#c9d3cf;--quiet:#55645f;--hand:#d5401b}
:root.dark{color-scheme:dark;--film:#0f1917;--sheet:#14211e;--ink:#eef4f1;--hair:#2e403a;--quiet:#9db0a9;--hand:#ff7a55}
*{box-sizing:border-box}
body{margin:0;font:14px/1.45 system-ui,sans-serif;background:var(--film);color:var(--ink)}
header{position:sticky;top:0;display:flex;flex-wrap:wrap;gap:8px 16px;align-items:center;padding:12px 24px;background:var(--sheet);border-bottom:1px solid var(--ink)}
h1{font-size:18px;margin:0;flex:1 1 auto}
h1 span{font-weight:400;color:var(--quiet)}
input,select,button{font:inherit;color:inherit}
input[type=search],select{height:32px;padding:0 8px;border:1px solid var(--hair);border-radius:2px;background:var(--film)}
input[type=search]{width:min(320px,60vw)}
label{display:flex;gap:6px;align-items:center}
:focus-visible{outline:2px solid var(--hand);outline-offset:1px}
ul{list-style:none;margin:0;padding:24px;display:grid;grid-template-columns:repeat(auto-fill,minmax(112px,1fr));gap:1px}
li button{position:relative;width:100%;height:112px;display:grid;grid-template-rows:1fr auto;place-items:center;gap:4px;padding:12px 4px 8px;border:0;background:var(--sheet);outline-offset:-2px;box-shadow:0 0 0 1px var(--hair);cursor:pointer}
li button:hover{color:var(--hand)}
li span{max-width:100%;overflow:hidden;text-overflow:ellipsis;white-space:nowrap;font-size:12px;color:var(--quiet)}
li svg{width:var(--size);height:var(--size)}
li em{position:absolute;top:6px;right:6px;font:11px/1 system-ui,sans-serif;color:var(--hand)}
[hidden]{display:none!important}
p[role=status]{margin:0;padding:16px 24px 0;color:var(--quiet)}
dialog{width:min(560px,94vw);padding:0;border:1px solid var(--ink);border-radius:2px;background:var(--sheet);color:var(--ink)}
dialog::backdrop{background:#14231f88}
dialog>div{display:grid;gap:12px;padding:20px 24px}
dialog h2{margin:0;font-size:16px}
figure{margin:0;display:flex;gap:20px;align-items:end;padding:16px;background:var(--film);border:1px solid var(--hair)}
dl{display:grid;grid-template-columns:auto minmax(0,1fr) auto;gap:6px 12px;margin:0;align-items:center}
dt{color:var(--quiet)}
dd{margin:0}
code{display:block;overflow-x:auto;white-space:pre;font:12px/1.5 ui-monospace,monospace;padding:4px 6px;background:var(--film)}
dl button,form button{border:1px solid var(--hair);border-radius:2px;background:none;padding:2px 10px;cursor:pointer}
dl button:hover,form button:hover{border-color:var(--ink)}
@media (prefers-reduced-motion:no-preference){li button{transition:color .1s}}
`

/** The sides in pixels that an icon is shown at by itself. */
const SIDES = [16, 24, 48, 96]

/** What the page does: it looks for words, shows an icon by itself, and copies. It asks nothing of anywhere. */
const PROGRAM = `
const SIDES = ${JSON.stringify(SIDES)}
const icons = JSON.parse(document.getElementById('icons').textContent)
const tiles = [...document.querySelectorAll('li')], find = document.getElementById('find'), since = document.getElementById('since'), status = document.querySelector('[role=status]')
const plain = (text) => text.toLowerCase().normalize('NFKD').replace(/\\p{M}+/gu, '')
const words = icons.map((icon) => plain([icon.name, ...icon.words, ...icon.tags].join(' ')))
function look() {
  const asked = plain(find.value).split(/\\s+/).filter(Boolean)
  let count = 0
  const isSince = since !== null && since.checked
  tiles.forEach((tile, i) => { tile.hidden = !asked.every((word) => words[i].includes(word)) || (isSince && !icons[i].since); if (!tile.hidden) count++ })
  status.textContent = asked.length === 0 && !isSince ? '' : count === 0 ? 'No icon is found.' : count === 1 ? '1 icon' : count + ' icons'
  history.replaceState(null, '', find.value ? '#' + encodeURIComponent(find.value) : location.pathname + location.search)
}
find.addEventListener('input', look)
if (since !== null) since.addEventListener('change', look)
const grids = JSON.parse(document.getElementById('grids').textContent)
const drawn = (i, side, id) => icons[i].svg[grids[side]].replaceAll('\\uE000', id)
const size = document.getElementById('size')
function resize() {
  document.documentElement.style.setProperty('--size', size.value + 'px')
  // A size that is drawn on a grid of its own shows that drawing.
  tiles.forEach((tile, i) => {
    const svg = tile.querySelector('svg')
    svg.outerHTML = drawn(i, size.value, 'i' + i + '-')
    tile.querySelector('svg').setAttribute('aria-hidden', 'true')
  })
}
size.addEventListener('change', resize)
document.documentElement.style.setProperty('--size', size.value + 'px')
const dark = document.getElementById('dark')
dark.checked = matchMedia('(prefers-color-scheme: dark)').matches
const ground = () => document.documentElement.classList.toggle('dark', dark.checked)
dark.addEventListener('change', ground)
ground()
const dialog = document.querySelector('dialog')
async function copy(text, button) {
  try { await navigator.clipboard.writeText(text) }
  catch { const area = document.createElement('textarea'); area.value = text; dialog.append(area); area.select(); document.execCommand('copy'); area.remove() }
  button.textContent = 'copied'
  setTimeout(() => { button.textContent = 'copy' }, 1500)
}
function row(where, text) {
  const name = document.createElement('dt'), value = document.createElement('dd'), code = document.createElement('code'), button = document.createElement('button')
  name.textContent = where
  code.textContent = text
  value.append(code)
  button.type = 'button'
  button.textContent = 'copy'
  button.setAttribute('aria-label', 'Copy ' + where)
  button.addEventListener('click', () => copy(text, button))
  return [name, value, button]
}
tiles.forEach((tile, i) => tile.firstElementChild.addEventListener('click', () => {
  const { name, words: others, tags, rtl, code } = icons[i]
  dialog.querySelector('h2').textContent = name
  dialog.querySelector('p').textContent = [...others, ...tags.map((tag) => '#' + tag), ...(rtl ? [rtl] : [])].join(' · ')
  const figure = dialog.querySelector('figure')
  figure.innerHTML = ''
  for (const side of SIDES) {
    const one = document.createElement('span')
    one.innerHTML = drawn(i, side, 'shown-' + side + '-')
    const drawing = one.firstElementChild
    drawing.setAttribute('width', side)
    drawing.setAttribute('height', side)
    drawing.setAttribute('aria-hidden', 'true')
    figure.append(one)
  }
  dialog.querySelector('dl').replaceChildren(...[['SVG', drawn(i, size.value, '')], ...code].flatMap(([where, text]) => row(where, text)))
  dialog.showModal()
}))
if (location.hash) { find.value = decodeURIComponent(location.hash.slice(1)); look() }
`

/** A page of a set for everyone: one file, that looks for icons, shows them, and says how each platform writes them. */
export function showcasePage(
  name: string,
  sizes: readonly number[],
  icons: readonly Shown[],
  real: number,
  gridOf: (size: number) => number,
  /** The number of the last release, if changes since then are shown. */
  released?: number,
): string {
  const grids = Object.fromEntries([...SIDES, ...sizes].map((size) => [size, gridOf(size)]))
  const tiles = icons.map(
    (icon, i) =>
      `<li><button type="button">${icon.svg[grids[real]!]!.replaceAll('\uE000', `i${i}-`).replace('<svg ', '<svg aria-hidden="true" ')}<span>${escaped(icon.name)}</span>${icon.since ? `<em>${icon.since}</em>` : ''}</button></li>`,
  )
  const chosen = sizes.map((size) => `<option${size === real ? ' selected' : ''} value="${size}">${size} px</option>`)
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${escaped(name)}</title>
<style>${STYLE}</style>
<header>
<h1>${escaped(name)} <span>${icons.length === 1 ? '1 icon' : `${icons.length} icons`}</span></h1>
<input id="find" type="search" aria-label="Find icons by name or tag" placeholder="Find by name or tag">
<label>size <select id="size">${chosen.join('')}</select></label>
${released === undefined ? '' : `<label><input id="since" type="checkbox"> new since release ${released}</label>\n`}<label><input id="dark" type="checkbox"> dark</label>
</header>
<main>
<p role="status"></p>
<ul>
${tiles.join('\n')}
</ul>
</main>
<dialog aria-labelledby="shown"><div><h2 id="shown"></h2><figure></figure><p style="margin:0;color:var(--quiet)"></p><dl></dl><form method="dialog"><button>close</button></form></div></dialog>
<script id="grids" type="application/json">${JSON.stringify(grids)}</script>
<script id="icons" type="application/json">${JSON.stringify(icons).replaceAll('<', '\\u003c')}</script>
<script>${PROGRAM}</script>
</html>
`
}
