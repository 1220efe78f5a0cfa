import { redirect } from 'next/navigation'

export default async function Page({ params }: { params: Promise<{ setId: string }> }) {
  redirect(`/sets/${(await params).setId}/draw`)
}
