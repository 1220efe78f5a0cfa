'use client'

import '@/ui/theme.css'
import { FaultPage } from '@/screens/frame/fault-page'

/** The page shown when the frame around the pages fails. */
export default function GlobalErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <FaultPage error={error} onAgain={reset} />
      </body>
    </html>
  )
}
