import type { Checked } from '../core/checks/check'
import type { Snag } from '../core/checks/snag'
import { changeOf } from '../core/checks/change'
import { type Repair, repairsOf } from '../core/checks/mended'
import { snagsWithProvedMends } from '../core/checks/proved'
import { snagsOn } from '../core/checks/snags'
import { sceneOf } from '../core/drawing/evaluate/evaluated-scene'
import { type Memory, remembered } from '../core/drawing/scene/memory'
import type { Accepted } from '../core/drawing/model/accepted'
import type { DrawingObject } from '../core/drawing/objects/object'
import { timed } from '../core/geometry/deadline'
import { iconPicture } from '../core/picture/drawn'
import type { Ground, Picture } from '../core/picture/picture'
import { picturePixels } from '../core/picture/pixels'
import { svgOfPicture } from '../core/picture/svg'
import { type Balance, balanceOfIcon } from '../core/proof/balance'
import type { Crispness } from '../core/geometry/crispness'
import { type OpticalOffset, opticalOffset } from '../core/proof/optical-centre'
import { basesOf } from '../core/rules/rules-for-grid'
import { type Fitted, fitted } from '../core/rules/fit/fit'
import type { Rules } from '../core/rules/rules'
import { crispnessBySize } from '../core/proof/crispness-by-size'
import { type Icon, type Master, masterFor } from '../core/set/set'
import { boundDrawing } from './bound-drawing'
import { type Numbered, Things } from './numbered'
import { type Painted, painted } from './painted'
import { drawingSentence, transferred } from './replies'
import { serve, type Transferred } from './serve'

/** A list of objects in its numbered form. */
export type Sent = Numbered<readonly Numbered<DrawingObject>[]>

/** A stored picture, seen on a ground. */
export type StoredSource = { readonly picture: string; readonly ground: Ground }

/** The drawing of a question: a stored picture, or objects under rules in the colours for a ground. */
export type SentDrawing =
  | StoredSource
  | {
      readonly objects: Sent
      readonly rules: Numbered<Rules>
      readonly ground: Ground
      readonly base?: number
      readonly kept?: Numbered<readonly Master[]>
      /** The rules that it is brought under. */
      readonly to?: Numbered<Rules>
      /** The objects under those rules, if known. */
      readonly becomes?: Sent
      /** Accepted snags. */
      readonly accepted?: readonly Accepted[]
      /** The drawing derived from the main master for this grid, for a master drawn by hand. */
      readonly main?: Sent
    }

/**
 * Question about a drawing: its picture with so many pixels along a side, its document, the offset of its optical
 * centre, its snags (as drawn, as derived, on further grids), the edits that mend them, its visual balance, its losses
 * by a change of rules, its crispness at each delivered size, or its fitted form on another grid.
 */
export type Wanted =
  | number
  | 'document'
  | 'optical offset'
  | 'snags'
  | 'derived snags'
  | 'further snags'
  | 'repairs'
  | 'balance'
  | 'change'
  | 'crispness'
  | 'fitted'

/** Something that is asked of a drawing. */
export type Asked = { readonly drawing: SentDrawing; readonly wanted: Wanted }

/** What became of it: the picture, the document, the offset and so on. */
export type Answer =
  | Painted
  | { readonly svg: string }
  | { readonly offset: OpticalOffset | null }
  | { readonly snags: readonly Snag[] }
  | { readonly repairs: readonly Repair[] }
  | { readonly balance: Balance | null }
  | { readonly change: readonly string[] | null }
  | { readonly crispness: readonly Crispness[] }
  | { readonly fitted: Pick<Fitted, 'objects' | 'losses'> }

boundDrawing()

/** What drawings are asked, and numbers of things that are no longer needed. */
const calls = {
  answer: (asked: Asked): Answer | Transferred<Answer> => transferred(answerTo(asked)),
  forget: (numbers: readonly number[]): void => things.forget(numbers),
}
export type DrawingCalls = typeof calls

const things = new Things()

serve(calls, drawingSentence)

