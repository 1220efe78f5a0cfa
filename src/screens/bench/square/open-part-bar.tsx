'use client'

import { useSessionState } from '../../session/use-session'
import { shown } from '../../session/session'
import { useBench, useBenchState, useSlice } from '../state/context'
import { OverSquare } from './layers/over-square'
import { openMaster } from '../operations/masters'
import { closeUnchanged, openedIn, PARTS } from '../operations/parts'

/**
 * Which part is open to be edited, in whatever icon: a frame around the square with the ways to end that. A part that was
 * left open in another icon is said as well.
 */
export function OpenPartBar() {
  const bench = useBench()
  const here = useBenchState(({ icon }) => icon)
  const { open: left } = useSlice(PARTS)
  const found = useSessionState((state) => {
    const { icons } = shown(state)
    const own = icons.find(({ id }) => id === here) ?? icons[0]
    const other = left && icons.find(({ id }) => id === left.icon)
    return (own && openedIn(own)) ?? (other && openedIn(other)) ?? null
  })
  if (!found) return null
  const { icon, base, group } = found
  const isHere = icon.id === (bench.icon?.id ?? null)
  const there = () => {
    bench.open(icon.id)
    openMaster(bench, base)
    bench.store.setState({ scope: group.id, selection: new Set() })
  }
  const ways: readonly (readonly [string, () => void])[] = [
    ...(isHere ? [] : [['go there', there] as const]),
    [
      'done',
      () => {
        there()
        bench.put(PARTS, { asking: { putBack: group.id } })
      },
    ],
    [
      'cancel',
      () => {
        there()
        closeUnchanged(bench, group.id)
      },
    ],
  ]
  return (
    <>
      {isHere && <div aria-hidden className="pointer-events-none absolute inset-0 z-[3] border-2 border-hand" />}
      <OverSquare
        role="group"
        aria-label={`The part ${group.opened.part} is open`}
        className="top-[28px] left-1/2 flex h-7 -translate-x-1/2 items-center gap-3 border border-hand bg-sheet px-2.5 text-small whitespace-nowrap"
      >
        <span>
          part <b className="font-[640]">{group.opened.part}</b> is open{!isHere && ` in ${icon.name}`}
        </span>
        {ways.map(([word, run]) => (
          <button key={word} type="button" onClick={run} className="underline hover:text-hand">
            {word}
          </button>
        ))}
      </OverSquare>
    </>
  )
}
