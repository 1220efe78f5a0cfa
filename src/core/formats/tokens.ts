import { isGradient, type Paint } from '../drawing/model/paint'
import type { Rules } from '../rules/rules'
import { readableJson } from './json'

/**
 * The rules of a set as design tokens, as the Design Tokens Community Group's format has them (draft of 2025): weights,
 * radii and sizes as dimensions in pixels, the palette as sRGB colours with those for dark ground beside them, gradients
 * by their stops, which refer to the palette.
 */
export function writeTokens(name: string, rules: Rules): string {
  const dark = rules.palette.filter((one) => one.dark !== undefined)
  return readableJson({
    $description: `The rules of “${name}”.`,
    weight: group('dimension', rules.weights, ({ value }) => pixels(value)),
    radius: group('dimension', rules.radii, ({ value }) => pixels(value)),
    grid: {
      $type: 'dimension',
      size: { $value: pixels(rules.grid.size) },
      step: { $value: pixels(rules.grid.step) },
      'live-area': { $value: pixels(rules.liveArea) },
    },
    size: group(
      'dimension',
      rules.sizes.map((size) => ({ name: String(size), size })),
      ({ size }) => pixels(size),
    ),
    color: group('color', rules.palette, ({ color }) => colour(color)),
    ...(dark.length > 0 && { 'color-on-dark': group('color', dark, (one) => colour(one.dark!)) }),
    ...(rules.gradients && {
      gradient: group('gradient', rules.gradients, ({ stops }) =>
        stops.map(({ at, color }) => ({ color: reference(color), position: at })),
      ),
    }),
  })
}

const pixels = (value: number) => ({ value, unit: 'px' })

/** A colour of the palette by its token, one of its own by its parts. */
const reference = (paint: Paint) =>
  isGradient(paint) ? null : paint.startsWith('#') ? colour(paint) : `{color.${paint}}`

function colour(hex: string) {
  const parts = [1, 3, 5].map((i) => Math.round((Number.parseInt(hex.slice(i, i + 2), 16) / 255) * 1e5) / 1e5)
  const alpha = hex.length === 9 ? Number.parseInt(hex.slice(7), 16) / 255 : 1
  return {
    colorSpace: 'srgb',
    components: parts,
    ...(alpha < 1 && { alpha: Math.round(alpha * 1e4) / 1e4 }),
    hex: hex.slice(0, 7),
  }
}

function group<T extends { readonly name: string }>(type: string, list: readonly T[], value: (one: T) => unknown) {
  return { $type: type, ...Object.fromEntries(list.map((one) => [one.name, { $value: value(one) }])) }
}
