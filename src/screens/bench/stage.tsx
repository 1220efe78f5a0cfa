'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { hits } from '@/core/drawing/pick'
import { KIND_NAMES } from '@/core/drawing/fresh'
import { type MenuEntry, RightMenu } from '@/ui/menu'
import { shown } from '../frame/session'
import { useSessionState } from '../frame/set-provider'
import type { Bench } from './bench'
import { useBench, useBenchState, useRules, useShownIcon } from './context'
import { benchMenu } from './commands'
import { fitSquare } from './fit-square'
import { useGestures } from './gestures'
import { Artwork } from './layers/artwork'
import { GridLayer, KeylineLayer, Sheet } from './layers/grid'
import { GuideLayer } from './layers/guides'
import { Overlay } from './layers/overlay'
import { RULER, Rulers } from './layers/rulers'
import { TitleBlock } from './layers/title-block'
import type { ToolId } from './store'
import type { Tool } from './tools/tool'

/** The square and what surrounds it. */
export function Stage({ tools }: { tools: Record<ToolId, Tool> }) {
  const bench = useBench()
  const element = useRef<HTMLDivElement>(null)
  const view = useBenchState((state) => state.view)
  const stage = useBenchState((state) => state.stage)
  const layers = useBenchState((state) => state.layers)
  const tool = useBenchState((state) => state.tool)
  // What the tool says of itself depends on how it lays.
  useBenchState((state) => state.layBy)
  const rules = useRules()
  const icon = useShownIcon((shownIcon) => shownIcon?.name)
  const name = useSessionState((state) => shown(state).name)
  useGestures(bench, tools, element)

  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width: w, height: h } = entry!.contentRect
      const first = bench.store.getState().view === null
      bench.store.setState({ stage: { w, h } })
      if (first) fitSquare(bench)
    })
    observer.observe(element.current!)
    return () => observer.disconnect()
  }, [bench])

  const [menu, setMenu] = useState<readonly MenuEntry[]>([])
  const openMenu = useCallback(
    (event: React.MouseEvent) => {
      const { left, top } = element.current!.getBoundingClientRect()
      const at = bench.store.getState().view!
      setMenu(stageMenu(bench, { x: (event.clientX - left - at.x) / at.scale, y: (event.clientY - top - at.y) / at.scale }))
    },
    [bench],
  )
  const artwork = useMemo(() => <Artwork />, [])

  return (
    <RightMenu list={menu}>
      <div ref={element} data-testid="stage" onContextMenu={openMenu} className="relative touch-none overflow-hidden bg-film select-none" style={{ cursor: tools[tool].cursor }}>
        {view && icon !== undefined && (
          <>
            <Layer stage={stage}>
              <Sheet rules={rules} view={view} />
              {layers.grid && <GridLayer rules={rules} view={view} />}
            </Layer>
            <Layer stage={stage} label={`The square of ${icon}`}>
              <g transform={`translate(${view.x} ${view.y}) scale(${view.scale})`} data-testid="artwork">
                {artwork}
              </g>
            </Layer>
            <Layer stage={stage}>
              <KeylineLayer rules={rules} view={view} layers={layers} />
              {layers.guides && <GuideLayer view={view} size={rules.grid.size} />}
            </Layer>
            <Layer stage={stage}>
              <Overlay view={view} />
            </Layer>
          </>
        )}
        {view && layers.rulers && (
          <Layer stage={stage}>
            <Rulers view={view} stage={stage} />
          </Layer>
        )}
        <p className="pointer-events-none absolute bottom-1.5 max-w-[calc(100%-236px)] truncate text-small text-quiet" style={{ left: layers.rulers ? RULER + 8 : 8 }}>{tools[tool].hint}</p>
        {icon !== undefined && view && <TitleBlock name={icon} set={name} rules={rules} scale={view.scale} />}
      </div>
    </RightMenu>
  )
}

/** One sheet over the others: what changes while the pointer moves is painted apart from what does not. */
function Layer({ stage, label, children }: { stage: { w: number; h: number }; label?: string; children: React.ReactNode }) {
  return (
    <svg width={stage.w} height={stage.h} className="absolute inset-0 will-change-transform" {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}>
      {children}
    </svg>
  )
}

/** Everything under a place, each to be picked, and what can be done with the selection. */
function stageMenu(bench: Bench, p: { x: number; y: number }): MenuEntry[] {
  const found = hits(bench.objects, bench.rules, p, bench.reach)
  const under: MenuEntry[] = found.map(({ object, depth, locked }) => ({
    label: `${' '.repeat(depth * 2)}${object.name}`,
    hint: locked ? 'locked' : KIND_NAMES[object.kind].toLowerCase(),
    disabled: locked,
    run: () => bench.select([object.id]),
  }))
  return [under.length > 0 ? 'Under the pointer' : 'Nothing is under the pointer', ...under, null, ...benchMenu(bench)]
}
