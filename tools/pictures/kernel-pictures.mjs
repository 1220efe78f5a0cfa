// Draws the pictures of docs/kernel.md from what the path tool answers: npm run kernel:pictures
import { execFileSync } from 'node:child_process'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../../bin/prepare.mjs'

const INK = '#14231F',
  HAND = '#D5401B',
  KEYLINE = '#11807F',
  FILM = '#EEF2F0',
  SHEET = '#FBFCFB',
  TINTS = ['#11807F', '#D5401B', '#6C7A14', '#B26A00', '#55645F', '#A3172A']
const circle = (x, y, r) => `M${x - r} ${y}A${r} ${r} 0 0 1 ${x + r} ${y}A${r} ${r} 0 0 1 ${x - r} ${y}Z`
const square = (x, y, w, h = w) => `M${x} ${y}H${x + w}V${y + h}H${x}Z`

const HOOK = 'M4 18C4 4 20 4 20 12C20 17 13 17 13 12.5',
  CUSP = 'M4 5C20 21 4 21 20 5',
  CORNER = 'M5 19L12 5L19 19',
  TIGHT = 'M6 20C7 5 17 5 18 20'
const THREE = [circle(9, 9.5, 5.5), circle(15.5, 9.5, 5.5), square(5.5, 12, 13, 7)]
const round = { cap: 'round', join: 'round' }
const requests = {
  patches: { op: 'patches', paths: THREE },
  union: { op: 'union', paths: THREE },
  divide: {
    op: 'divide',
    paths: [circle(12, 12, 9), circle(12, 12, 3.5), 'M12 2V22', 'M3.4 7L20.6 17', 'M3.4 17L20.6 7'],
  },
  stroke: { op: 'stroke', paths: [HOOK], width: 4, ...round },
  corner: { op: 'stroke', paths: [CORNER], width: 4, cap: 'butt', join: 'miter' },
  tight: { op: 'stroke', paths: [TIGHT], width: 10, cap: 'butt', join: 'round' },
  cusp: { op: 'stroke', paths: [CUSP], width: 3, ...round },
  ...Object.fromEntries(
    [-2, -1, 1, 2].map((distance) => [
      `offset ${distance}`,
      { op: 'offset', paths: [square(7, 7, 6, 10), circle(14, 12, 5)], distance, join: 'round' },
    ]),
  ),
}
const lines = Object.entries(requests)
  .map(([id, request]) => JSON.stringify({ id, ...request }))
  .join('\n')
const answers = Object.fromEntries(
  execFileSync(join(root, 'bin', 'wise-square'), ['path'], { input: lines, encoding: 'utf8' })
    .trim()
    .split('\n')
    .map((line) => {
      const answer = JSON.parse(line)
      if (answer.error) throw new Error(`${answer.id}: ${answer.error.message}`)
      return [answer.id, answer]
    }),
)

const fill = (d, colour, opacity = 1) => `<path d="${d}" fill="${colour}" fill-opacity="${opacity}"/>`
const outline = (d, colour = INK, width = 0.12, more = '') =>
  `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${width}"${more}/>`
const dashed = ' stroke-dasharray="0.4 0.3"'
/** The places where segments of path data meet: what is left as nodes. */
function nodes(d) {
  const points = []
  let x = 0,
    y = 0
  for (const [, letter, rest] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const numbers = (rest.match(/-?(?:\d+\.?\d*|\.\d+)(?:e-?\d+)?/g) ?? []).map(Number),
      relative = letter === letter.toLowerCase()
    const size = { m: 2, l: 2, h: 1, v: 1, a: 7, c: 6, z: 0 }[letter.toLowerCase()]
    for (let i = 0; i + size <= numbers.length && size > 0; i += size) {
      const last = numbers.slice(i, i + size)
      if (letter.toLowerCase() === 'h') x = (relative ? x : 0) + last[0]
      else if (letter.toLowerCase() === 'v') y = (relative ? y : 0) + last[0]
      else [x, y] = [(relative ? x : 0) + last[size - 2], (relative ? y : 0) + last[size - 1]]
      points.push([x, y])
    }
  }
  return points
    .map(([px, py]) => `<circle cx="${px}" cy="${py}" r="0.28" fill="${SHEET}" stroke="${HAND}" stroke-width="0.14"/>`)
    .join('')
}

const pictures = {
  arrangement: [
    THREE.map((d) => outline(d, KEYLINE, 0.2)).join(''),
    answers.patches.paths.map((d, i) => fill(d, TINTS[i % TINTS.length], 0.55) + outline(d, SHEET, 0.18)).join(''),
    fill(answers.union.path, INK, 0.15) + outline(answers.union.path, INK, 0.2) + nodes(answers.union.path),
  ],
  strokes: [
    fill(answers.stroke.path, INK, 0.15) +
      outline(answers.stroke.path, INK, 0.2) +
      nodes(answers.stroke.path) +
      outline(HOOK, KEYLINE, 0.14, dashed),
    fill(answers.corner.path, INK, 0.15) +
      outline(answers.corner.path, INK, 0.2) +
      nodes(answers.corner.path) +
      outline(CORNER, KEYLINE, 0.14, dashed),
    fill(answers.cusp.path, INK, 0.15) +
      outline(answers.cusp.path, INK, 0.2) +
      nodes(answers.cusp.path) +
      outline(CUSP, KEYLINE, 0.14, dashed),
  ],
  offsets: [
    ['offset 2', 'offset 1'].map((id) => fill(answers[id].path, KEYLINE, 0.18)).join('') +
      ['offset -1', 'offset -2'].map((id) => fill(answers[id].path, INK, 0.3)).join(''),
    answers.divide.paths.map((d, i) => fill(d, TINTS[i % TINTS.length], 0.55) + outline(d, SHEET, 0.18)).join(''),
    fill(answers.tight.path, INK, 0.15) +
      outline(answers.tight.path, INK, 0.2) +
      nodes(answers.tight.path) +
      outline(TIGHT, KEYLINE, 0.14, dashed),
  ],
}

mkdirSync(join(root, 'docs', 'kernel'), { recursive: true })
for (const [name, cells] of Object.entries(pictures)) {
  const body = cells
    .map(
      (cell, i) =>
        `<g transform="translate(${i * 26} 0)"><rect width="24" height="24" fill="${SHEET}" stroke="#C9D3CF" stroke-width="0.1"/>${cell}</g>`,
    )
    .join('')
  writeFileSync(
    join(root, 'docs', 'kernel', `${name}.svg`),
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-1 -1 78 26" width="936" height="312"><rect x="-1" y="-1" width="78" height="26" fill="${FILM}"/>${body}</svg>\n`,
  )
}
