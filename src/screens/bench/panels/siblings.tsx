import { useDeferredValue, useMemo, useState } from 'react'
import { likeness } from '@/core/proof/look-alikes'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { Choice } from '@/ui/choice'
import { useTheme } from '@/ui/theme'
import { useFamilyMeasures } from '../../session/family-measures'
import { IconPicture } from '../../frame/icon-picture'
import { useSetBeside } from '../state/context'
import { Heading } from './heading'

/** The largest size, in pixels, of which five stand in this column side by side. */
const WIDE = 32

/** The icon between others of the family at real size: its neighbours, or those that are most like it. */
export function Siblings({ icon, rules }: { icon: Icon; rules: Rules }) {
  const [by, setBy] = useState<'order' | 'likeness'>('order')
  return (
    <section>
      <Heading
        title="Beside its siblings"
        note={
          <Choice
            label="Which siblings"
            value={by}
            options={[
              { value: 'order', label: 'next' },
              { value: 'likeness', label: 'alike' },
            ]}
            onChange={setBy}
          />
        }
      />
      {by === 'order' ? <Neighbours icon={icon} rules={rules} /> : <Alike icon={icon} rules={rules} />}
    </section>
  )
}

/** The icon between its neighbours. */
function Neighbours({ icon, rules }: { icon: Icon; rules: Rules }) {
  const icons = useSetBeside((set) => set.icons)
  const at = icons.findIndex(({ id }) => id === icon.id)
  const size = realSize(rules)
  const row = useMemo(() => {
    const count = Math.min(size > WIDE ? 3 : 5, icons.length)
    const first = Math.max(0, Math.min(at - Math.floor(count / 2), icons.length - count))
    return icons.slice(first, first + count)
  }, [icons, at, size])
  return <Row icons={useDeferredValue(row)} rules={rules} />
}

/** The icon before those that are most like it at 16 pixels. */
function Alike({ icon, rules }: { icon: Icon; rules: Rules }) {
  const set = useSetBeside((one) => one)
  const { siblings, waiting } = useFamilyMeasures(set)
  const row = useMemo(() => {
    const own = siblings.find(({ id }) => id === icon.id)?.balance
    if (!own) return [icon]
    const like = siblings
      .flatMap(({ id, balance }) => (balance && id !== icon.id ? [{ id, by: likeness(own.cover, balance.cover) }] : []))
      .sort((a, b) => b.by - a.by)
      .slice(0, realSize(rules) > WIDE ? 2 : 4)
    return [icon, ...like.flatMap(({ id }) => set.icons.find((one) => one.id === id) ?? [])]
  }, [siblings, icon, set, rules])
  return (
    <>
      <Row icons={row} rules={rules} />
      {waiting > 0 && <p className="px-3 pb-2 text-small text-quiet">{waiting} icons are still being compared.</p>}
    </>
  )
}

function Row({ icons, rules }: { icons: readonly Icon[]; rules: Rules }) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const size = realSize(rules)
  return (
    <div className="flex items-center justify-center gap-4 px-3 pt-1 pb-4">
      {icons.map((sibling) => (
        <IconPicture key={sibling.id} icon={sibling} rules={rules} ground={ground} size={size} label={sibling.name} />
      ))}
    </div>
  )
}
