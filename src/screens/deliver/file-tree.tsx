'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { ChevronRight, FileText } from 'lucide-react'
import clsx from 'clsx'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { PlannedFile as Planned } from '@/core/targets/plan'
import type { Icon } from '@/core/set/set'
import type { Rules } from '@/core/rules/rules'
import { observeRect } from '@/ui/observe-rect'
import { IconPicture } from '../frame/icon-picture'

type PlannedFile = Planned<Icon>

/** Bytes by path, once they are known. */
export type Sizes = ReadonlyMap<string, number>

type Folder = {
  readonly folder: string
  readonly files: readonly PlannedFile[]
  /** Whose files lie in it. */
  readonly targets: ReadonlySet<string>
}
type OpenFolder = Folder & { readonly open: boolean }
type Row = OpenFolder | { readonly file: PlannedFile; readonly folder: string }

/** The height of a row in pixels. */
const ROW = 32

/** Files by folder, each with a thumbnail and its size; only the rows in sight are there. */
export function FileTree({
  name,
  files,
  sizes,
  rules,
  target,
}: {
  name: string
  files: readonly PlannedFile[]
  sizes: Sizes | null
  rules: Rules
  /** The target that is pointed at: its folders are marked, and the first comes into sight. */
  target: string
}) {
  const folders = useMemo(() => foldersOf(files), [files])
  const [switched, setSwitched] = useState<ReadonlySet<string>>(new Set())
  // A few folders are open to begin with, of many only the first kind.
  const isOpen = (folder: string) => (folder === 'svg' || folders.length < 4) !== switched.has(folder)
  const rows = folders.flatMap((one): Row[] => {
    const { folder, files } = one,
      open = isOpen(folder)
    return [{ ...one, open }, ...(open ? files.map((file) => ({ file, folder })) : [])]
  })
  const scroller = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    observeElementRect: observeRect,
    estimateSize: () => ROW,
    overscan: 6,
    initialRect: { width: 0, height: 700 },
  })
  const { scrollToIndex } = virtual
  const first = rows.findIndex((row) => 'files' in row && row.targets.has(target))
  // The pointed-at file is chosen outside the tree, by a click or a key.
  useEffect(() => {
    if (first >= 0) scrollToIndex(first, { align: 'start' })
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when another target is pointed at
  }, [target, scrollToIndex])
  const toggle = (folder: string) =>
    setSwitched((before) => {
      const next = new Set(before)
      if (!next.delete(folder)) next.add(folder)
      return next
    })
  return (
    <div className="flex h-full max-w-[860px] flex-col">
      <h2 className="mb-2 text-title font-[640]">{name}.zip</h2>
      <div
        ref={scroller}
        tabIndex={0}
        role="group"
        aria-label="Files of the delivery"
        className="min-h-0 flex-1 overflow-y-auto border border-hair bg-sheet"
      >
        <div role="tree" aria-label={`${name}.zip`} className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = rows[index]!
            return (
              <div
                key={'file' in row ? row.file.path : row.folder}
                className="absolute inset-x-0"
                style={{ top: start, height: ROW }}
              >
                {'file' in row ? (
                  <FileRow file={row.file} folder={row.folder} bytes={sizes?.get(row.file.path)} rules={rules} />
                ) : (
                  <FolderRow
                    row={row}
                    sizes={sizes}
                    isPointedAt={row.targets.has(target)}
                    onToggle={() => toggle(row.folder)}
                  />
                )}
              </div>
            )
          })}
        </div>
      </div>
    </div>
  )
}

function FolderRow({
  row: { folder, files, open },
  sizes,
  isPointedAt,
  onToggle,
}: {
  row: OpenFolder
  sizes: Sizes | null
  isPointedAt: boolean
  onToggle: () => void
}) {
  return (
    <button
      type="button"
      role="treeitem"
      aria-level={1}
      aria-expanded={open}
      aria-selected={false}
      onClick={onToggle}
      className={clsx(
        'flex h-full w-full items-center gap-2 border-b border-l-2 border-b-hair bg-film px-2 text-left hover:bg-faint',
        isPointedAt ? 'border-l-ink' : 'border-l-transparent',
      )}
    >
      <ChevronRight size={12} aria-hidden className={open ? 'rotate-90' : ''} />
      <span className="font-mono font-[560]">{folder}/</span>
      <span className="text-quiet">
        {files.length} {files.length === 1 ? 'file' : 'files'}
        {sizes && `, ${bytesInWords(files.reduce((sum, { path }) => sum + (sizes.get(path) ?? 0), 0))}`}
      </span>
    </button>
  )
}

function FileRow({
  file,
  folder,
  bytes,
  rules,
}: {
  file: PlannedFile
  folder: string
  bytes: number | undefined
  rules: Rules
}) {
  return (
    <div
      role="treeitem"
      aria-level={2}
      aria-selected={false}
      className="flex h-full items-center gap-3 border-b border-faint px-3"
    >
      <span className="grid size-6 flex-none place-items-center" style={{ background: '#fbfcfb' }}>
        {file.icon ? (
          <IconPicture icon={file.icon} rules={rules} ground="light" size={24} label="" />
        ) : (
          <FileText size={16} aria-hidden className="text-quiet" />
        )}
      </span>
      <span className="min-w-0 flex-1 truncate font-mono text-small">{file.path.slice(folder.length + 1)}</span>
      {file.made.as === 'raster' && <span className="text-quiet">{file.made.picture.pixels} px</span>}
      <span className="w-16 flex-none text-right text-quiet">{bytes === undefined ? '' : bytesInWords(bytes)}</span>
    </div>
  )
}

function foldersOf(files: readonly PlannedFile[]): Folder[] {
  const folders = new Map<string, PlannedFile[]>()
  for (const file of files) {
    const folder = file.path.slice(0, file.path.lastIndexOf('/'))
    const list = folders.get(folder)
    if (list) list.push(file)
    else folders.set(folder, [file])
  }
  return [...folders]
    .sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
    .map(([folder, list]) => ({ folder, files: list, targets: new Set(list.map(({ target }) => target)) }))
}

export function bytesInWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`
  return bytes < 1e6 ? `${(bytes / 1000).toFixed(1)} kB` : `${(bytes / 1e6).toFixed(1)} MB`
}
