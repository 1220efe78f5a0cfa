'use client'

import clsx from 'clsx'
import { useEffect, useMemo, useState } from 'react'
import { type PlannedFile, plannedFiles, proofSvg } from '@/core/formats/delivery'
import type { Rules } from '@/core/rules/rules'
import type { SetEdit } from '@/core/set/edit'
import { PixelPicture } from '@/ui/pixel-picture'
import { SetBar } from '../frame/set-bar'
import { commit } from '../frame/session'
import { useSession, useSessionState } from '../frame/set-provider'
import { CommonCommands } from '../frame/top-bar'

type Options = { readonly svg: boolean; readonly png: boolean }

const FORMATS = [
  { key: 'svg', name: 'SVG', note: 'One file an icon: one viewBox, ink as currentColor, numbers as short as they can be.' },
  { key: 'png', name: 'PNG', note: 'Every delivered size at every density, as the proofs show it.' },
] as const

const STROKES = [
  { key: 'kept', name: 'Keep strokes', note: 'Centre lines with their weight: small, and easy to restyle.' },
  { key: 'outlined', name: 'Outline strokes', note: 'The shapes that strokes paint, circles as arcs: for places that only fill.' },
] as const

/** The choice is kept in the set; what is usual is left out of it. */
function strokesEdit({ strokes: _, ...rules }: Rules, strokes: 'kept' | 'outlined'): SetEdit {
  return { kind: 'rules', rules: strokes === 'kept' ? rules : { ...rules, strokes }, renames: [] }
}

/** What will be written, exactly, and the download. */
export function DeliverScreen() {
  const session = useSession()
  const set = useSessionState(({ history }) => history.present)
  const setId = useSessionState((state) => state.setId)
  const revision = useSessionState((state) => state.revision)
  const saved = useSessionState((state) => state.saving.state === 'saved')
  const [options, setOptions] = useState<Options>({ svg: true, png: true })
  const files = useMemo(() => plannedFiles(set, options), [set, options])
  const query = `svg=${options.svg ? 1 : 0}&png=${options.png ? 1 : 0}`
  const sizes = useSizes(saved && files.length > 0 ? `/api/sets/${setId}/delivery/plan?${query}&rev=${revision}` : null)
  const total = sizes ? [...sizes.values()].reduce((sum, bytes) => sum + bytes, 0) : null
  return (
    <div className="grid h-dvh min-w-[1024px] grid-cols-[360px_minmax(0,1fr)] grid-rows-[44px_minmax(0,1fr)] overflow-hidden">
      <CommonCommands />
      <SetBar />
      <aside className="flex flex-col border-r border-ink bg-sheet">
        <section aria-label="Formats" className="border-b border-hair px-4 py-3">
          <h2 className="mb-1 font-[640]">Formats</h2>
          {FORMATS.map(({ key, name, note }) => (
            <label key={key} className="flex gap-3 border-t border-hair py-2 first-of-type:border-0">
              <input type="checkbox" checked={options[key]} onChange={(event) => setOptions({ ...options, [key]: event.target.checked })} className="mt-0.5 self-start accent-(--ink)" />
              <span>
                <span className="block font-[560]">{name}</span>
                <span className="block text-quiet">{note}</span>
              </span>
            </label>
          ))}
        </section>
        <section aria-label="Strokes" className="border-b border-hair px-4 py-3">
          <h2 className="mb-1 font-[640]">Strokes</h2>
          {STROKES.map(({ key, name, note }) => (
            <label key={key} className="flex gap-3 border-t border-hair py-2 first-of-type:border-0">
              <input type="radio" name="strokes" checked={(set.rules.strokes ?? 'kept') === key} onChange={() => commit(session, strokesEdit(set.rules, key), name)} className="mt-0.5 self-start accent-(--ink)" />
              <span>
                <span className="block font-[560]">{name}</span>
                <span className="block text-quiet">{note}</span>
              </span>
            </label>
          ))}
        </section>
        <section aria-label="Sizes" className="border-b border-hair px-4 py-3">
          <h2 className="mb-1 font-[640]">From the rules</h2>
          <p className="text-quiet">sizes {set.rules.sizes.join(', ')} · densities {set.rules.densities.map((density) => `${density}×`).join(', ')}</p>
        </section>
        <div className="mt-auto border-t border-ink px-4 py-3">
          <p role="status" className="mb-2 text-quiet">
            {files.length === 0 ? nothing(set.icons.length, options) : `${files.length} files${total === null ? ', weighing…' : `, ${size(total)}`}`}
          </p>
          <a
            href={files.length > 0 && saved ? `/api/sets/${setId}/delivery?${query}` : undefined}
            aria-disabled={files.length === 0 || !saved}
            download
            className={clsx('flex h-8 items-center justify-center rounded-sheet border text-lead', files.length > 0 && saved ? 'border-ink bg-ink text-sheet hover:border-hand hover:bg-hand hover:text-white' : 'border-hair bg-hair text-quiet')}
          >
            Download as a zip
          </a>
          <p className="mt-2 text-small text-quiet">
            The same from a terminal:
            <code className="block font-mono whitespace-nowrap">bin/wise-square deliver FILE --to DIR</code>
          </p>
        </div>
      </aside>
      <main aria-label="Files" className="min-h-0 overflow-y-auto bg-film p-4">
        <FileTree name={set.name} files={files} sizes={sizes} svgOf={(file) => proofSvg(file.icon, set.rules)} />
      </main>
    </div>
  )
}

