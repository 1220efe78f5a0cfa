'use client'

import { usePathname } from 'next/navigation'
import { Button } from '@/ui/button'

/**
 * The page of an unexpected error: the reason and the ways on. Drawings are stored; the set can still be downloaded.
 */
export function FaultPage({ error, onAgain }: { error: Error; onAgain: () => void }) {
  const setId = /^\/sets\/([^/]+)/.exec(usePathname() ?? '')?.[1]
  return (
    <main className="grid min-h-dvh place-items-center bg-film p-8">
      <div role="alert" className="w-[520px] rounded-sheet border border-ink bg-sheet p-5 text-lead">
        <h1 className="text-title font-[640]">This page could not be shown</h1>
        <p className="mt-2 text-quiet">What you drew is stored. The page stopped with this message:</p>
        <p className="mt-2 border-l-2 border-fault pl-3 font-mono text-small break-words">{error.message}</p>
        <div className="mt-4 flex gap-2">
          <Button look="strong" onClick={onAgain}>
            Try again
          </Button>
          {/* A whole load of the page: what failed may be in what is loaded. */}
          {setId && (
            <a
              className="flex h-7 items-center rounded-sheet border border-ink px-3"
              href={`/api/sets/${setId}/file`}
              download
            >
              Export the set file
            </a>
          )}
          <a className="flex h-7 items-center rounded-sheet border border-ink px-3" href="/">
            To the shelf
          </a>
        </div>
      </div>
    </main>
  )
}
