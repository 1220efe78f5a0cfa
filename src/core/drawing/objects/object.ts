import { z } from 'zod'
import type { Kind as Definition } from '../kinds/kind'
import { KINDS } from '../kinds/kinds'
import {
  hasCorners,
  hasFrame,
  hasMembers,
  hasStyle,
  type Thing,
  type WithCorners,
  type WithFrame,
  type WithMembers,
  type WithStyle,
} from '../model/traits'

export { By, Role } from '../model/traits'

/** The objects of a kind, what holds others with members of any kind. */
type ObjectOf<K> = K extends Definition<infer T> ? (T extends WithMembers ? Omit<T, 'members'> & Members : T) : never
interface Members {
  members: DrawingObject[]
}

export type DrawingObject = ObjectOf<(typeof KINDS)[number]>
export type Kind = DrawingObject['kind']
export type OfKind<K extends Kind> = Extract<DrawingObject, { kind: K }>

/** An object that holds others. */
export type Container = Extract<DrawingObject, Members>
/** An object whose numbers are those of a frame. */
export type Framed = Extract<DrawingObject, WithFrame>
/** An object whose corners can be finished. */
type Cornered = Extract<DrawingObject, WithCorners>
/** An object that is painted. */
export type Styled = Extract<DrawingObject, WithStyle>

export const isContainer = (object: DrawingObject): object is Container => hasMembers(object)
export const isFramed = (object: DrawingObject): object is Framed => hasFrame(object)
export const isCornered = (object: DrawingObject): object is Cornered => hasCorners(object)
export const isStyled = (object: DrawingObject): object is Styled => hasStyle(object)

const BY_ID = new Map<string, Definition<Thing>>(KINDS.map((kind) => [kind.kind, kind as unknown as Definition<Thing>]))

/** All that is known of the kind of an object. */
export const kindOf = <T extends Thing>(object: T): Definition<T> => BY_ID.get(object.kind) as unknown as Definition<T>

/** Whether an object combines its members by their roles, so that they count by their outlines. */
export const isCombining = (object: DrawingObject | undefined | null): object is Container =>
  object !== undefined && object !== null && kindOf(object).combines === true

/** An object whose result can have its corners finished. */
export type Rounding = OfKind<'assembly'>
export const isRounding = (object: DrawingObject): object is Rounding => kindOf(object).rounds === true

/** What an object of a kind is called before it has a name of its own. */
export const wordOf = (kind: Kind): string => BY_ID.get(kind)!.word

const Members: z.ZodType<DrawingObject[]> = z.lazy(() => z.array(DrawingObject).min(1))

const SCHEMAS = KINDS.map(({ schema, hasMembers }) => (hasMembers ? schema.safeExtend({ members: Members }) : schema))

/** What a file or a request may hold as an object of a drawing. */
export const DrawingObject = z.discriminatedUnion(
  'kind',
  SCHEMAS as unknown as readonly [z.core.$ZodTypeDiscriminable],
) as unknown as z.ZodType<DrawingObject>
