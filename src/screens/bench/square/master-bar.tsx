'use client'

import { useMemo } from 'react'
import type { CoordinateState } from '@/core/rules/fit/coordinate-state'
import type { HeldTie } from '@/core/rules/fit/tie'
import type { Conflict } from '@/core/set/merge'
import { useTheme } from '@/ui/theme'
import { PixelPicture } from '@/ui/pixel-picture'
import { baseIn } from '../state/bench'
import { useBench, useBenchState, useDeferredPlaced, useSetRules, useSlice } from '../state/context'
import { OverSquare } from './layers/over-square'
import { isByHand } from '../operations/pins'
import { byObject, deriveAgain, drawByItself, MASTERS, settle, settledDrawing } from '../operations/masters'

/** How the open master is derived, if it is not the main master, and the buttons to compare or delete it. */
export function MasterBar() {
  const bench = useBench()
  const rules = useSetRules()
  const base = useBenchState(({ master }) => baseIn(rules, master))
  const placed = useDeferredPlaced()
  const { compare, listing, edges, ties } = useSlice(MASTERS)
  const conflicts = useMemo(() => {
    const standing = placed?.standing
    return byObject(standing?.by === 'derivation' ? standing.conflicts : [])
  }, [placed])
  if (!placed || base === rules.grid.size) return null
  const { standing } = placed
  const loss = standing.by === 'derivation' && !standing.isChanged ? standing.losses[0] : undefined
  const toggle = (way: 'overlay' | 'blink') => (
    <Toggle on={compare === way} onPress={() => bench.put(MASTERS, { compare: compare === way ? 'off' : way })}>
      {way}
    </Toggle>
  )
  return (
    <OverSquare
      role="group"
      aria-label={`The ${base} master`}
      className="bottom-2 left-8 max-w-[calc(100%-40px)] border border-hair bg-sheet text-small"
    >
      {listing && conflicts.length > 0 && (
        <ul aria-label="Changed on both sides" className="max-h-[260px] overflow-y-auto border-b border-hair">
          {conflicts.map((some) => (
            <ConflictRow key={some[0]!.object} conflicts={some} main={rules.grid.size} />
          ))}
        </ul>
      )}
      <div className="flex h-7 items-center gap-3 px-2.5 whitespace-nowrap">
        <span>
          {standing.by === 'hand'
            ? 'drawn by itself'
            : standing.isChanged
              ? `changed by hand, follows ${rules.grid.size} in all else`
              : standing.isFitted
                ? `derived from ${rules.grid.size}, fitted to pixels`
                : `derived from ${rules.grid.size}, only scaled`}
        </span>
        {loss && (
          <span className="text-snag" title={`${loss.why} Draw it by hand here, or change the parent.`}>
            ◇ look at {loss.at.x.toFixed(1)}, {loss.at.y.toFixed(1)}
          </span>
        )}
        {conflicts.length > 0 && (
          <button
            type="button"
            aria-expanded={listing}
            onClick={() => bench.put(MASTERS, { listing: !listing })}
            className="text-snag underline hover:text-hand"
          >
            {conflicts.length === 1 ? '1 conflict' : `${conflicts.length} conflicts`}
          </button>
        )}
        {standing.by === 'derivation' && standing.held.length > 0 && (
          <Toggle
            on={edges}
            title="Along the rulers, where edges went: drag one to pin it, press it to let it go"
            onPress={() => bench.put(MASTERS, { edges: !edges })}
          >
            {heldInWords(standing)}
          </Toggle>
        )}
        {standing.by === 'derivation' && edges && standing.ties.length > 0 && (
          <Toggle
            on={ties}
            title="On the square, what relates places: press one to let it go or to hold to it"
            onPress={() => bench.put(MASTERS, { ties: !ties })}
          >
            {tiesInWords(standing.ties)}
          </Toggle>
        )}
        <span className="flex items-center gap-1 border-l border-hair pl-3 text-quiet">
          {rules.grid.size} as {toggle('overlay')}
          {toggle('blink')}
        </span>
        {(standing.by === 'hand' || standing.isChanged || [...standing.held, ...standing.ties].some(isByHand)) && (
          <button type="button" onClick={() => deriveAgain(bench)} className="underline hover:text-hand">
            derive again
          </button>
        )}
        {standing.by === 'derivation' && (
          <button
            type="button"
            title="Changes of the main master no longer reach this one"
            onClick={() => drawByItself(bench)}
            className="underline hover:text-hand"
          >
            draw by itself
          </button>
        )}
      </div>
    </OverSquare>
  )
}

