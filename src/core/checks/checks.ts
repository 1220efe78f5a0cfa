import { lowContrast } from './drawing/low-contrast'
import { nearlySymmetric } from './drawing/nearly-symmetric'
import { offCentre } from './drawing/off-centre'
import { cannotBeDrawn } from './drawing/cannot-be-drawn'
import { nearlyStraight } from './drawing/nearly-straight'
import { ownAngle } from './drawing/own-angle'
import { duplicates } from './drawing/duplicates'
import { invisible } from './drawing/invisible'
import { leak } from './drawing/leak'
import { nearlyTouching } from './drawing/nearly-touching'
import { smallCounter } from './drawing/small-counter'
import { smallGap } from './drawing/small-gap'
import { nearlyCentred } from './drawing/nearly-centred'
import { nearlyConcentric } from './drawing/nearly-concentric'
import { nearlyEqual } from './drawing/nearly-equal'
import { nearlyTangent } from './drawing/nearly-tangent'
import { doubledNodes } from './drawing/doubled-nodes'
import { needlessNodes } from './drawing/needless-nodes'
import { strayNodes } from './drawing/stray-nodes'
import { zeroHandles } from './drawing/zero-handles'
import { nothingDrawn } from './drawing/nothing-drawn'
import { offGrid } from './drawing/off-grid'
import { offPixel } from './drawing/off-pixel'
import { ownColour } from './drawing/own-colour'
import { ownCap } from './drawing/own-cap'
import { ownJoin } from './drawing/own-join'
import { ownRadius } from './drawing/own-radius'
import { ownThickness } from './drawing/own-thickness'
import { ownArc } from './drawing/own-arc'
import { ownWeight } from './drawing/own-weight'
import { crossesSafeZone } from './drawing/crosses-safe-zone'
import { missesKeyline } from './drawing/misses-keyline'
import { outsideLiveArea } from './drawing/outside-live-area'
import { seam } from './drawing/seam'
import { kinks } from './drawing/kinks'
import { nearlyUpright } from './drawing/nearly-upright'
import { tooManyNodes } from './drawing/too-many-nodes'
import { filledCounter } from './drawing/filled-counter'
import { covered } from './drawing/covered'
import { hiddenLeft } from './drawing/hidden-left'
import { endsOff } from './drawing/ends-off'
import { nearlySpaced } from './drawing/nearly-spaced'
import { crossesItself } from './drawing/crosses-itself'
import { beyondSquare } from './drawing/beyond-square'
import { lostFromMain } from './drawing/lost-from-main'
import { movedFromMain } from './drawing/moved-from-main'
import { weightOfMain } from './drawing/weight-of-main'
import { tooLarge } from './drawing/too-large'
import { belowPixel } from './drawing/below-pixel'
import { plateColoured } from './drawing/plate-coloured'
import { offPlateMiddle } from './drawing/off-plate-middle'
import { beyondPlate } from './drawing/beyond-plate'
import { outlinedByHand } from './drawing/outlined-by-hand'
import type { Check } from './check'

/** Everything that is looked for in a drawing, in the order in which it is shown. */
export const CHECKS: readonly Check[] = [
  cannotBeDrawn,
  nothingDrawn,
  offPixel,
  offGrid,
  nearlyStraight,
  nearlyUpright,
  ownAngle,
  ownWeight,
  ownThickness,
  outlinedByHand,
  ownRadius,
  ownArc,
  ownColour,
  ownCap,
  ownJoin,
  nearlyCentred,
  nearlyConcentric,
  nearlyTangent,
  nearlyEqual,
  nearlySpaced,
  nearlySymmetric,
  kinks,
  endsOff,
  nearlyTouching,
  smallGap,
  smallCounter,
  belowPixel,
  seam,
  beyondSquare,
  outsideLiveArea,
  crossesSafeZone,
  missesKeyline,
  tooLarge,
  offCentre,
  lowContrast,
  plateColoured,
  offPlateMiddle,
  beyondPlate,
  leak,
  filledCounter,
  crossesItself,
  doubledNodes,
  strayNodes,
  needlessNodes,
  tooManyNodes,
  zeroHandles,
  duplicates,
  covered,
  lostFromMain,
  movedFromMain,
  weightOfMain,
  hiddenLeft,
  invisible,
]
