'use client'

import { differences, followed } from '@/core/rules/follow'
import { say } from '@/ui/notice'
import { useFetched } from '@/ui/use-fetched'
import { type Leader, rulesOfSet } from '../session/following'
import { useSessionState } from '../session/use-session'
import { draftOf, plainRules } from './draft'
import { Group, type GroupProps } from './form'

/** The followed set, and the keys that are the set's own. */
export function FollowGroup({ draft, onChange }: GroupProps) {
  const own = useSessionState(({ setId }) => setId)
  const { value } = useFetched(own, async (signal) => {
    const response = await fetch('/api/rules', { signal })
    return (await response.json()) as readonly Leader[]
  })
  const sets = value ?? []
  const { follows } = draft
  const others = sets.filter(({ id }) => id !== own)
  const led = follows && (others.find(({ id }) => id === follows.id) ?? others.find(({ name }) => name === follows.set))
  const isGone = follows !== undefined && !led

  const follow = async (id: string) => {
    if (id === '') {
      const { follows: _, ...rest } = draft
      return onChange(rest)
    }
    const leader = await rulesOfSet(id, others.find((one) => one.id === id)?.name ?? '')
    if ('problem' in leader) return say({ text: leader.problem, tone: 'fault' })
    if (leader.rules.follows?.id === own)
      return say({ text: `“${leader.name}” follows this set already.`, tone: 'fault' })
    const differing = differences(leader.rules, plainRules(draft)).sort()
    onChange({ ...draft, follows: { set: leader.name, id, own: differing } })
  }
  const followAgain = async (keys: readonly string[]) => {
    if (!follows) return
    const leader = await rulesOfSet(follows.id, follows.set)
    if ('problem' in leader) return say({ text: leader.problem, tone: 'fault' })
    const kept = follows.own.filter((one) => !keys.includes(one))
    onChange(draftOf(followed(leader.rules, { ...plainRules(draft), follows: { ...follows, own: kept } })))
  }
  if (others.length === 0 && !follows) return null
  return (
    <Group title="Follows">
      <label className="flex items-center justify-between gap-3">
        <span className="text-quiet">the rules of</span>
        <select
          aria-label="Set whose rules these follow"
          value={led?.id ?? (isGone ? 'gone' : '')}
          onChange={({ target }) => void follow(target.value)}
          className="field flex-1"
        >
          <option value="">no other set</option>
          {isGone && (
            <option value="gone" disabled>
              {follows.set} (not on the shelf)
            </option>
          )}
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {follows && (
        <p className="mt-1.5 text-quiet">
          {follows.own.length === 0
            ? 'All rules are taken from there and change with it.'
            : 'Own rules here; all others change with it:'}
        </p>
      )}
      {follows && follows.own.length > 0 && (
        <ul aria-label="Own rules" className="mt-1 flex flex-wrap gap-1">
          {follows.own.map((key) => (
            <li key={key} className="flex items-center border border-hand/60 text-small">
              <span className="px-1">{key.replace('/', ' ')}</span>
              <button
                type="button"
                aria-label={`Let ${key.replace('/', ' ')} follow again`}
                title={`As in ${follows.set} again`}
                onClick={() => void followAgain([key])}
                className="border-l border-hair px-1 text-quiet hover:text-hand"
              >
                ×
              </button>
            </li>
          ))}
        </ul>
      )}
      {follows && follows.own.length > 1 && (
        <button
          type="button"
          title={`Everything as in ${follows.set}`}
          onClick={() => void followAgain(follows.own)}
          className="mt-1.5 h-6 border border-hair px-2 hover:border-ink"
        >
          Let all {follows.own.length} follow
        </button>
      )}
    </Group>
  )
}
