'use client'

import { useEffect, useState } from 'react'
import { differences, followed } from '@/core/rules/follow'
import { say } from '@/ui/notice'
import { rulesOfSet } from '../frame/following'
import { useSessionState } from '../frame/set-provider'
import { draftOf, plainRules } from './draft'
import { Group, type GroupProps } from './form'

/** The set whose rules these follow, and what is their own all the same. */
export function FollowGroup({ draft, onChange }: GroupProps) {
  const name = useSessionState(({ history }) => history.present.name)
  const [names, setNames] = useState<readonly string[]>([])
  useEffect(() => {
    let isWanted = true
    void fetch('/api/rules')
      .then((response) => response.json() as Promise<string[]>)
      .then((all) => isWanted && setNames(all))
      .catch(() => undefined)
    return () => {
      isWanted = false
    }
  }, [])
  const { follows } = draft
  const others = [...new Set([...names, ...(follows ? [follows.set] : [])])].filter((one) => one !== name)

  const follow = async (set: string) => {
    if (set === '') {
      const { follows: _, ...rest } = draft
      return onChange(rest)
    }
    const leader = await rulesOfSet(set)
    if ('problem' in leader) return say({ text: leader.problem, tone: 'fault' })
    if (leader.follows?.set === name) return say({ text: `“${set}” follows this set already.`, tone: 'fault' })
    onChange({ ...draft, follows: { set, own: differences(leader, plainRules(draft)).sort() } })
  }
  const followAgain = async (key: string) => {
    if (!follows) return
    const leader = await rulesOfSet(follows.set)
    if ('problem' in leader) return say({ text: leader.problem, tone: 'fault' })
    const own = follows.own.filter((one) => one !== key)
    onChange(draftOf(followed(leader, { ...plainRules(draft), follows: { ...follows, own } })))
  }
  if (others.length === 0) return null
  return (
    <Group title="Follows">
      <label className="flex items-center justify-between gap-3">
        <span className="text-quiet">the rules of</span>
        <select
          aria-label="Set whose rules these follow"
          value={follows?.set ?? ''}
          onChange={({ target }) => void follow(target.value)}
          className="h-6 min-w-0 flex-1 border border-hair bg-sheet px-1"
        >
          <option value="">no other set</option>
          {others.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
      {follows && (
        <p className="mt-1.5 text-quiet">
          {follows.own.length === 0
            ? 'Everything is as it is there, and changes with it.'
            : 'All else changes with it. Its own here:'}
        </p>
      )}
      {follows && follows.own.length > 0 && (
        <ul aria-label="What is its own" className="mt-1 flex flex-wrap gap-1">
          {follows.own.map((key) => (
            <li key={key} className="flex items-center border border-hand/60 text-small">
              <span className="px-1">{key.replace('/', ' ')}</span>
              <button
                type="button"
                aria-label={`Let ${key.replace('/', ' ')} follow again`}
                title={`As in ${follows.set} again`}
                onClick={() => void followAgain(key)}
                className="border-l border-hair px-1 text-quiet hover:text-hand"
              >
                ×
              </button>
            </li>
          ))}
        </ul>
      )}
    </Group>
  )
}
