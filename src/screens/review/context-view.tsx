'use client'

import { useMemo, useState } from 'react'
import type { Rules } from '@/core/rules/rules'
import type { Icon, IconSet } from '@/core/set/set'
import { Choice } from '@/ui/choice'
import { IconPicture } from '../frame/icon-picture'
import { TurnedPicture } from '../frame/turned-picture'

type Ground = {
  readonly color: string
  readonly text: string
  readonly line: string
  readonly palette: 'light' | 'dark'
}
const DAY: Ground = { color: '#fbfcfb', text: '#14231f', line: '#dfe6e3', palette: 'light' }
const NIGHT: Ground = { color: '#14231f', text: '#e8efec', line: '#33423d', palette: 'dark' }

/** Icons where they are used: in a row of tools, a list, a bar of tabs and on a home screen, by day and by night. */
export function ContextView({ set, chosen }: { set: IconSet; chosen: readonly Icon[] }) {
  const icons = useMemo(() => {
    const first = chosen.length > 0 ? chosen : set.icons
    return [...first, ...set.icons.filter((icon) => !first.includes(icon))]
  }, [set, chosen])
  const isApp = set.kind === 'app'
  const [direction, setDirection] = useState<'ltr' | 'rtl'>('ltr')
  const family = direction === 'rtl' ? set.icons : null
  return (
    <main className="min-h-0 overflow-y-auto bg-film p-5">
      <div className="mb-3 flex items-center justify-between gap-4">
        <p className="text-quiet">
          {chosen.length > 0 ? 'The selected icons come first.' : 'Select icons on the sheet to see them here first.'}
        </p>
        <Choice
          label="Direction of text"
          value={direction}
          options={[
            { value: 'ltr', label: 'left to right' },
            { value: 'rtl', label: 'right to left' },
          ]}
          onChange={setDirection}
        />
      </div>
      <div dir={direction} className="grid grid-cols-2 gap-5">
        {[DAY, NIGHT].map((ground) => (
          <div key={ground.palette} className="grid content-start gap-5">
            {!isApp && <Toolbar icons={icons} rules={set.rules} ground={ground} family={family} />}
            {!isApp && <List icons={icons} rules={set.rules} ground={ground} family={family} />}
            {!isApp && <Tabs icons={icons} rules={set.rules} ground={ground} family={family} />}
            <Home icons={icons} rules={set.rules} ground={ground} family={family} side={isApp ? 64 : 32} />
          </div>
        ))}
      </div>
    </main>
  )
}

type Props = {
  readonly icons: readonly Icon[]
  readonly rules: Rules
  readonly ground: Ground
  /** All icons of the set, where text runs from right to left; null where it does not. */
  readonly family: readonly Icon[] | null
}

/** An icon mirrored as its text direction asks. */
const Shown = ({ family, ...props }: React.ComponentProps<typeof IconPicture> & Pick<Props, 'family'>) =>
  family ? <TurnedPicture {...props} family={family} /> : <IconPicture {...props} />

function Panel({ title, ground, children }: { title: string; ground: Ground; children: React.ReactNode }) {
  return (
    <figure>
      <figcaption className="mb-1 text-small text-quiet">{title}</figcaption>
      <div
        className="overflow-hidden border"
        style={{ background: ground.color, color: ground.text, borderColor: ground.line }}
      >
        {children}
      </div>
    </figure>
  )
}

function Toolbar({ icons, rules, ground, family }: Props) {
  return (
    <Panel title="A row of tools, 20 px" ground={ground}>
      <div className="flex h-11 items-center gap-1 px-2">
        {icons.slice(0, 11).map((icon, i) => (
          <span
            key={icon.id}
            className="grid size-9 place-items-center"
            style={i === 2 ? { background: ground.line } : undefined}
          >
            <Shown family={family} icon={icon} rules={rules} ground={ground.palette} size={20} label={icon.name} />
          </span>
        ))}
      </div>
      <div className="border-t px-4 py-3 text-small opacity-70" style={{ borderColor: ground.line }}>
        {icons
          .slice(0, 3)
          .map(({ name }) => name.replaceAll(/[-_]/g, ' '))
          .join(' · ')}
      </div>
    </Panel>
  )
}

function List({ icons, rules, ground, family }: Props) {
  return (
    <Panel title="A list, 16 px" ground={ground}>
      <ul>
        {icons.slice(0, 6).map((icon, i) => (
          <li
            key={icon.id}
            className="flex h-8 items-center gap-2.5 border-b px-3 last:border-b-0"
            style={{ borderColor: ground.line }}
          >
            <Shown family={family} icon={icon} rules={rules} ground={ground.palette} size={16} label="" />
            <span className="flex-1 truncate">{icon.name.replaceAll(/[-_]/g, ' ')}</span>
            <span dir="auto" className="text-small opacity-60">
              {['now', '10 min', '25 min', '1 h', '2 h', 'later'][i]}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  )
}

function Tabs({ icons, rules, ground, family }: Props) {
  return (
    <Panel title="A bar of tabs, 24 px" ground={ground}>
      <div className="flex justify-around px-2 pt-2 pb-1.5">
        {icons.slice(0, 5).map((icon, i) => (
          <span key={icon.id} className="flex w-16 flex-col items-center gap-1" style={{ opacity: i === 0 ? 1 : 0.6 }}>
            <Shown family={family} icon={icon} rules={rules} ground={ground.palette} size={24} label="" />
            <span className="max-w-full truncate text-small">{icon.name.replaceAll(/[-_]/g, ' ')}</span>
          </span>
        ))}
      </div>
    </Panel>
  )
}

function Home({ icons, rules, ground, family, side }: Props & { side: number }) {
  return (
    <Panel title={`A home screen, ${side} px`} ground={ground}>
      <div className="grid grid-cols-4 justify-items-center gap-x-2 gap-y-4 px-4 py-4">
        {icons.slice(0, 8).map((icon) => (
          <span key={icon.id} className="flex flex-col items-center gap-1.5">
            <span
              className="grid size-16 place-items-center"
              style={side < 64 ? { background: ground.line, borderRadius: 14 } : undefined}
            >
              <Shown family={family} icon={icon} rules={rules} ground={ground.palette} size={side} label={icon.name} />
            </span>
            <span className="max-w-[72px] truncate text-small">{icon.name.replaceAll(/[-_]/g, ' ')}</span>
          </span>
        ))}
      </div>
    </Panel>
  )
}
