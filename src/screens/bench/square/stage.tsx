'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { wordOf } from '@/core/drawing/objects/object'
import { hits } from '@/core/drawing/evaluate/pick'
import { inKeys, useKeyboard } from '@/ui/keys'
import { type MenuEntry, RightMenu } from '@/ui/menu'
import { useTheme } from '@/ui/theme'
import { shown } from '../../session/session'
import { useSessionState } from '../../session/use-session'
import type { Bench } from '../state/bench'
import { useBench, useBenchState, useRules, useShownIcon } from '../state/context'
import { benchMenu } from '../commands/commands'
import { fitSquare, isFitted } from '../operations/fit-square'
import { useGestures } from './gestures'
import { Artwork } from './layers/artwork'
import { DifferenceLayer, ReferenceLayer } from './layers/references'
import { OutlineArtwork, PixelArtwork, TintedArtwork } from './layers/seeing'
import { laySvg } from '../operations/lay-svg'
import { addPictures } from '../operations/references'
import { GridLayer, KeylineLayer, Sheet } from './layers/grid'
import { GuideLayer } from './layers/guides'
import { KeylineName } from './layers/keyline-name'
import { Overlay } from './layers/overlay'
import { Rulers } from './layers/rulers'
import { TitleBlock } from './layers/title-block'
import type { Tools } from '../tools/tool'
import { ComparedMaster, useBlinked } from './compared-master'
import { toGrid } from '../state/view'

/** The square and what surrounds it. */
export function Stage({ tools }: { tools: Tools }) {
  const bench = useBench()
  const element = useRef<HTMLDivElement>(null)
  const view = useBenchState((state) => state.view)
  const stage = useBenchState((state) => state.stage)
  const layers = useBenchState((state) => state.layers)
  const tool = useBenchState((state) => state.tool)
  const seeing = useBenchState((state) => state.seeing)
  const seenPixels = useBenchState((state) => state.seenPixels)
  const also = useBenchState((state) => state.also)
  const rulerPixels = useBenchState((state) => state.rulerPixels)
  const bare = useBenchState((state) => state.bare)
  const keyboard = useKeyboard()
  const hinted = useBenchState((state) => state.hinted)
  const rules = useRules()
  const icon = useShownIcon((shownIcon) => shownIcon?.name)
  const name = useSessionState((state) => shown(state).name)
  useGestures(bench, tools, element)

  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width: w, height: h } = entry!.contentRect
      // If the whole square was visible, it stays so.
      const isWhole = isFitted(bench)
      bench.store.setState({ stage: { w, h } })
      if (isWhole) fitSquare(bench)
    })
    observer.observe(element.current!)
    return () => observer.disconnect()
  }, [bench])

  const [menu, setMenu] = useState<readonly MenuEntry[]>([])
  const openMenu = useCallback(
    (event: React.MouseEvent) => {
      const { left, top } = element.current!.getBoundingClientRect()
      const at = bench.store.getState().view!
      setMenu(
        stageMenu(bench, { x: (event.clientX - left - at.x) / at.scale, y: (event.clientY - top - at.y) / at.scale }),
      )
    },
    [bench],
  )
  const isBlinked = useBlinked()
  const artwork = useMemo(() => <Artwork />, [])
  const marks = !bare
  const theme = useTheme()
  const ground = also.darkSquare ? (theme === 'night' ? 'day' : 'night') : undefined

  return (
    <RightMenu list={menu}>
      <div
        ref={element}
        data-testid="stage"
        onContextMenu={openMenu}
        onDragOver={(event) => event.dataTransfer.types.includes('Files') && event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          const { left, top } = event.currentTarget.getBoundingClientRect()
          const at = view && toGrid(view, { x: event.clientX - left, y: event.clientY - top })
          // SVG becomes objects; with Alt it is a picture to draw by, as all others are.
          const isDrawing = (file: File) => /\.svg$/i.test(file.name) && !event.altKey
          const files = [...event.dataTransfer.files]
          for (const file of files.filter(isDrawing))
            void file.text().then((text) => laySvg(bench, text, file.name, at))
          const pictures = files.filter((file) => !isDrawing(file))
          if (pictures.length > 0) void addPictures(bench, pictures)
        }}
        className="relative touch-none overflow-hidden bg-theme select-none"
        style={{ cursor: tools[tool]!.cursor }}
      >
        {view && icon !== undefined && (
          <>
            <Layer stage={stage} theme={ground}>
              <Sheet rules={rules} view={view} />
              {marks && layers.grid && <GridLayer rules={rules} view={view} />}
            </Layer>
            {marks && layers.references && (
              <Layer stage={stage}>
                <ReferenceLayer over={false} view={view} />
              </Layer>
            )}
            <Layer stage={stage} label={`The square of ${icon}`} theme={ground}>
              <g
                transform={`translate(${view.x} ${view.y}) scale(${view.scale})`}
                data-testid="artwork"
                display={seeing === 'pixels' || isBlinked ? 'none' : undefined}
              >
                {seeing === 'outline' ? <OutlineArtwork /> : seeing === 'tints' ? <TintedArtwork /> : artwork}
              </g>
              {isBlinked && <ComparedMaster view={view} as="artwork" />}
            </Layer>
            {seeing === 'pixels' && (
              <PixelArtwork
                view={view}
                ground={(ground ?? theme) === 'night' ? 'dark' : 'light'}
                size={seenPixels !== null && rules.sizes.includes(seenPixels) ? seenPixels : rules.sizes[0]!}
              />
            )}
            {marks && <DifferenceLayer view={view} />}
            {marks && layers.references && (
              <Layer stage={stage}>
                <ReferenceLayer over view={view} />
              </Layer>
            )}
            <Layer stage={stage}>
              <ComparedMaster view={view} as="outline" />
            </Layer>
            {marks && (
              <Layer stage={stage} theme={ground}>
                {layers.grid && <GridLayer rules={rules} view={view} over />}
                <KeylineLayer rules={rules} view={view} layers={layers} />
                {layers.keylines && <KeylineName view={view} />}
                {layers.guides && <GuideLayer view={view} size={rules.grid.size} />}
              </Layer>
            )}
            {marks && hinted === tool && view.x > HINT && <ToolHint text={inKeys(tools[tool]!.hint, keyboard)} />}
            {marks && (
              <Layer stage={stage}>
                <Overlay view={view} tools={tools} />
              </Layer>
            )}
          </>
        )}
        {view && layers.rulers && (
          <Layer stage={stage}>
            <Rulers view={view} stage={stage} unit={rulerPixels === null ? 1 : rules.grid.size / rulerPixels} />
          </Layer>
        )}
        {icon !== undefined && view && <TitleBlock name={icon} set={name} rules={rules} view={view} stage={stage} />}
      </div>
    </RightMenu>
  )
}

