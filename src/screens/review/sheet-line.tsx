import { startTransition, useRef } from 'react'
import type { Rules } from '@/core/rules/rules'
import { Choice, Choices } from '@/ui/choice'
import { MenuButton } from '@/ui/menu'
import { type Ground, GROUNDS } from './grounds'
import type { SheetKind } from './sheet-file'
import { type Order, ORDERS, type Sheet, type View, VIEWS } from './use-sheet'
import { VISION_HINTS, VISIONS } from './vision'
import { Words } from './words'

/** The line over the sheet: the reviewed sizes and styles, view choices, and commands for the whole sheet. */
export function SheetLine({
  sheet,
  rules,
  zoom,
  onRealSize,
  onRead,
  onPast,
  onMend,
  onFile,
  onPrint,
}: {
  sheet: Sheet
  rules: Rules
  /** How many screen pixels show one pixel of an icon. */
  zoom: number
  onRealSize: () => void
  onRead: (files: readonly File[]) => void
  onPast: () => void
  onMend: () => void
  onFile: (kind: SheetKind) => void
  onPrint: () => void
}) {
  const {
    view,
    setView,
    sizes,
    setChosenSizes,
    ground,
    setGround,
    order,
    setOrder,
    vision,
    setVision,
    only,
    setOnly,
    sought,
    setSought,
    tag,
    setTag,
    tags,
    releases,
    release,
    setRelease,
  } = sheet
  const input = useRef<HTMLInputElement>(null)
  return (
    <div className="flex min-h-10 flex-wrap content-start items-stretch border-b border-hair bg-sheet text-quiet [&>*]:h-10 min-[1180px]:flex-nowrap">
      <div className="flex h-10 items-center border-r border-hair px-3">
        <Choice<View>
          label="What is reviewed"
          value={view}
          options={(Object.keys(VIEWS) as View[]).map((value) => ({ value, label: VIEWS[value] }))}
          onChange={(next) => startTransition(() => setView(next))}
        />
      </div>
      {view === 'sheet' && (
        <div className="flex h-10 min-w-0 flex-1 items-center overflow-x-auto max-[1179px]:order-last max-[1179px]:basis-full max-[1179px]:border-t max-[1179px]:border-hair [&>*]:flex-none">
          <div className="flex h-full items-center gap-2 border-r border-hair px-2.5">
            <span title="Ctrl and the wheel zoom the sheet">sizes</span>
            <Choices
              label="Sizes"
              value={sizes.map(String)}
              options={rules.sizes.map((size) => ({ value: String(size), label: String(size) }))}
              onChange={(values) => values.length > 0 && setChosenSizes(values.map(Number).sort((a, b) => a - b))}
            />
            {zoom > 1 && (
              <button
                type="button"
                aria-label={`The sheet is zoomed ${zoom} times. Back to real size`}
                title="Back to real size"
                onClick={onRealSize}
                className="text-ink underline hover:text-hand"
              >
                {zoom} ×
              </button>
            )}
          </div>
          <Words
            label="Ground"
            word="on"
            value={ground}
            options={Object.keys(GROUNDS) as Ground[]}
            onChange={setGround}
          />
          <Words
            label="Order of the sheet"
            word="by"
            value={order}
            options={Object.keys(ORDERS) as Order[]}
            names={ORDERS}
            onChange={setOrder}
          />
          <Words
            label="How the sheet is seen"
            word="seen"
            value={vision}
            options={VISIONS}
            hints={VISION_HINTS}
            onChange={setVision}
          />
          <Words label="Icons shown" word="show" value={only} options={['all', 'with snags']} onChange={setOnly} />
          {releases.length > 0 && (
            <Words
              label="Only icons that changed since a release"
              word="since release"
              value={release}
              options={['', ...releases.map(String)]}
              names={{ '': 'any' }}
              onChange={setRelease}
            />
          )}
          {tags.length > 0 && (
            <Words
              label="Only with the tag"
              word="tag"
              value={tag}
              options={['', ...tags]}
              names={{ '': 'any' }}
              onChange={setTag}
            />
          )}
          <input
            type="search"
            aria-label="Find icons by name, other name or tag, or similar drawings"
            title="A name or a tag; “like anchor” finds what is drawn like it"
            placeholder="find"
            value={sought}
            onChange={({ target: { value } }) => setSought(value)}
            className="field mx-2 w-[70px]"
          />
        </div>
      )}
      {view === 'sheet' && (
        <div className="flex h-full flex-none">
          <input
            ref={input}
            type="file"
            accept=".svg,.svgz,.xml,.ttf,.otf,.woff,image/svg+xml"
            multiple
            hidden
            aria-label="SVG files to import into the set"
            onChange={({ target }) => {
              const files = [...(target.files ?? [])]
              target.value = ''
              if (files.length > 0) onRead(files)
            }}
          />
          <button
            type="button"
            title="SVG files as icons of this set, under its rules"
            onClick={() => input.current!.click()}
            className="h-full border-l border-hair px-2 text-ink hover:bg-film"
          >
            Import…
          </button>
          <button
            type="button"
            title="Compare the set with an earlier day"
            onClick={onPast}
            className="h-full border-l border-hair px-2 text-ink hover:bg-film"
          >
            Earlier…
          </button>
          <button
            type="button"
            title="Every known repair, before and after"
            onClick={onMend}
            className="h-full border-l border-hair px-2 text-ink hover:bg-film"
          >
            Mend…
          </button>
          <MenuButton
            label="The sheet as a file"
            className="h-full border-l border-hair px-2 text-ink hover:bg-film"
            list={[
              { label: 'PNG', run: () => onFile('PNG') },
              { label: 'PDF', run: () => onFile('PDF') },
              { label: 'Print …', run: onPrint },
            ]}
          >
            Sheet as…
          </MenuButton>
        </div>
      )}
    </div>
  )
}
