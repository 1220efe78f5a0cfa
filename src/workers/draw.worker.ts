import type { Checked, Snag } from '../core/checks/check'
import { changeOf } from '../core/checks/change'
import { mendsOf } from '../core/checks/mended'
import { snagsWithProvedMends } from '../core/checks/proved'
import { snagsOn } from '../core/checks/snags'
import { sceneOf } from '../core/drawing/evaluate/evaluated-scene'
import { type Memory, remembered } from '../core/drawing/evaluate/memory'
import type { Accepted } from '../core/drawing/model/accepted'
import type { DrawingEdit } from '../core/drawing/edit/edit'
import type { DrawingObject } from '../core/drawing/model/object'
import { drawingProblem } from '../core/formats/drawing-problem'
import { iconSvg } from '../core/formats/drawn'
import type { Ground } from '../core/formats/svg-paint'
import { type Balance, balanceOfIcon } from '../core/proof/balance'
import type { Crispness } from '../core/proof/crispness'
import { type OpticalOffset, opticalOffset } from '../core/proof/optical-centre'
import { basesOf } from '../core/rules/book'
import { type Fitted, fitted } from '../core/rules/fit/fit'
import type { Rules } from '../core/rules/rules'
import { crispnessBySize } from '../core/proof/crispness-by-size'
import { type Icon, type Master, masterFor } from '../core/set/set'
import { boundDrawing } from './bound-drawing'
import { type Numbered, Things } from './numbered'
import { type Painted, painted } from './painted'

/** A list of objects as it is sent. */
export type Sent = Numbered<readonly Numbered<DrawingObject>[]>

/** What is drawn: a document, or objects under rules in the colours for a ground. */
export type SentDrawing =
  | { readonly svg: string }
  | {
      readonly objects: Sent
      readonly rules: Numbered<Rules>
      readonly ground: Ground
      readonly base?: number
      readonly kept?: Numbered<readonly Master[]>
      /** The rules that it is brought under. */
      readonly to?: Numbered<Rules>
      /** What it becomes under those rules, where that is known. */
      readonly becomes?: Sent
      /** Snags that are left as they are. */
      readonly accepted?: readonly Accepted[]
      /** What the main master comes to on this grid, for one that was drawn by hand. */
      readonly main?: Sent
    }

/**
 * What is asked of a drawing: a picture, so many pixels along a side, its document, how far its optical middle is off,
 * the snags in it, as in one that was derived or on the further grids of its set, the edits that mend them, what it comes
 * to by eye, what a change of the rules does to it, how crisp it is at each delivered size, or what it comes to on another grid.
 */
export type Wanted =
  | number
  | 'document'
  | 'optical offset'
  | 'snags'
  | 'derived snags'
  | 'further snags'
  | 'mends'
  | 'balance'
  | 'change'
  | 'crispness'
  | 'fitted'

/** What is asked for, or numbers that are no longer needed. */
export type Asked =
  | { readonly id: number; readonly drawing: SentDrawing; readonly wanted: Wanted }
  | { readonly forget: readonly number[] }

/** What became of it: the picture, the document or the offset, or why there is none. */
export type Answered = { readonly id: number } & (
  | Painted
  | { readonly svg: string }
  | { readonly offset: OpticalOffset | null }
  | { readonly snags: readonly Snag[] }
  | { readonly mends: readonly DrawingEdit[] }
  | { readonly balance: Balance | null }
  | { readonly change: readonly string[] | null }
  | { readonly crispness: readonly Crispness[] }
  | { readonly fitted: Pick<Fitted, 'objects' | 'flaws'> }
  | { readonly problem: string }
)

boundDrawing()

const things = new Things()

self.onmessage = ({ data: asked }: MessageEvent<Asked>) => {
  if ('forget' in asked) {
    things.forget(asked.forget)
    return
  }
  const answer = answered(asked)
  postMessage(answer, { transfer: 'data' in answer ? [answer.data.buffer] : [] })
}

