'use client'

import { createContext, useContext } from 'react'
import { useStore } from 'zustand'
import type { DrawingObject } from '@/core/drawing/object'
import { drawing, type Icon } from '@/core/set/set'
import { shown } from '../frame/session'
import { useSessionState } from '../frame/set-provider'
import type { Bench } from './bench'
import type { BenchState } from './store'

export const BenchContext = createContext<Bench | null>(null)

export function useBench(): Bench {
  const bench = useContext(BenchContext)
  if (!bench) throw new Error('There is no bench here.')
  return bench
}

export const useBenchState = <T,>(select: (state: BenchState) => T): T => useStore(useBench().store, select)

/** The open icon as it is shown, the edit in hand included; null in an empty set. */
export function useShownIcon(): Icon | null {
  const open = useBenchState(({ icon }) => icon)
  return useSessionState((state) => {
    const { icons } = shown(state)
    return icons.find(({ id }) => id === open) ?? icons[0] ?? null
  })
}

const NONE: readonly DrawingObject[] = []

/** The objects of the open icon as they are shown. */
export function useShownObjects(): readonly DrawingObject[] {
  const icon = useShownIcon()
  return icon ? drawing(icon) : NONE
}

export const useRules = () => useSessionState((state) => shown(state).rules)
