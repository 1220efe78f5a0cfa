import { DeliverScreen } from '@/screens/deliver/deliver-screen'

export default function Page() {
  return <DeliverScreen />
}
