import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { database } from '@/server/database/database'
import { nameOfSet } from '@/server/sets'
import { SetProvider } from '@/screens/frame/set-provider'

/**
 * Only whether the set is there is asked here; what is in it is fetched by the page itself, so that going back never
 * shows an older state.
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
