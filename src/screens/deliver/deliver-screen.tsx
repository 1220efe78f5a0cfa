'use client'

import { useMemo, useState } from 'react'
import { withFixedCodes } from '@/core/targets/font/codes'
import { withOptions } from '@/core/targets/options'
import { targetsOf } from '@/core/targets/plan'
import { TARGETS } from '@/core/targets/targets'
import type { Delivery } from '@/core/set/settings'
import { Choice } from '@/ui/choice'
import { SetBar } from '../frame/set-bar'
import { commit, record, settled } from '../session/session'
import { useSession, useSessionState } from '../session/use-session'
import { CommonCommands } from '../frame/top-bar'
import { FileTree } from './file-tree'
import { InPlace } from './in-place'
import { Releases } from './releases'
import { RunPanel } from './run-panel'
import { TargetsPanel } from './targets-panel'
import { useDeliverable } from './use-deliverable'
import { usePlan } from './use-plan'

type View = 'files' | 'releases'

/** What will be written, exactly, how it looks where it is used, the download, and the releases. */
export function DeliverScreen() {
  const session = useSession()
  const set = useSessionState(({ history }) => history.present)
  const setId = useSessionState((state) => state.setId)
  const revision = useSessionState((state) => state.revision)
  const isSaved = useSessionState((state) => state.saving.state === 'saved')
  const [view, setView] = useState<View>('files')
  const [again, setAgain] = useState(0)
  const targets = useMemo(() => TARGETS.map(({ id }) => id).filter((id) => targetsOf(set).includes(id)), [set])
  const [shown, setShown] = useState(targets[0] ?? 'svg')
  const { files, problems, targets: able, isCounted } = useDeliverable(set, targets)
  const { url, plan, progress } = usePlan(
    isSaved && isCounted && files.length > 0 ? { setId, revision, targets, again } : null,
  )
  const change = (delivery: Delivery, label: string) => commit(session, { kind: 'delivery', delivery }, label)
  /** Icons keep the code points that they are released with, for good. */
  const keepCodes = async () => {
    const delivery = withFixedCodes(set)
    if (!delivery || delivery === set.delivery) return
    record(session, { kind: 'delivery', delivery })
    await settled(session)
  }
  const target = TARGETS.find(({ id }) => id === shown)!
  const ticked = useMemo(() => TARGETS.filter(({ id }) => targets.includes(id)), [targets])
  return (
    <div className="grid h-dvh min-w-[720px] grid-cols-[360px_minmax(0,1fr)] grid-rows-[44px_minmax(0,1fr)] overflow-hidden">
      <CommonCommands />
      <SetBar />
      <aside aria-label="Targets" className="flex min-h-0 flex-col border-r border-ink bg-sheet">
        <div className="min-h-0 flex-1 overflow-y-auto">
          <TargetsPanel set={set} targets={targets} shown={shown} onShow={setShown} onChange={change} />
        </div>
        <RunPanel
          set={set}
          setId={setId}
          url={url}
          isAble={able.length > 0}
          count={files.length}
          problems={problems}
          plan={plan}
          progress={progress}
          isSaved={isSaved}
          why={isCounted ? nothing(set.icons.length, targets.length) : 'The files are being counted.'}
          onAgain={() => setAgain(again + 1)}
          onRename={(id, name) => commit(session, { kind: 'rename-icon', id, name }, 'Rename an icon')}
          onMend={({ target: id, options, word }) =>
            change(withOptions(set.delivery, id, options), `${word[0]!.toUpperCase()}${word.slice(1)}`)
          }
        />
      </aside>
      <main aria-label="Files" className="flex min-h-0 flex-col bg-film">
        <div className="flex items-center border-b border-hair bg-sheet px-4 py-2">
          <Choice
            label="What is shown"
            value={view}
            options={[
              { value: 'files', label: 'Files' },
              { value: 'releases', label: 'Releases' },
            ]}
            onChange={setView}
          />
        </div>
        {view === 'files' ? (
          <>
            <InPlace set={set} targets={ticked} shown={target} onShow={setShown} />
            <div className="min-h-0 flex-1 p-4">
              <FileTree name={set.name} files={files} sizes={plan?.sizes ?? null} rules={set.rules} target={shown} />
            </div>
          </>
        ) : (
          <Releases
            setId={setId}
            name={set.name}
            targets={targets}
            revision={revision}
            isReady={isSaved && isCounted && files.length > 0 && !problems.some(({ isError }) => isError)}
            onBefore={keepCodes}
          />
        )}
      </main>
    </div>
  )
}

function nothing(icons: number, targets: number): string {
  if (icons === 0) return 'There is no icon to deliver yet.'
  return targets > 0 ? 'There is nothing to write.' : 'Choose at least one target.'
}
