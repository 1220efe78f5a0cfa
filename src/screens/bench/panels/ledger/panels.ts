import { coloursPanel } from '../colours/colours-panel'
import { referencesPanel } from '../references-panel'
import { guidesPanel } from './guides-panel'
import { historyPanel } from './history-panel'
import { nodesPanel } from './nodes-panel'
import { objectsPanel } from './objects-panel'
import { partsPanel } from '../parts/parts-panel'
import type { Panel } from './panel'

/** The panels of the ledger, in the order of their tabs. */
export const PANELS: readonly Panel[] = [
  objectsPanel,
  nodesPanel,
  coloursPanel,
  referencesPanel,
  guidesPanel,
  partsPanel,
  historyPanel,
]
