import { differences, followed } from '@/core/rules/follow'
import type { Rules } from '@/core/rules/rules'
import { same } from '@/core/drawing/model/same'
import { say } from '@/ui/notice'
import { commit, type Session, undoStep } from './session'
import { hearOf } from './told'

/** A set on the shelf, as others may follow it. */
export type Leader = { readonly id: string; readonly name: string }
type LedRules = Leader & { readonly rules: Rules }

/** The rules of a set on the shelf, by its id, or by its name where there is no such id; or why there are none. */
export async function rulesOfSet(
  id: string | undefined,
  name: string,
): Promise<LedRules | { readonly problem: string }> {
  const query = new URLSearchParams({ ...(id !== undefined && { id }), set: name })
  const response = await fetch(`/api/rules?${query}`).catch(() => null)
  const body = (await response?.json().catch(() => null)) as (LedRules & { message?: string }) | null
  return response?.ok && body?.rules ? body : { problem: body?.message ?? 'The server cannot be reached.' }
}

/** Takes over what changed in the rules that a set follows, as a step that can be undone. */
async function followAnew(session: Session): Promise<void> {
  const { rules } = session.getState().history.present
  const { follows } = rules
  if (!follows) return
  const leader = await rulesOfSet(follows.id, follows.set)
  if ('problem' in leader) return say({ text: `The rules are to follow “${follows.set}”. ${leader.problem}` })
  // Changes that arrived meanwhile are handled in the next round.
  if (session.getState().history.present.rules !== rules) return
  const known = { ...follows, set: leader.name, id: leader.id }
  const next = followed(leader.rules, { ...rules, follows: known })
  const count = differences(rules, next).length
  if (count === 0 && same(follows, known)) return
  const label =
    count === 0
      ? `Follow ${leader.name}`
      : `Follow ${leader.name}: ${count === 1 ? 'one rule' : `${count} rules`} changed there`
  commit(session, { kind: 'rules', rules: next, renames: [], drawings: 'fitted', isFollowing: true }, label)
  if (count > 0) say({ text: `${label}.`, action: { label: 'Undo', run: () => undoStep(session) } })
}

/** Follows the leader of a set now and whenever it changes; returns the way to stop. */
export function keepFollowing(session: Session): () => void {
  void followAnew(session)
  return hearOf((told) => {
    const { follows } = session.getState().history.present.rules
    if (told.kind === 'set' && follows?.id === told.set) void followAnew(session)
  })
}
