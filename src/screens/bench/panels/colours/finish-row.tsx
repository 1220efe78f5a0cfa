'use client'

import { useMemo } from 'react'
import { styledWithin } from '@/core/drawing/edit/paint'
import { isShared } from '@/core/drawing/model/style'
import { outermost } from '@/core/drawing/objects/tree'
import type { Rules } from '@/core/rules/rules'
import { Chip } from '@/ui/chip'
import { useSessionState } from '../../../session/use-session'
import { useBench, useBenchState, useDeferredObjects } from '../../state/context'
import { ChoiceCell, Line, SEVERAL } from '../../cells/value-cell'
import { cssPaint } from '../../operations/paint-words'
import { shareFinish, sharersOf, takeFinish } from '../../operations/shared-finishes'

/** Whether the selection has a finish of its own or shares one, and with how many others. */
export function FinishRow({ rules }: { rules: Rules }) {
  const bench = useBench()
  const objects = useDeferredObjects()
  const selection = useBenchState((state) => state.selection)
  const set = useSessionState((state) => state.history.present)
  const names = styledWithin(outermost(objects, selection)).map(({ style }) => (isShared(style) ? style.finish : null))
  const name = names.every((one) => one === names[0]) ? (names[0] ?? null) : SEVERAL
  const shared = typeof name === 'string' ? name : null
  const sharers = useMemo(() => shared && sharersOf(set, shared), [set, shared])
  const finishes = rules.finishes ?? []
  const text = name === SEVERAL ? 'several' : (name ?? 'its own')
  return (
    <div className="flex h-[25px] flex-none items-center border-b border-faint pr-2 pl-3">
      <span className="w-[38px] flex-none">finish</span>
      <div className="min-w-0 flex-1">
        <ChoiceCell label={`finish of the selection: ${text}`} shown={text}>
          <Line current={name === null} onChoose={() => takeFinish(bench, null)}>
            its own
          </Line>
          {finishes.map((one) => (
            <Line key={one.name} current={one.name === name} onChoose={() => takeFinish(bench, one.name)}>
              <Chip paint={cssPaint(one.style.fill, rules)} /> <Chip paint={cssPaint(one.style.stroke, rules)} />{' '}
              <span className="flex-1">{one.name}</span>
            </Line>
          ))}
          <Line current={false} onChoose={() => shareFinish(bench)}>
            share this finish under a new name
          </Line>
        </ChoiceCell>
      </div>
      {sharers && (
        <span
          className="flex-none text-quiet"
          title={`Shared by ${count(sharers.objects, 'object')} in ${count(sharers.icons, 'icon')}; what is changed here changes in all of them`}
        >
          on {sharers.objects}
        </span>
      )}
    </div>
  )
}

const count = (n: number, word: string): string => `${n} ${n === 1 ? word : `${word}s`}`
