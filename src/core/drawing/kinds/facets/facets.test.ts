import { describe, expectTypeOf, it } from 'vitest'
import type { Thing } from '../../model/traits'
import type { GeometryFacet } from './geometry'

type Framed = Thing & { x: number; y: number; w: number; h: number }
type Holding = Thing & { members: Thing[] }
type Bare = Thing & { r: number }

describe('the types of facets', () => {
  it('ask a kind for its frame and for maps, where neither a frame nor members carry it along', () => {
    const lost = null,
      edge = () => []
    expectTypeOf({ edge, lost }).toExtend<GeometryFacet<Framed>>()
    expectTypeOf({ edge, lost }).not.toExtend<GeometryFacet<Bare>>()
    const frame = () => ({ x: 0, y: 0, w: 1, h: 1 })
    expectTypeOf({ edge, lost, frame }).toExtend<GeometryFacet<Holding>>()
    expectTypeOf({ edge, lost, frame }).not.toExtend<GeometryFacet<Bare>>()
    expectTypeOf({ edge, lost, frame, transform: (object: Bare) => object }).toExtend<GeometryFacet<Bare>>()
  })

  it('ask for a way back for runs that were edited', () => {
    const runs = () => []
    expectTypeOf({ edge: () => [], lost: null, runs }).not.toExtend<GeometryFacet<Framed>>()
    expectTypeOf({ edge: () => [], lost: null, runs, fold: () => null }).toExtend<GeometryFacet<Framed>>()
  })
})