/** A word of the bar that is pressed in or not. */
function Toggle({
  on,
  title,
  onPress,
  children,
}: {
  on: boolean
  title?: string
  onPress: () => void
  children: string
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      title={title}
      onClick={onPress}
      className={on ? 'bg-ink px-1 text-sheet' : 'px-1 underline decoration-dotted hover:text-hand'}
    >
      {children}
    </button>
  )
}

/** How many ties there are, and how many could not be kept. */
function tiesInWords(ties: readonly HeldTie[]): string {
  const missed = ties.filter(({ state }) => state === 'missed').length
  return `${ties.length} ${ties.length === 1 ? 'tie' : 'ties'}${missed > 0 ? `, ${missed} not kept` : ''}`
}

/** How many edges are crisp, gave way, and are as a hand said, ties among these. */
function heldInWords({ held, ties }: { held: readonly CoordinateState[]; ties: readonly HeldTie[] }): string {
  const crisp = held.filter(({ state }) => state === 'crisp').length,
    gave = held.filter(({ state }) => state === 'gave-way').length,
    byHand = [...held, ...ties].filter(isByHand).length

  return [
    `${crisp} of ${held.length} edges crisp`,
    ...(gave > 0 ? [`${gave} gave way`] : []),
    ...(byHand > 0 ? [`${byHand} by hand`] : []),
  ].join(', ')
}

/** An object that was changed here and on the main master: both ways side by side, each to be taken. */
function ConflictRow({ conflicts, main }: { conflicts: readonly Conflict[]; main: number }) {
  const bench = useBench()
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const placed = useDeferredPlaced()
  const ways = useMemo(
    () => (['mine', 'theirs'] as const).map((keep) => ({ keep, drawing: settledDrawing(bench, conflicts, keep) })),
    // What the bench has open decides.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [bench, conflicts, placed],
  )
  return (
    <li className="flex items-center gap-3 border-b border-hair px-2.5 py-1.5 last:border-b-0">
      <span className="min-w-0 flex-1">
        <b className="font-[640]">{conflicts[0]!.name}</b> <span className="text-quiet">{wordsOf(conflicts)}</span>
      </span>
      {ways.map(({ keep, drawing }) => (
        <button
          key={keep}
          type="button"
          onClick={() => settle(bench, conflicts, keep)}
          className="flex items-center gap-1.5 border border-hair px-1.5 py-1 hover:border-ink"
        >
          {drawing && <PixelPicture source={{ ...drawing, ground }} size={32} label="" />}
          <span className="text-left leading-[13px]">
            {keep === 'mine' ? 'keep mine' : `take from ${main}`}
            <br />
            <span className="text-quiet">
              {conflicts.map((one) => figureOf(keep === 'mine' ? one.mine : one.theirs)).join(' ')}
            </span>
          </span>
        </button>
      ))}
    </li>
  )
}

/** Describes a change made on both sides. */
function wordsOf(conflicts: readonly Conflict[]): string {
  const keys = conflicts.map(({ key }) => (key === 'contours' ? 'nodes' : key))
  if (keys.includes('gone')) return 'was deleted there and changed here'
  return `${keys.join(', ')} changed on both sides`
}

const figureOf = (value: unknown): string =>
  typeof value === 'number' ? String(Math.round(value * 100) / 100) : typeof value === 'string' ? value : ''
