// Drawings that come to too much or have odd numbers, as set files: what one person's slip or another's malice would
// put on the shelf.
const style = { fill: 'none', stroke: 'ink', weight: 'main' }
const box = { x: 3, y: 3, w: 18, h: 18 }
const spiral = (more = {}, own = {}) => ({
  kind: 'spiral',
  id: 'spiral',
  name: 'Rope',
  ...box,
  turns: 50,
  inner: 0,
  style: { ...style, ...own },
  ...more,
})
const mirror = (id, members) => ({
  kind: 'mirror',
  id,
  name: 'Wreath',
  at: { x: 12, y: 12 },
  angle: 90,
  folds: 120,
  flip: true,
  members,
})
const stops = Array.from({ length: 32 }, (_, i) => ({ at: i / 31, color: i % 2 ? 'ink' : '#d5401b' }))
const circle = (i) => ({
  kind: 'ellipse',
  id: `c${i}`,
  name: `Circle ${i}`,
  x: (i * 7) % 13,
  y: (i * 5) % 11,
  w: 8 + (i % 5) / 7,
  h: 8 + (i % 7) / 9,
  style,
})
const text = (length, own = {}) => ({
  kind: 'text',
  id: 'text',
  name: 'Words',
  at: { x: 0, y: 12 },
  text: 'Quayside'.repeat(Math.ceil(length / 8)).slice(0, length),
  size: 3,
  spacing: 0,
  boldness: 700,
  style: { ...style, ...own },
})

/** Drawings by what is odd about them. */
export const BOMBS = {
  'a spiral without width': [spiral({ w: 0 })],
  'a text of no size': [{ ...text(4), size: 5e-324 }],
  'a text stretched beyond all': [{ ...text(4), map: [1e6, 0, 0, 1e6] }],
  'a faded shape beside the square': [
    {
      kind: 'rectangle',
      id: 'r',
      name: 'Far',
      x: 60,
      y: 3,
      w: 6,
      h: 6,
      corner: 0,
      opacity: 0.5,
      style: { ...style, fill: 'ink' },
    },
  ],
  'a mask beside the square': [
    {
      kind: 'group',
      id: 'g',
      name: 'Faded',
      mask: 'fade',
      members: [circle(1), { ...circle(2), x: 50, style: { ...style, fill: 'ink' } }],
    },
  ],
  'dashes of nothing with a head': [spiral({}, { dash: [1e-18], endHead: 'arrow' })],
  'dashes outside': [{ ...circle(1), style: { ...style, dash: [0.01], side: 'outside' } }],
  'mirrors in mirrors': [mirror('a', [mirror('b', [mirror('c', [spiral()])])])],
  'two thousand circles assembled': [
    { kind: 'assembly', id: 'a', name: 'Cluster', style, members: Array.from({ length: 2000 }, (_, i) => circle(i)) },
  ],
  'three thousand nodes assembled': [
    {
      kind: 'assembly',
      id: 'a',
      name: 'Scribble',
      style,
      members: [
        {
          kind: 'path',
          id: 'p',
          name: 'Scribble',
          corner: 0,
          contours: [
            {
              closed: true,
              nodes: Array.from({ length: 3000 }, (_, i) => ({
                x: 12 + 11 * Math.cos(i * 2.5),
                y: 12 + 11 * Math.sin(i * 3.7),
              })),
            },
          ],
          style,
        },
      ],
    },
  ],
  'five hundred characters stroked': [text(500)],
  'a gradient in many images': [
    mirror('a', [
      {
        ...circle(1),
        style: {
          fill: { kind: 'linear', from: { x: 0, y: 0 }, to: { x: 9, y: 9 }, stops },
          stroke: 'none',
          weight: 'main',
        },
      },
    ]),
  ],
}

/** A set file that holds some drawings, one an icon, under the rules of another. */
export function setFileOf(rules, name, drawings) {
  const icons = Object.entries(drawings).map(([title, objects], i) => ({
    id: `icon-${i}`,
    name: title,
    masters: [{ base: rules.grid.size, objects }],
  }))
  return JSON.stringify({ format: 'wise-square-set', version: 1, set: { name, kind: 'interface', rules, icons } })
}
