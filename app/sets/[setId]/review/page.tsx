import { ReviewScreen } from '@/screens/review/review-screen'

export default function Page() {
  return <ReviewScreen />
}
