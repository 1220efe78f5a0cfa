import { BenchScreen } from '@/screens/bench/bench-screen'

export default async function Page({ params }: { params: Promise<{ icon?: string[] }> }) {
  const name = (await params).icon?.[0]
  return <BenchScreen iconName={name === undefined ? null : decodeURIComponent(name)} />
}
