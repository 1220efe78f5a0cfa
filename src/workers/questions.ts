import type { Snag } from '../core/checks/snag'
import type { Repair } from '../core/checks/mended'
import type { DrawingObject } from '../core/drawing/objects/object'
import type { Balance } from '../core/proof/balance'
import type { Crispness } from '../core/geometry/crispness'
import type { OpticalOffset } from '../core/proof/optical-centre'
import type { Rules } from '../core/rules/rules'
import { rulesForGrid } from '../core/rules/rules-for-grid'
import { type Icon, masterFor } from '../core/set/set'
import type { Wanted } from './draw.worker'
import { everyGrid } from './draw'
import { drawingWorker } from './begin'
import { type Answered, Drawer, type Urgency } from './drawer'

/** One worker for all that is looked for in drawings: no picture waits for it. */
const looker = new Drawer(drawingWorker)

type Objects = readonly DrawingObject[]

/** A question about objects under rules; asking it returns the way to give it up. */
const question =
  <T>(wanted: Wanted, read: (answer: Answered) => T) =>
  (objects: Objects, rules: Rules, done: (answer: T) => void): (() => void) =>
    looker.ask({ source: { objects, rules, ground: 'light' }, wanted, done: (answer) => done(read(answer)) })

/** A question about an icon on all grids of its set. */
const questionOfAll =
  <T>(wanted: Wanted, read: (answer: Answered) => T, urgency: Urgency = 'now') =>
  (icon: Icon, rules: Rules, done: (answer: T) => void): (() => void) =>
    looker.ask({ source: everyGrid(icon, rules), wanted, done: (answer) => done(read(answer)) }, urgency)

/** How far the optical middle of objects is from the middle of the square; null where there is none. */
export const offsetOf = question('optical offset', (answer): OpticalOffset | null =>
  'offset' in answer ? answer.offset : null,
)

/** The snags that were found, or why the search failed, as a sentence. */
export type Search = { readonly snags: readonly Snag[] } | { readonly problem: string }

const searchOf = (answer: Answered): Search =>
  'snags' in answer ? answer : { problem: 'problem' in answer ? answer.problem : 'It was not looked at.' }

/** The snags of objects, accepted ones included. */
export const snagsOf = question('snags', searchOf)

/** The snags of a master drawn by hand, compared with the derived drawing of the main master. */
export const snagsBesideMain = (objects: Objects, main: Objects, rules: Rules, done: (answer: Search) => void) =>
  looker.ask({
    source: { objects, rules, ground: 'light', main },
    wanted: 'snags',
    done: (answer) => done(searchOf(answer)),
  })

/** The snags of derived objects. */
export const derivedSnagsOf = question('derived snags', searchOf)

/** The snags of an icon on the further grids of its set, without accepted ones. */
export const furtherSnagsOf = questionOfAll('further snags', searchOf)

/** The visual balance of an icon; null if it paints nothing. Runs at low priority. */
export const balanceOf = questionOfAll(
  'balance',
  (answer): Balance | null => ('balance' in answer ? answer.balance : null),
  'at rest',
)

/** How crisp an icon is at each delivered size, from the master that fits it. */
export const crispnessOf = questionOfAll('crispness', (answer): readonly Crispness[] =>
  'crispness' in answer ? answer.crispness : [],
)

/** The repairs of an icon's snags, hints and accepted ones aside, in their order; or why they could not be found. */
export const repairsOfIcon = (
  icon: Icon,
  rules: Rules,
): Promise<{ readonly repairs: readonly Repair[] } | { readonly problem: string }> =>
  new Promise((done) => {
    const { objects, accepted } = masterFor(icon)
    looker.ask({
      source: { objects, rules: rulesForGrid(rules, rules.grid.size), ground: 'light', accepted },
      wanted: 'repairs',
      done: (answer) =>
        done(
          'repairs' in answer
            ? { repairs: answer.repairs }
            : { problem: 'problem' in answer ? answer.problem : 'It was not checked.' },
        ),
    })
  })
