import { STARTERS } from '../core/rules/starters'
import type { Rules } from '../core/rules/rules'

/** The rule book that tests draw by: the first of those to start from, with finishes, plates and a part in it. */
export const SAMPLE_RULES: Rules = {
  ...STARTERS[0]!.rules,
  finishes: [
    { name: 'deck', style: { fill: '#d5401b', stroke: 'ink', weight: 'main', join: 'bevel' } },
    {
      name: 'sheen',
      style: {
        fill: {
          kind: 'linear',
          from: { x: 0, y: 0 },
          to: { x: 1, y: 0 },
          stops: [
            { at: 0, color: 'ink' },
            { at: 1, color: '#d5401b' },
          ],
        },
        stroke: 'none',
        weight: 'main',
      },
    },
  ],
  plates: [
    { name: 'disc', shape: 'circle', w: 22, h: 22 },
    { name: 'badge', shape: 'squircle', w: 20, h: 20, exponent: 5, padding: 3 },
  ],
  parts: [
    {
      name: 'float',
      at: { x: 4, y: 4 },
      objects: [
        {
          kind: 'ellipse',
          id: 'ball',
          name: 'Ball',
          x: 2,
          y: 2,
          w: 4,
          h: 4,
          style: { fill: 'ink', stroke: 'none', weight: 'main' },
        },
        {
          kind: 'line',
          id: 'rope',
          name: 'Rope',
          from: { x: 6, y: 4 },
          to: { x: 9, y: 6 },
          style: { fill: 'none', stroke: 'ink', weight: 'main' },
        },
      ],
    },
  ],
}
