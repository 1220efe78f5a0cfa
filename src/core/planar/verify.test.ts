import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { polyline } from '../geometry/path'
import { arrange } from './arrangement'
import { fault } from './verify'

const place = fc.record({ x: fc.integer({ min: 0, max: 12 }), y: fc.integer({ min: 0, max: 12 }) })
const polygon = fc
  .uniqueArray(place, { minLength: 3, maxLength: 7, selector: ({ x, y }) => `${x} ${y}` })
  .map((points) => [polyline(points, true)])
const paths = fc.array(polygon, { minLength: 1, maxLength: 3 })

describe('the verification of an arrangement', () => {
  it('finds nothing wrong with what is right', () => {
    fc.assert(
      fc.property(paths, (all) => {
        expect(fault(arrange(all), all.length)).toBeNull()
      }),
    )
  })

  it('finds an edge that a path runs along once too often, or not at all', () => {
    fc.assert(
      fc.property(paths, fc.nat(), fc.constantFrom(1, -1), (all, at, by) => {
        const right = arrange(all),
          i = at % right.edges.length
        const edges = right.edges.map((edge, k) =>
          k === i ? { ...edge, windings: [...edge.windings, { path: 0, times: by }] } : edge,
        )
        expect(fault({ ...right, edges }, all.length)).toBe('windings do not balance')
      }),
    )
  })

  it('finds edges in a wrong order around a vertex', () => {
    fc.assert(
      fc.property(paths, fc.nat(), (all, at) => {
        const right = arrange(all)
        // Two half edges that arrive at one vertex go on as the other did: their order around it is changed.
        const arriving = right.vertices.map((_, vertex) =>
          right.edges.flatMap(({ from, to }, i) => [
            ...(to === vertex ? [2 * i] : []),
            ...(from === vertex ? [2 * i + 1] : []),
          ]),
        )
        const crossed = arriving.filter((halves) => halves.length > 3)
        const chosen = crossed[at % (crossed.length || 1)]
        fc.pre(chosen !== undefined)
        if (!chosen) return
        const next = right.next.slice(),
          a = chosen[0]!,
          b = chosen[1]!
        ;[next[a], next[b]] = [next[b]!, next[a]!]
        expect(fault({ ...right, next }, all.length)).not.toBeNull()
      }),
    )
  })
})
