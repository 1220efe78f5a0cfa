import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { pathsOf } from './icon-paths'

const folder = () =>
  join(dirname(createRequire(join(process.cwd(), 'package.json')).resolve('lucide-static/package.json')), 'icons')

/** Every so many-th icon of a large set that is not ours, as documents of strokes, `count` of them. */
export function lineIcons(count: number): string[] {
  const names = readdirSync(folder()).filter((name) => name.endsWith('.svg')),
    step = Math.max(1, Math.floor(names.length / count))
  return names
    .filter((_, i) => i % step === 0)
    .slice(0, count)
    .map((name) => strokesOf(pathsOf(readFileSync(join(folder(), name), 'utf8'))))
}

/** Paths as a document that strokes them, as icons of lines are. */
export const strokesOf = (paths: readonly string[], width = 2): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24" fill="none" stroke="#14231f" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round">${paths.map((d) => `<path d="${d}"/>`).join('')}</svg>`
