'use client'

import { useEffect, useRef, useState } from 'react'
import { say } from '@/ui/notice'
import { useSession, useSessionState } from '../session/use-session'
import { NAMING, renameIcon } from './operations/icons'
import { MasterTabs } from './panels/master-tabs'
import { useBench, useShownIcon, useSlice } from './state/context'

/** The open icon in the bar and in the address. */
export function OpenIconCrumb() {
  const bench = useBench()
  const naming = useSlice(NAMING).open,
    setNaming = (open: boolean) => bench.put(NAMING, { open })
  const name = useShownIcon((icon) => icon?.name)
  const session = useSession()
  const { setId } = session.getState()
  const open = useShownIcon((icon) => icon?.id)
  const isElsewhere = useSessionState(({ visitors }) => visitors.some(({ icon }) => icon === open))
  // Coming back from another stage opens the icon that was open last.
  useEffect(() => {
    if (open !== undefined) session.setState({ lastIcon: open })
  }, [session, open])
  useEffect(() => {
    if (name === undefined) return
    // Changing the address takes the browser a while, so it is done after the task that shows the icon.
    const later = setTimeout(() =>
      window.history.replaceState(window.history.state, '', `/sets/${setId}/draw/${encodeURIComponent(name)}`),
    )
    return () => clearTimeout(later)
  }, [setId, name])
  if (name === undefined) return null
  return (
    <>
      <span className="text-quiet">/</span>
      {naming && bench.icon ? (
        <NameField
          key={bench.icon.id}
          name={name}
          onName={(next) => renameIcon(bench, bench.icon!, next)}
          onClose={() => setNaming(false)}
        />
      ) : (
        <button
          type="button"
          title={`${name}: rename the icon`}
          aria-label={`Rename ${name}`}
          onClick={() => setNaming(true)}
          className="truncate rounded-sheet px-0.5 text-title font-[640] hover:bg-film"
        >
          {name}
        </button>
      )}
      {isElsewhere && (
        <span className="shrink-0 text-small text-quiet" title="Changes in either window appear in both at once">
          ◇ open in another window
        </span>
      )}
      <MasterTabs />
    </>
  )
}

/**
 * The name of the open icon, selected to be typed over. Enter or leaving takes the text, Escape keeps the old name. With
 * Enter a name that is not allowed stays in the field, with the reason beside it.
 */
function NameField({
  name,
  onName,
  onClose,
}: {
  name: string
  onName: (name: string) => string | null
  onClose: () => void
}) {
  const [text, setText] = useState(name)
  const [problem, setProblem] = useState<string | null>(null)
  const kept = useRef(false)
  return (
    <>
      <input
        autoFocus
        aria-label="Name of the icon"
        aria-invalid={problem !== null}
        spellCheck={false}
        value={text}
        onFocus={({ target }) => target.select()}
        onChange={({ target }) => {
          setText(target.value)
          setProblem(null)
        }}
        onBlur={() => {
          const left = kept.current || text.trim() === name ? null : onName(text.trim())
          if (left) say({ text: `${left} The icon stays “${name}”.`, tone: 'fault' })
          onClose()
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== 'Escape') return
          event.preventDefault()
          const wrong = event.key === 'Enter' && text.trim() !== name ? onName(text.trim()) : null
          if (wrong) return setProblem(wrong)
          kept.current = true
          onClose()
        }}
        className="field w-32 text-title font-[640]"
      />
      {problem && (
        <span role="alert" className="truncate text-fault">
          {problem}
        </span>
      )}
    </>
  )
}