function answerTo({ drawing, wanted }: Asked): Answer {
  switch (wanted) {
    case 'optical offset':
      return { offset: offsetOf(drawing) }
    case 'snags':
      return { snags: snagsWithProvedMends(checkedOf(drawing)) }
    case 'derived snags':
      return { snags: snagsWithProvedMends({ ...checkedOf(drawing), isDerived: true }) }
    case 'further snags':
      return { snags: furtherSnags(drawing) }
    case 'repairs':
      return { repairs: repairsIn(drawing) }
    case 'crispness':
      return { crispness: crispnessIn(drawing) }
    case 'change':
      return { change: changeIn(drawing) }
    case 'fitted':
      return { fitted: fittedTo(drawing) }
    case 'balance':
      return { balance: balanceIn(drawing) }
    case 'document':
      return { svg: timed(() => svgOfPicture(pictureOf(drawing))) }
    default:
      return painted(picturePixels(pictureOf(drawing), wanted))
  }
}

function pictureOf(drawing: SentDrawing): Picture {
  if ('picture' in drawing) throw new Error('A stored picture is drawn by its own worker.')
  const { icon, rules } = taken(drawing)
  return iconPicture(icon, rules, drawing.ground, drawing.base)
}

function offsetOf(drawing: SentDrawing): OpticalOffset | null {
  if ('picture' in drawing) return null
  const { icon, rules } = taken(drawing)
  return opticalOffset(masterFor(icon).objects, rules)
}

/** Snags on the further grids of a set. */
function furtherSnags(drawing: SentDrawing): Snag[] {
  if ('picture' in drawing) return []
  const { icon, rules } = taken(drawing)
  return basesOf(rules).flatMap((base) =>
    base === rules.grid.size
      ? []
      : snagsOn(icon, rules, base).map((snag) => ({ ...snag, sentence: `${base} px: ${snag.sentence}` })),
  )
}

const repairsIn = (drawing: SentDrawing): Repair[] =>
  'picture' in drawing ? [] : repairsOf(checkedOf(drawing), drawing.accepted ?? [])

function crispnessIn(drawing: SentDrawing): readonly Crispness[] {
  if ('picture' in drawing) return []
  const { icon, rules } = taken(drawing)
  return crispnessBySize(icon, rules)
}

function changeIn(drawing: SentDrawing): readonly string[] | null {
  if ('picture' in drawing || !drawing.to || !drawing.becomes)
    throw new Error('Only a drawing changes, with its rules.')
  const after = things.take(drawing.to) as Rules
  return changeOf(taken(drawing), { icon: iconSent(drawing.becomes, after), rules: after })
}

function fittedTo(drawing: SentDrawing): Pick<Fitted, 'objects' | 'losses'> {
  if ('picture' in drawing || !drawing.to) throw new Error('Only a drawing can be fitted, to other rules.')
  const { icon, rules } = taken(drawing)
  const { objects, losses } = fitted(masterFor(icon).objects, rules, things.take(drawing.to) as Rules)
  return { objects, losses }
}

/** A drawing as checks look at it. */
function checkedOf(drawing: SentDrawing): Checked {
  if ('picture' in drawing) throw new Error('A stored picture cannot be checked.')
  const { icon, rules } = taken(drawing)
  const main = drawing.main && masterFor(iconSent(drawing.main, rules)).objects
  return { objects: masterFor(icon).objects, rules, scene: sceneOf(rules), ...(main && { main }) }
}

function balanceIn(drawing: SentDrawing): Balance | null {
  if ('picture' in drawing) return null
  const { icon, rules } = taken(drawing)
  return balanceOfIcon(icon, rules)
}

/** The drawing of a question: one icon for each list of objects, so that memoised results are shared. */
function taken({ objects, rules: sent, kept }: Exclude<SentDrawing, StoredSource>): { icon: Icon; rules: Rules } {
  const rules = things.take(sent) as Rules
  const icon = iconSent(objects, rules)
  return { icon: kept ? withKept(icon, things.take(kept) as readonly Master[]) : icon, rules }
}

const iconSent = (objects: Sent, rules: Rules): Icon =>
  things.take(objects, (list) =>
    iconOf(
      list.map((one) => things.take(one) as DrawingObject),
      rules,
    ),
  ) as Icon

const iconOf = (objects: DrawingObject[], rules: Rules): Icon => ({
  id: 'icon',
  name: 'icon',
  masters: [{ base: rules.grid.size, objects }],
})

/** Icons with their further masters, memoised. */
const whole: Memory<Icon, readonly Master[], Icon> = new WeakMap()

const withKept = (icon: Icon, kept: readonly Master[]): Icon =>
  remembered(whole, icon, kept, () => ({ ...icon, masters: [...icon.masters, ...kept] }))
