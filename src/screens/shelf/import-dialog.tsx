'use client'

import clsx from 'clsx'
import { useEffect, useEffectEvent, useRef, useState } from 'react'
import { Button } from '@/ui/button'
import { Choice as Words } from '@/ui/choice'
import { Dialog } from '@/ui/dialog'
import { CrossedOut, PixelPicture } from '@/ui/pixel-picture'
import { useTheme } from '@/ui/theme'
import { VirtualGrid } from '@/ui/virtual-grid'
import { type Choice, type ChosenFile, type Coming, Importer, type ReadingProgress } from '@/workers/importer'

/** How many sentences of one list are shown; a folder may have thousands. */
const SAID = 200

/**
 * What files would become, before anything is stored: their icons, the rules that they follow with how often, and what cannot
 * be read. `onMade` gets the text of a set file and answers why it was not taken, or null.
 */
export function ImportDialog({
  files,
  name: proposed,
  onMade,
  onClose,
}: {
  files: readonly ChosenFile[]
  name: string
  onMade: (text: string) => Promise<string | null>
  onClose: () => void
}) {
  const [name, setName] = useState(proposed)
  const [how, setHow] = useState<Choice['how']>('live')
  const [style, setStyle] = useState<Choice['style']>(null)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [progress, setProgress] = useState<ReadingProgress | null>(null)
  const [coming, setComing] = useState<{ of: string; coming: Coming | null; failed: Coming['failed'] } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [isMaking, setMaking] = useState(false)
  const importer = useRef<Importer | null>(null)
  const choice = (): Choice => ({ name: name.trim() || 'Icons', style, how, without: [...left] })
  const gather = useEffectEvent((of: string) => {
    void importer.current?.gather({ ...choice(), without: [] }).then((found) => setComing({ of, ...found }))
  })
  useEffect(() => {
    const one = new Importer(files, setProgress, (why) => {
      setProblem(why)
      setMaking(false)
    })
    importer.current = one
    return () => one.end()
  }, [files])
  const key = `${how} ${style}`
  useEffect(() => gather(key), [files, key])
  const shown = coming?.of === key ? coming : null
  const make = async () => {
    setMaking(true)
    const text = await importer.current!.write(choice())
    const why = await onMade(text)
    setMaking(false)
    if (why !== null) setProblem(why)
  }
  const found = shown?.coming
  const remarks = new Map(found?.remarks.map(({ icon, text }) => [icon, text]))
  const count = found ? found.icons.filter(({ paths }) => !paths.some((path) => left.has(path))).length : 0
  return (
    <Dialog
      title={`Read ${files.length === 1 ? 'a file' : `${files.length} files`}`}
      open
      onClose={onClose}
      width={1080}
    >
      {!shown ? (
        <Reading progress={progress} count={files.length} problem={problem} />
      ) : found ? (
        <div className="grid h-[56vh] grid-cols-[360px_minmax(0,1fr)]">
          <div className="min-h-0 overflow-y-auto border-r border-hair p-4">
            <label className="block text-quiet" htmlFor="import-name">
              Name of the set
            </label>
            <input
              id="import-name"
              value={name}
              maxLength={80}
              onChange={({ target }) => setName(target.value)}
              className="mt-1 h-7 w-full rounded-sheet border border-ink px-2"
            />
            <div className="mt-3 flex items-center justify-between gap-2">
              <span className="text-quiet">shapes</span>
              <Words
                label="How drawings are taken over"
                value={how}
                options={[
                  { value: 'live', label: 'as live as can be' },
                  { value: 'drawn', label: 'as drawn' },
                ]}
                onChange={setHow}
              />
            </div>
            {found.styles.length > 1 && (
              <div className="mt-2 flex items-center justify-between gap-2">
                <span className="text-quiet">style</span>
                <select
                  aria-label="Style that is read"
                  value={style ?? found.styles[0]!.style}
                  onChange={({ target }) => setStyle(target.value as Choice['style'])}
                  className="h-6 border border-hair bg-sheet px-1"
                >
                  {found.styles.map((one) => (
                    <option key={one.style} value={one.style}>
                      {one.style}, {one.count} icons
                    </option>
                  ))}
                </select>
              </div>
            )}
            <h3 className="mt-4 font-[640]">Rules that they follow</h3>
            <ul aria-label="Rules that they follow" className="mt-1 border-t border-hair">
              {found.evidence.map(({ what, count: times, of, others }) => (
                <li key={what} className="border-b border-hair py-1">
                  <span className="flex justify-between gap-3">
                    <span>{what}</span>
                    <span className={clsx('whitespace-nowrap', times < of ? 'text-snag' : 'text-quiet')}>
                      {times} of {of}
                    </span>
                  </span>
                  {others.length > 0 && (
                    <span className="block text-small text-quiet">
                      {others
                        .map(
                          (one) =>
                            `${one.what} (${one.icons.slice(0, 2).join(', ')}${one.icons.length > 2 ? ', …' : ''})`,
                        )
                        .join(' · ')}
                    </span>
                  )}
                </li>
              ))}
            </ul>
            <p className="mt-1 text-small text-quiet">What is otherwise stays as it is, and is a snag to be mended.</p>
            <Said
              title="Not read"
              tone="fault"
              lines={shown.failed.map(({ path, problem: why }) => `${path}: ${why}`)}
            />
            <Said title="To know" lines={found.remarks.map(({ icon, text }) => `${icon}: ${text}`)} />
          </div>
          <VirtualGrid
            label="Icons to come"
            count={found.icons.length}
            width={104}
            height={Math.min(64, Math.max(24, found.grid)) + 40}
            className="min-h-0 overflow-y-auto bg-film"
            cell={(index) => (
              <Cell
                icon={found.icons[index]!}
                side={Math.min(64, Math.max(16, found.grid))}
                remark={remarks.get(found.icons[index]!.name)}
                isLeft={found.icons[index]!.paths.some((path) => left.has(path))}
                onToggle={(paths, isIn) => {
                  const next = new Set(left)
                  for (const path of paths)
                    if (isIn) next.delete(path)
                    else next.add(path)
                  setLeft(next)
                }}
              />
            )}
          />
        </div>
      ) : (
        <div className="p-4">
          <p className="font-[560]">Nothing of this can be read.</p>
          <Said title="Why" tone="fault" lines={shown.failed.map(({ path, problem: why }) => `${path}: ${why}`)} />
        </div>
      )}
      <div className="flex items-center justify-end gap-2 border-t border-hair px-4 py-3">
        {problem !== null ? (
          <p role="alert" className="flex-1 text-fault">
            {problem}
          </p>
        ) : (
          shown && (
            <p className="flex-1 text-quiet">
              {[
                shown.failed.length > 0 && `${shown.failed.length} of the files cannot be read`,
                remarks.size > 0 &&
                  `◇ ${remarks.size === 1 ? 'one icon has' : `${remarks.size} icons have`} something to know`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </p>
          )
        )}
        <Button onClick={onClose}>Cancel</Button>
        <Button look="strong" disabled={!found || count === 0 || isMaking} onClick={() => void make()}>
          {isMaking
            ? 'Making…'
            : count === 1
              ? 'Make a set of one icon'
              : count === 0
                ? 'Make a set'
                : `Make a set of ${count} icons`}
        </Button>
      </div>
    </Dialog>
  )
}

/** How far reading is, and about how long it still takes. */
function Reading({
  progress,
  count,
  problem,
}: {
  progress: ReadingProgress | null
  count: number
  problem: string | null
}) {
  const share = progress ? progress.done / progress.of : 0
  const seconds = progress ? Math.ceil(progress.left / 1000) : null
  return (
    <div className="p-4" role="status">
      <div className="h-1 bg-faint">
        <div className="h-1 bg-hand" style={{ width: `${100 * share}%` }} />
      </div>
      <p className="mt-2 text-quiet">
        {problem ??
          (progress
            ? `${progress.done} of ${progress.of} files read${seconds !== null && seconds > 1 ? `, about ${seconds} seconds left` : ''}…`
            : `Reading ${count === 1 ? 'one file' : `${count} files`}…`)}
      </p>
    </div>
  )
}

/** A list of sentences with its title; nothing where there is none. */
function Said({ title, lines, tone }: { title: string; lines: readonly string[]; tone?: 'fault' }) {
  if (lines.length === 0) return null
  return (
    <section aria-label={title} className="mt-4">
      <h3 className="font-[640]">
        {title} <span className="font-[400] text-quiet">{lines.length}</span>
      </h3>
      <ul className={clsx('mt-1 text-small', tone === 'fault' ? 'text-fault' : 'text-quiet')}>
        {lines.slice(0, SAID).map((line, i) => (
          <li key={i} className="border-t border-hair py-0.5 break-words">
            {line}
          </li>
        ))}
        {lines.length > SAID && <li className="border-t border-hair py-0.5">and {lines.length - SAID} more</li>}
      </ul>
    </section>
  )
}

/** An icon to come, which may be left out. */
function Cell({
  icon: { name, paths, svg },
  side,
  remark,
  isLeft,
  onToggle,
}: {
  icon: Coming['icons'][number]
  side: number
  remark: string | undefined
  isLeft: boolean
  onToggle: (paths: readonly string[], isIn: boolean) => void
}) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  return (
    <label
      title={[paths.join(', '), remark].filter(Boolean).join('\n')}
      className={clsx(
        'flex h-full cursor-pointer flex-col items-center gap-1.5 px-1 py-2 hover:bg-sheet',
        isLeft && 'opacity-40',
      )}
    >
      {svg ? (
        <PixelPicture source={{ svg: svg[ground] }} size={side} label={name} />
      ) : (
        <CrossedOut problem="It cannot be drawn." label={name} style={{ width: side, height: side }} />
      )}
      <span className="flex max-w-full items-center gap-1 text-small">
        <input
          type="checkbox"
          aria-label={`Take ${name}`}
          checked={!isLeft}
          onChange={({ target }) => onToggle(paths, target.checked)}
          className="size-3 accent-hand"
        />
        <span className="truncate">{name}</span>
        {remark && <span className="text-snag">◇</span>}
      </span>
    </label>
  )
}
