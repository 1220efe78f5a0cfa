import Link from 'next/link'
import { TopBar } from '@/screens/frame/top-bar'

export default function NotFound() {
  return (
    <div className="min-h-dvh">
      <TopBar crumb={<span className="text-title font-[640]">Not found</span>} />
      <div className="grid place-items-center pt-[18vh] text-center">
        <p className="text-title font-[640]">There is no such set</p>
        <p className="mt-1 text-quiet">It may have been deleted; deleted sets are at the foot of the shelf.</p>
        <Link href="/" className="mt-3 rounded-sheet border border-ink px-4 py-1 hover:bg-film">
          To the shelf
        </Link>
      </div>
    </div>
  )
}
