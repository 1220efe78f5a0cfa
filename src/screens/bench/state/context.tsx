'use client'

import { createContext, useContext, useDeferredValue } from 'react'
import { useStore } from 'zustand'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { roughly } from '@/core/drawing/model/values'
import { rulesForGrid } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import { masterOn } from '@/core/set/masters'
import type { Icon, IconSet, Master } from '@/core/set/set'
import { shown } from '../../session/session'
import { useSessionState } from '../../session/use-session'
import { baseIn, type Bench } from './bench'
import { readSlice, type Slice } from './slice'
import type { BenchState } from './store'

export const BenchContext = createContext<Bench | null>(null)

export function useBench(): Bench {
  const bench = useContext(BenchContext)
  if (!bench) throw new Error('There is no bench here.')
  return bench
}

export const useBenchState = <T,>(select: (state: BenchState) => T): T => useStore(useBench().store, select)

/** What a tool or a panel keeps. */
export const useSlice = <S extends object>(slice: Slice<S>): S => useBenchState((state) => readSlice(slice, state))

/** The open icon of a set: the first where it is no longer there, null where there is none. */
export const iconIn = ({ icons }: Pick<IconSet, 'icons'>, open: string | null): Icon | null =>
  icons.find(({ id }) => id === open) ?? icons[0] ?? null

/** A value read from the visible open icon, with the edit in hand (null in an empty set); renders only on change. */
export function useShownIcon<T>(read: (icon: Icon | null) => T): T {
  const open = useBenchState(({ icon }) => icon)
  return useSessionState((state) => read(iconIn(shown(state), open)))
}

/** A value read from the visible open master. */
export function useShownMaster<T>(read: (master: Master | null) => T): T {
  const open = useBenchState(({ icon }) => icon)
  const base = useBenchState(({ master }) => master)
  return useSessionState((state) => {
    const set = shown(state),
      icon = iconIn(set, open)
    return read(icon && masterOn(icon, set.rules, baseIn(set.rules, base)).master)
  })
}

/** The open master for panels, deferred. */
export function useDeferredMaster(): Master | null {
  return useDeferredPlaced()?.master ?? null
}

/** The open master for panels with its origin, deferred. */
export function useDeferredPlaced() {
  const open = useBenchState(({ icon }) => icon)
  const base = useBenchState(({ master }) => master)
  return useDeferredSet((set) => {
    const icon = iconIn(set, open)
    return icon && masterOn(icon, set.rules, baseIn(set.rules, base))
  })
}

/** The open icon for panels: an edit in hand arrives with a delay. */
export function useDeferredIcon(): Icon | null {
  const open = useBenchState(({ icon }) => icon)
  return useDeferredSet((set) => iconIn(set, open))
}

/** Selects from the set shown beside the square, which follows the square's by one task. */
export const useSetBeside = <T,>(read: (set: IconSet) => T): T =>
  useStore(useBench().deferred.beside, ({ set }) => read(set))

/** Selects from the set shown under the square; during a drag it is rendered in pieces, between pointer moves. */
export function useDeferredSet<T>(read: (set: IconSet) => T): T {
  const { store } = useBench().deferred
  const live = useStore(store, ({ set }) => read(set))
  const inHand = useStore(store, (state) => state.inHand)
  const deferred = useDeferredValue(live)
  return inHand ? deferred : live
}

const NONE: readonly DrawingObject[] = []

/** The objects of the open icon as drawn on the square. */
export const useShownObjects = (): readonly DrawingObject[] => useShownMaster((master) => master?.objects ?? NONE)

/** The objects of the open icon as listed under the square. */
export function useDeferredObjects(): readonly DrawingObject[] {
  return useDeferredMaster()?.objects ?? NONE
}

/** The rules on the grid of the open master. */
export function useRules(): Rules {
  const base = useBenchState(({ master }) => master)
  return useSessionState((state) => {
    const { rules } = shown(state)
    return rulesForGrid(rules, baseIn(rules, base))
  })
}

/** The same for values drawn at each pointer move: coarser during a drag. */
export function usePreviewRules(): Rules {
  const rules = useRules()
  return useSessionState(({ preview }) => preview !== null) ? roughly(rules) : rules
}

/** The rules of the set. */
export const useSetRules = (): Rules => useSessionState((state) => shown(state).rules)
