'use client'

import { Tabs } from 'radix-ui'
import { useDeferredValue, useMemo, useRef } from 'react'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { evaluateAll } from '@/core/drawing/evaluate/evaluate'
import { segmentCount } from '@/core/geometry/path'
import { useBench, useBenchState, useDeferredObjects, useRules } from '../../state/context'
import { HeightEdge } from './drag-edge'
import type { Panel } from './panel'
import { PANELS } from './panels'

/**
 * The table under the square: one row of numbers for each object, and tabs for nodes, colours, references and history.
 */
export function Ledger() {
  const bench = useBench()
  const open = useBenchState((state) => state.panel)
  return (
    <Tabs.Root
      value={open}
      onValueChange={(panel) => bench.store.setState({ panel, ledgerFolded: false })}
      onPointerEnter={() => bench.store.setState(({ ledgerVisits }) => ({ ledgerVisits: ledgerVisits + 1 }))}
      className="relative flex min-h-0 flex-col border-t border-ink bg-sheet"
    >
      <HeightEdge />
      <div className="flex h-[27px] flex-none border-b border-hair">
        <Tabs.List aria-label="Ledger" className="flex flex-none">
          {PANELS.map((panel) => (
            <Tab key={panel.id} panel={panel} />
          ))}
        </Tabs.List>
        <PointerPlace />
        <Result />
      </div>
      {PANELS.map(({ id, Body }) => (
        <Content key={id} id={id} Body={Body} />
      ))}
    </Tabs.Root>
  )
}

const noCount = () => null

function Tab({ panel: { id, word, useCount = noCount } }: { panel: Panel }) {
  const count = useCount()
  return (
    <Tabs.Trigger
      value={id}
      // After a press the keys are the square's again.
      onClick={({ detail, currentTarget }) => detail > 0 && currentTarget.blur()}
      className="flex-none border-r border-hair px-2 py-[5px] whitespace-nowrap text-quiet min-[1180px]:px-3.5 hover:text-ink data-[state=active]:font-[640] data-[state=active]:text-ink data-[state=active]:shadow-[inset_0_2px_var(--ink)]"
    >
      {word}
      {count !== null && ` ${count}`}
    </Tabs.Trigger>
  )
}

function Content({ id, Body }: Pick<Panel, 'id' | 'Body'>) {
  const scroller = useRef<HTMLDivElement>(null)
  return (
    <Tabs.Content ref={scroller} value={id} className="min-h-0 flex-1 overflow-auto outline-none">
      <Body scroller={scroller} />
    </Tabs.Content>
  )
}

/** Where the pointer is on the square, or where a press of it lands. */
function PointerPlace() {
  const pointer = useBenchState((state) => state.pointer)
  return (
    <span className="ml-auto flex-none py-[5px] pl-3 font-mono text-ink">
      {pointer ? `${pointer.x.toFixed(2)}, ${pointer.y.toFixed(2)}` : ''}
    </span>
  )
}

/** A summary of the icon's result, updated when idle. */
function Result() {
  const objects = useDeferredValue(useDeferredObjects())
  const rules = useRules()
  const text = useMemo(() => {
    const shapes = evaluateAll(objects, sceneOf(rules))
    const segments = shapes.reduce((sum, { path }) => sum + segmentCount(path), 0)
    const contours = shapes.reduce((sum, { path }) => sum + path.length, 0)
    return `result: ${segments} segments · ${contours} contour${contours === 1 ? '' : 's'}`
  }, [objects, rules])
  return (
    <p title={text} className="min-w-0 truncate px-3 py-[5px] text-quiet">
      {objects.length > 0 && text}
    </p>
  )
}
