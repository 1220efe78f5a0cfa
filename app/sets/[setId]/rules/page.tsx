import { RulesScreen } from '@/screens/rules/rules-screen'

export default function Page() {
  return <RulesScreen />
}
