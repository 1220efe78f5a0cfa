import { describe, expect, it } from 'vitest'
import { renderToStaticMarkup } from 'react-dom/server'
import { createElement } from 'react'
import { filterOf, VisionFilters, VISIONS } from './vision'

describe('ways of seeing the sheet', () => {
  it('that lack a cone leave greys as they are, and make two colours alike that such people mistake', () => {
    const text = renderToStaticMarkup(createElement(VisionFilters))
    const matrices = [...text.matchAll(/values="([^"]+)"/g)].map(([, values]) => values!.split(' ').map(Number))
    expect(matrices).toHaveLength(3)
    for (const matrix of matrices)
      for (const row of [0, 1, 2])
        expect(matrix.slice(5 * row, 5 * row + 3).reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 5)
    const seen = (matrix: readonly number[], color: readonly number[]) =>
      [0, 1, 2].map((row) => color.reduce((sum, part, i) => sum + part * matrix[5 * row + i]!, 0))
    const apart = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((part, i) => part - b[i]!))
    // A red and a green of like lightness, in linear light.
    const [red, green] = [
      [0.5, 0.05, 0.02],
      [0.1, 0.22, 0.02],
    ]
    for (const matrix of matrices.slice(0, 2))
      expect(apart(seen(matrix, red!), seen(matrix, green!))).toBeLessThan(0.45 * apart(red!, green!))
    for (const vision of VISIONS.filter((one) => one.startsWith('no')))
      expect(text).toContain(`id="${/#([a-z-]+)/.exec(filterOf(vision)!)![1]}"`)
  })
})
