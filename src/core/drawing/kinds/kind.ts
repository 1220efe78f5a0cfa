import type { z } from 'zod'
import type { Thing } from '../model/traits'
import type { CostFacet } from './facets/cost'
import type { FittingFacet } from './facets/fitting'
import type { Geometry, GeometryFacet } from './facets/geometry'
import type { GripsFacet } from './facets/grips'
import type { LedgerFacet } from './facets/ledger'
import type { ReferencesFacet } from './facets/references'

type Head<T extends Thing> = {
  readonly kind: T['kind']
  /** Its default name. */
  readonly word: string
  /** What a file may hold; members are added to it. */
  readonly schema: z.ZodObject
  readonly hasMembers?: true
  /** Its members have roles, and count by their outlines, paint left aside. */
  readonly combines?: true
  /** Whether the corners of its result can be finished. */
  readonly rounds?: true
  /** Its place in the drawing, if special: the `ground` below all else, or the `shade` of its members. */
  readonly stands?: 'ground' | 'shade'
  /** What fills the frame that it was laid down by: straight sides, or an ellipse. Of others the frame only follows. */
  readonly fills?: 'sides' | 'ellipse'
}

/**
 * Everything the program knows of one kind of object, in facets; who needs one facet asks for it alone. Features that
 * several kinds share (a frame, corners, a style, members) are traits, see `model/traits.ts`.
 */
export type Kind<T extends Thing> = Head<T> & {
  readonly geometry: Geometry<T>
  readonly ledger: LedgerFacet<T>
  readonly grips: GripsFacet<T>
  readonly fitting: FittingFacet<T>
  readonly references: ReferencesFacet<T>
  readonly cost: CostFacet<T>
}

/** A kind as its folder states it: facets that it does not need are left out. */
type KindDefinition<T extends Thing> = Head<T> &
  Partial<Omit<Kind<T>, keyof Head<T> | 'geometry'>> & { readonly geometry: GeometryFacet<T> }

/** A kind from its facets, checked by their types. */
export const defineKind = <T extends Thing>(kind: KindDefinition<T>): Kind<T> =>
  ({ ledger: {}, grips: {}, fitting: {}, references: {}, cost: {}, ...kind }) as unknown as Kind<T>
