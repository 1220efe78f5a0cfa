'use client'

import { useEffect, useRef, useState } from 'react'
import type { IconSet } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Choice as Words } from '@/ui/choice'
import { Dialog } from '@/ui/dialog'
import { newId } from '@/ui/new-id'
import { type Choice, type ChosenFile, type FoundIcons, Importer, type ReadingProgress } from '@/workers/importer'
import { ALL_TAKEN, ComingIcons, Reading, Said, WAYS } from '../frame/coming-icons'

/** What files would become as icons of a set, under its rules, before anything is stored. */
export function ReadDialog({
  files,
  set,
  onRead,
  onClose,
}: {
  files: readonly ChosenFile[]
  set: IconSet
  onRead: (icons: FoundIcons['icons'], failed: FoundIcons['failed']) => void
  onClose: () => void
}) {
  const [how, setHow] = useState<Choice['how']>('live')
  const [taken, setTaken] = useState(ALL_TAKEN)
  const [progress, setProgress] = useState<ReadingProgress | null>(null)
  const [answer, setAnswer] = useState<{ of: object; how: Choice['how']; found: FoundIcons } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const importer = useRef<Importer | null>(null)
  useEffect(() => {
    const one = new Importer(files, setProgress)
    importer.current = one
    return () => one.end()
  }, [files])
  // Names and ids are looked for anew where the set changed meanwhile.
  useEffect(() => {
    let isWanted = true
    void importer.current?.into(set, newId(), { how, otherwise: [...taken.otherwise] }).then(
      (icons) => {
        if (!isWanted) return
        setProblem(null)
        setAnswer({ of: taken.otherwise, how, found: icons })
      },
      ({ message }: Error) => isWanted && setProblem(message),
    )
    return () => {
      isWanted = false
    }
  }, [files, set, how, taken.otherwise])
  const found = answer?.found ?? null,
    isFresh = answer?.of === taken.otherwise && answer.how === how
  const isLeft = (index: number) => taken.left.has(found!.paths[index]!)
  const icons = found?.icons.filter((_, i) => !isLeft(i)) ?? []
  return (
    <Dialog
      title={`Import ${files.length === 1 ? '1 file' : `${files.length} files`} into ${set.name}`}
      open
      onClose={onClose}
      width={1080}
    >
      {!found ? (
        <Reading progress={progress} count={files.length} problem={problem} />
      ) : (
        <div className="grid h-[56vh] grid-cols-[320px_minmax(0,1fr)]">
          <div className="min-h-0 overflow-y-auto border-r border-hair p-4">
            <div className="flex items-center justify-between gap-2">
              <span className="text-quiet">shapes</span>
              <Words label="Import drawings as" value={how} options={WAYS} onChange={setHow} />
            </div>
            <p className="mt-3 text-quiet">
              Placed on the grid of {set.rules.grid.size} under the rules of {set.name}: matching weights, radii and
              colours refer to the rules. Other values stay as drawn and are listed as snags.
            </p>
            <Said
              title="Not imported"
              tone="fault"
              lines={found.failed.map(({ path, sentence }) => `${path}: ${sentence}`)}
            />
            <Said title="Notes" lines={found.remarks.map(({ icon, sentence }) => `${icon}: ${sentence}`)} />
          </div>
          <ComingIcons
            icons={found.coming}
            grid={set.rules.grid.size}
            remarks={new Map(found.remarks.map(({ icon = '', sentence }) => [icon, sentence]))}
            how={how}
            taken={taken}
            onTaken={setTaken}
          />
        </div>
      )}
      <div className="flex items-center justify-end gap-2 border-t border-hair px-4 py-3">
        {problem !== null && found && (
          <p role="alert" className="flex-1 text-fault">
            {problem}
          </p>
        )}
        <Button onClick={onClose}>Cancel</Button>
        <Button look="strong" disabled={!isFresh || icons.length === 0} onClick={() => onRead(icons, found!.failed)}>
          {icons.length === 1
            ? 'Import 1 icon'
            : icons.length === 0
              ? 'Import nothing'
              : `Import ${icons.length} icons`}
        </Button>
      </div>
    </Dialog>
  )
}