function nothing(icons: number, { svg, png }: Options): string {
  if (icons === 0) return 'There is no icon to deliver yet.'
  return svg || png ? 'There is nothing to write.' : 'Choose at least one format.'
}

/** The size of every file in bytes, once the server has made them; null until then. */
function useSizes(url: string | null): ReadonlyMap<string, number> | null {
  const [answer, setAnswer] = useState<{ url: string; sizes: ReadonlyMap<string, number> } | null>(null)
  useEffect(() => {
    if (!url) return
    const abort = new AbortController()
    fetch(url, { signal: abort.signal })
      .then((response) => response.json() as Promise<{ files: { path: string; bytes: number }[] }>)
      .then(({ files }) => setAnswer({ url, sizes: new Map(files.map(({ path, bytes }) => [path, bytes])) }))
      .catch(() => undefined)
    return () => abort.abort()
  }, [url])
  return answer?.url === url ? answer.sizes : null
}

/** Files by folder, each with a thumbnail and its size. */
function FileTree({ name, files, sizes, svgOf }: { name: string; files: readonly PlannedFile[]; sizes: ReadonlyMap<string, number> | null; svgOf: (file: PlannedFile) => string }) {
  const ordered = useMemo(() => {
    const folders = new Map<string, PlannedFile[]>()
    for (const file of files) {
      const folder = file.path.slice(0, file.path.lastIndexOf('/'))
      folders.set(folder, [...(folders.get(folder) ?? []), file])
    }
    return [...folders].sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
  }, [files])
  return (
    <div className="max-w-[860px]">
      <h2 className="mb-2 text-title font-[640]">{name}.zip</h2>
      {ordered.map(([folder, list]) => (
        <details key={folder} open={folder === 'svg' || ordered.length < 4} className="mb-2 border border-hair bg-sheet">
          <summary className="flex cursor-default items-baseline gap-3 px-3 py-1.5 hover:bg-faint">
            <span className="font-mono font-[560]">{folder}/</span>
            <span className="text-quiet">
              {list.length} files{sizes && `, ${size(list.reduce((sum, { path }) => sum + (sizes.get(path) ?? 0), 0))}`}
            </span>
          </summary>
          <ul className="border-t border-hair">
            {list.map((file) => (
              <li key={file.path} className="flex h-8 items-center gap-3 border-b border-faint px-3 last:border-0">
                <span className="grid size-6 place-items-center" style={{ background: '#fbfcfb' }}>
                  <PixelPicture svg={svgOf(file)} size={24} label="" />
                </span>
                <span className="flex-1 font-mono text-small">{file.path.slice(folder.length + 1)}</span>
                {file.format === 'png' && <span className="text-quiet">{file.pixels} px</span>}
                <span className="w-16 text-right text-quiet">{sizes?.has(file.path) ? size(sizes.get(file.path)!) : ''}</span>
              </li>
            ))}
          </ul>
        </details>
      ))}
    </div>
  )
}

function size(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`
  return bytes < 1e6 ? `${(bytes / 1000).toFixed(1)} kB` : `${(bytes / 1e6).toFixed(1)} MB`
}
