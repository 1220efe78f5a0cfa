'use client'

import { FaultPage } from '@/screens/frame/fault-page'

/** What a page shows when it fails: what can still be done. */
export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return <FaultPage error={error} onAgain={reset} />
}
