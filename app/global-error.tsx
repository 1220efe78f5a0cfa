'use client'

import '@/ui/theme.css'
import { FaultPage } from '@/screens/frame/fault-page'

/** What is shown when not even the frame around the pages can be. */
export default function GlobalErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <FaultPage error={error} onAgain={reset} />
      </body>
    </html>
  )
}
