import { element, escaped, SVG } from '../../formats/markup'

/** A symbol of the page's own sprite, or of one in a file. */
const used = (name: string, side: number, own: Record<string, string>, file = ''): string =>
  element('svg', { width: `${side}`, height: `${side}`, ...own }, element('use', { href: `${file}#${name}` }))

/** A page that shows every symbol of a sprite and its use. It contains the sprite and opens from anywhere. */
export function usagePage(name: string, names: readonly string[], symbols: readonly string[], size: number): string {
  const hidden = { 'aria-hidden': 'true' }
  const cells = names.map(
    (one) => `<li>${used(one, 2 * size, hidden)}${used(one, size, hidden)}<code>${escaped(one)}</code></li>`,
  )
  const first = names[0] ?? ''
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<meta name="color-scheme" content="light dark">
<title>${escaped(name)}</title>
<style>
body{font:14px/1.5 system-ui,sans-serif;margin:32px auto;max-width:960px;padding:0 24px}
ul{list-style:none;padding:0;display:grid;grid-template-columns:repeat(auto-fill,minmax(120px,1fr));gap:1px}
li{display:grid;justify-items:center;gap:8px;padding:16px 4px;outline:1px solid #8884}
code{font:12px/1.4 ui-monospace,monospace;overflow-wrap:anywhere}
pre{padding:12px;background:#8882;overflow:auto}
</style>
<h1>${escaped(name)}</h1>
<p>${names.length} icons in <code>sprite.svg</code>. They take the colour of the text around them.</p>
<pre>${escaped(used(first, size, { role: 'img', 'aria-label': first }, 'sprite.svg'))}</pre>
<svg xmlns="${SVG}" width="0" height="0" style="position:absolute">
${symbols.join('\n')}
</svg>
<ul>
${cells.join('\n')}
</ul>
</html>
`
}
