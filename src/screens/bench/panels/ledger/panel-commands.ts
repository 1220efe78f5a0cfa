import type { Command } from '@/ui/commands'
import type { Bench } from '../../state/bench'
import { PANELS } from './panels'

/** Further words that people look for a panel by. */
const WORDS: Readonly<Record<string, string>> = {
  colours: 'color fill stroke gradient swatch paint palette opacity',
  references: 'image template import picture',
}

/** A command for each tab of the ledger. */
export const panelCommands = (bench: Bench): Command[] =>
  PANELS.map(({ id, word }) => ({
    id: `open-${id}`,
    name: `Open ${word}`,
    ...(WORDS[id] && { words: WORDS[id] }),
    run: () => bench.store.setState({ panel: id, ledgerFolded: false }),
  }))
