import type { DrawingObject } from '@/core/drawing/objects/object'
import { STARTERS } from '@/core/rules/starters'
import { masterFor, type IconSet } from '@/core/set/set'
import { createSession, shown } from '../screens/session/session'
import { storedAs } from './samples'
import { Bench } from '../screens/bench/state/bench'
import type { At, Tool } from '../screens/bench/tools/tool'
import { makeTools } from '../screens/bench/tools/tools'

/** A bench over a drawing, seen at ten screen pixels to the unit, and a hand that uses its tools: for tests. */
export class Hand {
  readonly bench: Bench
  readonly tools: Record<string, Tool>

  constructor(...objects: DrawingObject[]) {
    const set: IconSet = {
      name: 'Pier',
      kind: 'interface',
      rules: STARTERS[0]!.rules,
      icons: [{ id: 'i', name: 'icon', masters: [{ base: 24, objects }] }],
    }
    this.bench = new Bench(createSession('pier', storedAs(set), 'hand'), 'i')
    this.bench.store.setState({ view: { scale: 10, x: 0, y: 0 }, stage: { w: 300, h: 300 } })
    this.tools = makeTools(this.bench)
    this.bench.equip(this.tools)
  }

  /** The objects as they are shown, an edit in hand included. */
  get objects(): readonly DrawingObject[] {
    return masterFor(shown(this.bench.session.getState()).icons[0]!).objects
  }

  get selection(): string[] {
    return [...this.bench.store.getState().selection].sort()
  }

  /** Presses, moves in two steps and releases; without a second place, a click. */
  drag(
    tool: string,
    from: readonly [number, number],
    to: readonly [number, number] = from,
    held: Partial<At> = {},
  ): void {
    const begun = this.tools[tool]!.press(at(...from, held))
    if (!begun) return
    if (from !== to) {
      begun.move(at((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, held))
      begun.move(at(...to, held))
    }
    begun.release(at(...to, held))
  }
}

/** A place of the square under the pointer. */
export const at = (x: number, y: number, held: Partial<At> = {}): At => ({
  p: { x, y },
  screen: { x: x * 10, y: y * 10 },
  shift: false,
  alt: false,
  free: false,
  ...held,
})
