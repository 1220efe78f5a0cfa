import { differences, followed } from '@/core/rules/follow'
import type { Rules } from '@/core/rules/rules'
import { say } from '@/ui/notice'
import { commit, type Session, undoStep } from './session'

/** The rules of a set on the shelf, or why there are none. */
export async function rulesOfSet(name: string): Promise<Rules | { readonly problem: string }> {
  const response = await fetch(`/api/rules?set=${encodeURIComponent(name)}`).catch(() => null)
  const body = (await response?.json().catch(() => null)) as (Rules & { message?: string }) | null
  return response?.ok && body ? body : { problem: body?.message ?? 'The server cannot be reached.' }
}

/** Takes over what changed in the rules that a set follows, as a step that can be undone. */
export async function followAnew(session: Session): Promise<void> {
  const { rules } = session.getState().history.present
  if (!rules.follows) return
  const leader = await rulesOfSet(rules.follows.set)
  if ('problem' in leader) return say({ text: `The rules are to follow “${rules.follows.set}”. ${leader.problem}` })
  // What was changed meanwhile is looked at the next time.
  if (session.getState().history.present.rules !== rules) return
  const next = followed(leader, rules)
  const count = differences(rules, next).length
  if (count === 0) return
  const label = `Follow ${rules.follows.set}: ${count === 1 ? 'one rule' : `${count} rules`} changed there`
  commit(session, { kind: 'rules', rules: next, renames: [], drawings: 'fitted', isFollowing: true }, label)
  say({ text: `${label}.`, action: { label: 'Undo', run: () => undoStep(session) } })
}
