import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { database } from '@/server/database'
import { readSet } from '@/server/sets'
import { SetProvider } from '@/screens/frame/set-provider'

export const dynamic = 'force-dynamic'

export default async function Layout({ children, params }: { children: ReactNode; params: Promise<{ setId: string }> }) {
  const { setId } = await params
  const stored = await readSet(await database(), setId)
  if (!stored) notFound()
  return (
    <SetProvider key={setId} setId={setId} set={stored.set} revision={stored.revision} writer={stored.writer}>
      {children}
    </SetProvider>
  )
}
