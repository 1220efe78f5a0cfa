'use client'

import { useMemo, useRef } from 'react'
import { rulesForGrid } from '@/core/rules/rules-for-grid'
import type { MasterRule, Rules } from '@/core/rules/rules'
import { useSeen } from '@/ui/in-sight'
import { MenuButton } from '@/ui/menu'
import { softSentence } from '@/core/proof/soft-sizes'
import { useSessionState } from '../session/use-session'
import { useSoftSizes } from '../session/soft-sizes'
import { plainRules } from './draft'
import { Group, type GroupProps, NumberInput, RemoveButton } from './form'
import { WeightSizes } from './weight-sizes'

/** The sizes that are offered for a further master. */
const OFFERED = [16, 20, 32, 48, 64]

/** Further grids that the icons are drawn on, each with weights and radii of its own where those are to differ. */
export function MastersGroup({ draft, onChange, problems }: GroupProps) {
  const masters = draft.masters ?? [],
    rules = useMemo(() => plainRules(draft), [draft])
  const set = (next: readonly MasterRule[]) =>
    onChange({ ...draft, masters: next.length > 0 ? [...next].sort((a, b) => a.base - b.base) : undefined })
  const place = useRef<HTMLDivElement>(null),
    isSeen = useSeen(place)
  const soft = useSoftSizes(
    useSessionState(({ history }) => history.present),
    isSeen,
  ).filter(({ size }) => !masters.some(({ base }) => base === size))
  const problem = [...problems].find(([path]) => path.startsWith('masters'))?.[1]
  const offered = OFFERED.filter((base) => base !== draft.grid.size && !masters.some((one) => one.base === base))
  return (
    <Group title="Masters for further sizes">
      <div ref={place} />
      {masters.length === 0 && (
        <p className="mb-1 text-quiet">
          Every size is drawn on the grid of {draft.grid.size}. A size with a master of its own is derived from it, with
          its edges brought to pixels, and can be tuned by hand.
        </p>
      )}
      {masters.map((master) => (
        <MasterFields
          key={master.base}
          master={master}
          rules={rules}
          onChange={(next) => set(masters.map((one) => (one === master ? next : one)))}
          onRemove={() => set(masters.filter((one) => one !== master))}
        />
      ))}
      {masters.length > 0 && problems.size === 0 && <WeightSizes draft={draft} rules={rules} onChange={onChange} />}
      {soft.length > 0 && <p className="mb-1 text-quiet">{softSentence(soft)}</p>}
      {problem && <p className="mb-1 text-fault">{problem}</p>}
      <MenuButton
        label="Add a master"
        list={offered.map((base) => ({ label: `${base} px`, run: () => set([...masters, { base }]) }))}
      >
        + master
      </MenuButton>
    </Group>
  )
}

/** The numbers of a master; missing ones come from the rules, scaled to its size. */
function MasterFields({
  master,
  rules,
  onChange,
  onRemove,
}: {
  master: MasterRule
  rules: Rules
  onChange: (master: MasterRule) => void
  onRemove: () => void
}) {
  const book = rulesForGrid(rules, master.base)
  const withNumber = (list: 'weights' | 'radii', name: string, value: number) => {
    const others = (master[list] ?? []).filter((one) => one.name !== name)
    onChange({ ...master, [list]: [...others, { name, value }] })
  }
  const isOwn = (list: 'weights' | 'radii', name: string) => master[list]?.some((one) => one.name === name) ?? false
  const isPlain = !master.weights && !master.radii && master.liveArea === undefined
  return (
    <div className="mb-2 border border-hair p-2" role="group" aria-label={`${master.base} master`}>
      <div className="mb-1 flex items-center gap-2">
        <b className="flex-1 font-[640]">{master.base} px</b>
        <label className="flex items-center gap-1 text-quiet">
          <input
            type="checkbox"
            checked={!master.unfitted}
            onChange={({ target }) => {
              const { unfitted: _, ...rest } = master
              onChange(target.checked ? rest : { ...rest, unfitted: true })
            }}
          />
          fit to pixels
        </label>
        {!isPlain && (
          <button
            type="button"
            title="Take everything from the rules again, scaled to this size"
            onClick={() => {
              const { base, unfitted } = master
              onChange({ base, ...(unfitted && { unfitted }) })
            }}
            className="underline hover:text-hand"
          >
            reset
          </button>
        )}
        <RemoveButton label={`Remove the ${master.base} master`} onClick={onRemove} />
      </div>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        {(['weights', 'radii'] as const).flatMap((list) =>
          book[list].map(({ name, value }) => (
            <NumberInput
              key={`${list} ${name}`}
              className={`justify-between [&_input]:!w-14 ${isOwn(list, name) ? '' : '[&_input]:text-quiet'}`}
              label={`${list === 'weights' ? 'Weight' : 'Radius'} ${name} of the ${master.base} master`}
              shown={name}
              value={value}
              step={0.25}
              problem={undefined}
              onChange={(next) => withNumber(list, name, next)}
            />
          )),
        )}
        <NumberInput
          className={`justify-between [&_input]:!w-14 ${master.liveArea === undefined ? '[&_input]:text-quiet' : ''}`}
          label={`Live area of the ${master.base} master`}
          shown="live area"
          value={book.liveArea}
          step={1}
          problem={undefined}
          onChange={(liveArea) => onChange({ ...master, liveArea })}
        />
      </div>
    </div>
  )
}