/** The room beside the square that a hint needs, in pixels. */
const HINT = 206

/** What the tool just taken does, in the corner of the stage until its first press. */
function ToolHint({ text }: { text: string }) {
  return (
    <ul
      aria-hidden
      className="pointer-events-none absolute bottom-2 left-8 z-[2] max-w-[168px] border border-hair bg-sheet/90 px-1.5 py-1 text-small text-quiet"
    >
      {text.split(' · ').map((part) => (
        <li key={part}>{part}</li>
      ))}
    </ul>
  )
}

/** One sheet over the others: what changes while the pointer moves is painted apart from what does not. */
function Layer({
  stage,
  label,
  theme,
  children,
}: {
  stage: { w: number; h: number }
  label?: string
  theme?: string | undefined
  children: React.ReactNode
}) {
  return (
    <svg
      width={stage.w}
      height={stage.h}
      data-theme={theme}
      className="absolute inset-0 will-change-transform"
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
    >
      {children}
    </svg>
  )
}

/** Everything under a place, each to be picked, and what can be done with the selection. */
function stageMenu(bench: Bench, p: { x: number; y: number }): MenuEntry[] {
  const found = hits(bench.objects, bench.scene, p, bench.reach)
  const under: MenuEntry[] = found.map(({ object, depth, locked }) => ({
    label: `${' '.repeat(depth * 2)}${object.name}`,
    hint: locked ? 'locked' : wordOf(object.kind).toLowerCase(),
    disabled: locked,
    run: () => bench.select([object.id]),
  }))
  return [
    under.length > 0 ? 'Under the pointer' : 'Nothing lies under the pointer',
    ...under,
    null,
    ...benchMenu(bench),
  ]
}
