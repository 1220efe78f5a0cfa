'use client'

import '../session/no-eval'
import clsx from 'clsx'
import { useEffect, useEffectEvent, useRef, useState } from 'react'
import { Button } from '@/ui/button'
import { Choice as Words } from '@/ui/choice'
import { Dialog } from '@/ui/dialog'
import { toggled } from '@/ui/toggled'
import { type Choice, type ChosenFile, type Coming, Importer, type ReadingProgress } from '@/workers/importer'
import type { Topic } from '@/core/formats/import/propose'
import { ALL_TAKEN, ComingIcons, Reading, Said, WAYS } from '../frame/coming-icons'

/** Proposals that are not applied without a choice. */
const OFFERED: ReadonlySet<Topic> = new Set(['parts'])

/**
 * What files would become, before anything is stored: their icons, the rules that they follow with how often, and what cannot
 * be read. Icons of several styles become a set each. `onMade` gets the set files and answers why they were not taken, or null.
 */
export function ImportDialog({
  files,
  name: proposed,
  onMade,
  onClose,
}: {
  files: readonly ChosenFile[]
  name: string
  onMade: (files: readonly Blob[]) => Promise<string | null>
  onClose: () => void
}) {
  const [name, setName] = useState(proposed)
  const [how, setHow] = useState<Choice['how']>('live')
  const [style, setStyle] = useState<Choice['style']>(null)
  const [leftStyles, setLeftStyles] = useState<ReadonlySet<string>>(new Set())
  const [taken, setTaken] = useState(ALL_TAKEN)
  const [left, setLeft] = useState<ReadonlySet<Topic>>(OFFERED)
  const [progress, setProgress] = useState<ReadingProgress | null>(null)
  const [coming, setComing] = useState<{ of: string; coming: Coming | null; failed: Coming['failed'] } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [isMaking, setMaking] = useState(false)
  const importer = useRef<Importer | null>(null)
  const choice = (): Choice => ({
    name: name.trim() || 'Icons',
    style,
    how,
    without: [...taken.left],
    left: [...left],
    otherwise: [...taken.otherwise],
  })
  const gather = useEffectEvent((of: string) => {
    const asked = importer.current
    void asked?.gather({ ...choice(), without: [] }).then(
      (found) => {
        setProblem(null)
        setComing({ of, ...found })
      },
      // One that was given up says so too, to nobody.
      ({ message }: Error) => asked === importer.current && setProblem(message),
    )
  })
  useEffect(() => {
    const one = new Importer(files, setProgress)
    importer.current = one
    return () => one.end()
  }, [files])
  const way = `${how} ${style}`,
    key = `${way} ${[...taken.otherwise].join(' ')}`
  useEffect(() => gather(key), [files, key])
  // While one icon is read again the other way, the preview stays in place.
  const shown = coming?.of.startsWith(`${way} `) ? coming : null
  const make = async () => {
    setMaking(true)
    const asked = importer.current!,
      files: Blob[] = []
    const write = async () => {
      for (const one of wanted)
        files.push(await asked.write({ ...choice(), style: one.style, name: nameOf(one.style) }))
      return onMade(files)
    }
    const why = await write().catch(({ message }: Error) => message)
    setMaking(false)
    if (why !== null) setProblem(why)
  }
  const found = shown?.coming
  const remarks = new Map(found?.remarks.map(({ icon = '', sentence }) => [icon, sentence]))
  const styles = found?.styles ?? [],
    seen = style ?? styles[0]?.style ?? null,
    wanted = styles.length > 1 ? styles.filter((one) => !leftStyles.has(one.style)) : styles
  /** The name of the set of a style: the first keeps the name that was typed. */
  const nameOf = (of: string) => (of === wanted[0]?.style ? choice().name : `${choice().name} ${of}`)
  const seenCount = found ? found.icons.filter(({ paths }) => !paths.some((path) => taken.left.has(path))).length : 0
  const count = wanted.reduce((sum, one) => sum + (one.style === seen ? seenCount : one.count), 0)
  return (
    <Dialog
      title={`Import ${files.length === 1 ? '1 file' : `${files.length} files`}`}
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
              autoFocus
              onFocus={({ currentTarget }) => currentTarget.select()}
              value={name}
              maxLength={80}
              onChange={({ target }) => setName(target.value)}
              className="field mt-1 w-full"
            />
            <div className="mt-3 flex items-center justify-between gap-2">
              <span className="text-quiet">shapes</span>
              <Words label="Import drawings as" value={how} options={WAYS} onChange={setHow} />
            </div>
            {found.styles.length > 1 && (
              <StyleTicks
                styles={found.styles}
                seen={seen}
                left={leftStyles}
                nameOf={nameOf}
                onSeen={setStyle}
                onLeft={setLeftStyles}
              />
            )}
            <h3 className="mt-4 font-[640]">Rules found</h3>
            <ul aria-label="Rules found" className="mt-1 border-t border-hair">
              {found.evidence.map(({ topic, what, count: times, of, others }) => (
                <li key={topic} className="border-b border-hair py-1">
                  <span className="flex justify-between gap-3">
                    {topic === 'grid' ? (
                      <span className="pl-5">{what}</span>
                    ) : (
                      <label
                        className={clsx(
                          'flex items-center gap-2',
                          left.has(topic) && (topic === 'parts' ? 'text-quiet' : 'text-quiet line-through'),
                        )}
                      >
                        <input
                          type="checkbox"
                          checked={!left.has(topic)}
                          onChange={() => setLeft(toggled(left, topic))}
                        />
                        {what}
                      </label>
                    )}
                    <span
                      className={clsx(
                        'whitespace-nowrap',
                        times < of && topic !== 'parts' ? 'text-snag' : 'text-quiet',
                      )}
                    >
                      {times} of {of}
                    </span>
                  </span>
                  {others.length > 0 && (
                    <span className="block pl-5 text-small text-quiet">
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
            <p className="mt-1 text-small text-quiet">Other values stay as drawn and are listed as snags.</p>
            <Said
              title="Not imported"
              tone="fault"
              lines={shown.failed.map(({ path, sentence }) => `${path}: ${sentence}`)}
            />
            <Said title="Notes" lines={found.remarks.map(({ icon, sentence }) => `${icon}: ${sentence}`)} />
          </div>
          <ComingIcons
            icons={found.icons}
            grid={found.grid}
            remarks={remarks}
            how={how}
            taken={taken}
            onTaken={setTaken}
          />
        </div>
      ) : (
        <div className="p-4">
          <p className="font-[560]">None of these files can be read.</p>
          <Said title="Why" tone="fault" lines={shown.failed.map(({ path, sentence }) => `${path}: ${sentence}`)} />
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
        <Button
          look="strong"
          disabled={!found || coming?.of !== key || count === 0 || isMaking}
          onClick={() => void make()}
        >
          {isMaking
            ? 'Creating…'
            : `Create ${wanted.length > 1 ? `${wanted.length} sets` : 'a set'} of ${count === 1 ? '1 icon' : `${count} icons`}`}
        </Button>
      </div>
    </Dialog>
  )
}

/** The styles that names of files end in, each a set of its own: which are imported, and which one is shown. */
function StyleTicks({
  styles,
  seen,
  left,
  nameOf,
  onSeen,
  onLeft,
}: {
  styles: Coming['styles']
  seen: Choice['style']
  left: ReadonlySet<string>
  nameOf: (style: string) => string
  onSeen: (style: Choice['style']) => void
  onLeft: (left: ReadonlySet<string>) => void
}) {
  return (
    <fieldset className="mt-3">
      <legend className="text-quiet">Styles, each a set of its own</legend>
      {styles.map(({ style, count }) => (
        <div key={style} className="flex h-6 items-center gap-2">
          <label className="flex flex-none items-center gap-2">
            <input type="checkbox" checked={!left.has(style)} onChange={() => onLeft(toggled(left, style))} />
            {style} {count}
          </label>
          <span className="min-w-0 flex-1 truncate text-small text-quiet">{!left.has(style) && nameOf(style)}</span>
          {style === seen ? (
            <span className="text-small text-quiet">shown</span>
          ) : (
            <button type="button" className="text-small underline hover:text-hand" onClick={() => onSeen(style)}>
              show {style}
            </button>
          )}
        </div>
      ))}
    </fieldset>
  )
}
