'use client'

import clsx from 'clsx'
import { basesOf } from '@/core/rules/rules-for-grid'
import { masterOn, type Standing } from '@/core/set/masters'
import { MenuButton } from '@/ui/menu'
import { baseIn } from '../state/bench'
import { useBench, useBenchState, useDeferredIcon, useSetRules } from '../state/context'
import { addMaster, OFFERED, openMaster } from '../operations/masters'

/** The grids of the set as tabs of the icon, with a mark at those that were changed by hand. */
export function MasterTabs() {
  const bench = useBench()
  const rules = useSetRules()
  const icon = useDeferredIcon()
  const open = useBenchState(({ master }) => baseIn(rules, master))
  const bases = basesOf(rules)
  const offered = OFFERED.filter((base) => !bases.includes(base))
  if (!icon) return null
  return (
    <div className="flex items-center gap-1">
      <span className="text-quiet">/</span>
      <div role="tablist" aria-label="Masters" className="flex">
        {bases.map((base) => {
          const { standing } = masterOf(base)
          return (
            <button
              key={base}
              type="button"
              role="tab"
              aria-selected={base === open}
              title={titleOf(base, standing, base === rules.grid.size)}
              onClick={() => openMaster(bench, base)}
              className={clsx(
                'relative h-6 min-w-8 border-y border-r border-hair px-2 first:border-l',
                base === open ? 'border-ink bg-ink text-sheet' : 'text-quiet hover:bg-film hover:text-ink',
              )}
            >
              {base}
              <Mark standing={standing} />
            </button>
          )
        })}
      </div>
      {offered.length > 0 && (
        <MenuButton
          label="Derive masters for a further size"
          list={offered.map((base) => ({ label: `Derive ${base} px masters`, run: () => addMaster(bench, base) }))}
        >
          +
        </MenuButton>
      )}
      {bases.length === 1 && <span className="text-quiet">master</span>}
    </div>
  )

  /** Only masters with stored changes are examined for a mark; no other master is derived for it. */
  function masterOf(base: number): { standing: Standing } {
    const isKept = icon!.masters.some((one) => one.base === base)
    return isKept || base === open
      ? masterOn(icon!, rules, base)
      : {
          standing: {
            by: 'derivation',
            isFitted: true,
            losses: [],
            held: [],
            ties: [],
            isChanged: false,
            conflicts: [],
          },
        }
  }
}

function titleOf(base: number, standing: Standing, isMain: boolean): string {
  if (isMain) return `The ${base} master, which the others are derived from`
  if (standing.by === 'hand') return `The ${base} master, drawn by itself`
  if (standing.conflicts.length > 0) return `The ${base} master: changed by hand, and the main one changed there too`
  return standing.isChanged ? `The ${base} master, changed by hand` : `The ${base} master, derived`
}

function Mark({ standing }: { standing: Standing }) {
  if (standing.by === 'derivation' && standing.conflicts.length > 0)
    return <span aria-hidden className="absolute top-[2px] right-[2px] size-[5px] rotate-45 bg-snag" />
  if (standing.by === 'derivation' ? standing.isChanged : !standing.isMain)
    return <span aria-hidden className="absolute top-[2px] right-[2px] size-1 rounded-full bg-hand" />
  return null
}
