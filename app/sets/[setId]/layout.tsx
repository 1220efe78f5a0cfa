import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { database } from '@/server/database/database'
import { nameOfSet } from '@/server/sets'
import { SetProvider } from '@/screens/frame/set-provider'

/**
 * Checks only that the set exists; the page fetches its content itself, so that going back never shows an older state.
 */
export default async function Layout({
  children,
  params,
}: {
  children: ReactNode
  params: Promise<{ setId: string }>
}) {
  const { setId } = await params
  if ((await nameOfSet(await database(), setId)) === null) notFound()
  return (
    <SetProvider key={setId} setId={setId}>
      {children}
    </SetProvider>
  )
}