function answered({ id, drawing, wanted }: Exclude<Asked, { forget: unknown }>): Answered {
  try {
    if (wanted === 'optical offset') return { id, offset: offsetOf(drawing) }
    if (wanted === 'snags') return { id, snags: snagsWithProvedMends(checkedOf(drawing)) }
    if (wanted === 'derived snags')
      return { id, snags: snagsWithProvedMends({ ...checkedOf(drawing), isDerived: true }) }
    if (wanted === 'further snags') return { id, snags: furtherSnags(drawing) }
    if (wanted === 'mends') return { id, mends: mendsIn(drawing) }
    if (wanted === 'crispness') return { id, crispness: crispnessIn(drawing) }
    if (wanted === 'change') return { id, change: changeIn(drawing) }
    if (wanted === 'fitted') return { id, fitted: fittedTo(drawing) }
    if (wanted === 'balance') return { id, balance: balanceIn(drawing) }
    const svg = documentOf(drawing)
    if (wanted === 'document') return { id, svg }
    return { id, ...painted(svg, wanted) }
  } catch (error) {
    return { id, problem: error instanceof Error ? drawingProblem(error) : `It cannot be drawn: ${String(error)}` }
  }
}

function documentOf(drawing: SentDrawing): string {
  if ('svg' in drawing) return drawing.svg
  const { icon, rules } = taken(drawing)
  return iconSvg(icon, rules, drawing.ground, drawing.base)
}

function offsetOf(drawing: SentDrawing): OpticalOffset | null {
  if ('svg' in drawing) return null
  const { icon, rules } = taken(drawing)
  return opticalOffset(masterFor(icon).objects, rules)
}

/** What is found on the further grids of an icon's set. */
function furtherSnags(drawing: SentDrawing): Snag[] {
  if ('svg' in drawing) return []
  const { icon, rules } = taken(drawing)
  return basesOf(rules).flatMap((base) =>
    base === rules.grid.size
      ? []
      : snagsOn(icon, rules, base).map((snag) => ({ ...snag, sentence: `${base} px: ${snag.sentence}` })),
  )
}

const mendsIn = (drawing: SentDrawing): DrawingEdit[] =>
  'svg' in drawing ? [] : mendsOf(checkedOf(drawing), drawing.accepted ?? [])

function crispnessIn(drawing: SentDrawing): readonly Crispness[] {
  if ('svg' in drawing) return []
  const { icon, rules } = taken(drawing)
  return crispnessBySize(icon, rules)
}

function changeIn(drawing: SentDrawing): readonly string[] | null {
  if ('svg' in drawing || !drawing.to || !drawing.becomes) throw new Error('Only a drawing changes, with its rules.')
  const after = things.take(drawing.to) as Rules
  return changeOf(taken(drawing), { icon: iconSent(drawing.becomes, after), rules: after })
}

function fittedTo(drawing: SentDrawing): Pick<Fitted, 'objects' | 'flaws'> {
  if ('svg' in drawing || !drawing.to) throw new Error('Only a drawing can be fitted, to other rules.')
  const { icon, rules } = taken(drawing)
  const { objects, flaws } = fitted(masterFor(icon).objects, rules, things.take(drawing.to) as Rules)
  return { objects, flaws }
}

/** A drawing as checks look at it. */
function checkedOf(drawing: SentDrawing): Checked {
  if ('svg' in drawing) throw new Error('A document cannot be checked.')
  const { icon, rules } = taken(drawing)
  const main = drawing.main && masterFor(iconSent(drawing.main, rules)).objects
  return { objects: masterFor(icon).objects, rules, scene: sceneOf(rules), ...(main && { main }) }
}

function balanceIn(drawing: SentDrawing): Balance | null {
  if ('svg' in drawing) return null
  const { icon, rules } = taken(drawing)
  return balanceOfIcon(icon, rules)
}

/**
 * The drawing that was sent: one icon for each list of objects, so that what is known of it serves whatever is asked.
 */
function taken({ objects, rules: sent, kept }: Exclude<SentDrawing, { svg: unknown }>): { icon: Icon; rules: Rules } {
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

/** Icons with what is kept of them on other grids: the same for the same. */
const whole: Memory<Icon, readonly Master[], Icon> = new WeakMap()

const withKept = (icon: Icon, kept: readonly Master[]): Icon =>
  remembered(whole, icon, kept, () => ({ ...icon, masters: [...icon.masters, ...kept] }))
