import { useEffect } from 'react'
import { z } from 'zod'
import { NAMES, WIDEST_NAMES } from '../../state/ledger'
import type { Bench } from '../../state/bench'

const KEY = 'wise-square ledger'

/** The part of the ledger's layout that is kept in this browser. */
const Layout = z.object({
  ledgerHeight: z.number().min(96).max(4000).nullable(),
  ledgerFolded: z.boolean(),
  nameWidth: z.number().min(NAMES).max(WIDEST_NAMES),
})

/** Restores the ledger's layout from this browser, and keeps every change of it. Without storage nothing is remembered. */
export function useRemembered({ store }: Bench): void {
  useEffect(() => {
    try {
      const kept = Layout.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null'))
      if (kept.success) store.setState(kept.data)
    } catch {
      // A browser that forbids storage, or a text that is not JSON.
    }
    return store.subscribe((now, before) => {
      const { ledgerHeight, ledgerFolded, nameWidth } = now
      const isSame =
        ledgerHeight === before.ledgerHeight && ledgerFolded === before.ledgerFolded && nameWidth === before.nameWidth
      if (isSame) return
      try {
        localStorage.setItem(KEY, JSON.stringify({ ledgerHeight, ledgerFolded, nameWidth }))
      } catch {
        // As above.
      }
    })
  }, [store])
}
