import { tidy } from '@/core/geometry/tidy'
import type { Command } from '@/ui/commands'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'

/** How many keylines the rules may have. */
const MOST = 24

/** Makes a keyline of the rules that is as large as the selection: round where that is one ellipse. */
function keylineOfSelection(bench: Bench): void {
  const box = bench.extent(bench.selected),
    rules = bench.setRules
  if (!box) return
  if (rules.keylines.length >= MOST) return say({ text: `The rules have ${MOST} keylines, the most they may have.` })
  const scale = rules.grid.size / bench.base
  const w = tidy(box.w * scale),
    h = tidy(box.h * scale)
  if (w <= 0 || h <= 0 || w > rules.grid.size || h > rules.grid.size)
    return say({
      text: 'A keyline lies within the square and has a width and a height: select something that does too.',
    })
  const names = new Set(rules.keylines.map(({ name }) => name))
  let n = 1
  while (names.has(`keyline-${n}`)) n++
  const isRound = bench.selected.length === 1 && bench.selected[0]!.kind === 'ellipse'
  const keyline = { name: `keyline-${n}`, shape: isRound ? ('ellipse' as const) : ('rectangle' as const), w, h }
  const label = `Make ${keyline.name}, ${w} by ${h}, of the selection`
  commit(
    bench.session,
    { kind: 'rules', rules: { ...rules, keylines: [...rules.keylines, keyline] }, renames: [] },
    label,
  )
  say({ text: `The rules have ${keyline.name} now: ${w} by ${h}, in the middle of the square.` })
}

export const keylineCommands = (bench: Bench): Command[] => [
  {
    id: 'keyline-of-selection',
    name: 'Make a keyline of the selection',
    needs: () => (bench.selected.length > 0 ? null : 'Select something first.'),
    run: () => keylineOfSelection(bench),
  },
]
