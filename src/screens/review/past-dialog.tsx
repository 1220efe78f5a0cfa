'use client'

import { useDeferredValue, useMemo, useState } from 'react'
import { rulesThatDiffer, thenAndNow, type ThenAndNow } from '@/core/set/as-it-was'
import type { SetEdit } from '@/core/set/edit'
import type { Icon, IconSet } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Choice } from '@/ui/choice'
import { Dialog } from '@/ui/dialog'
import { useTheme } from '@/ui/theme'
import { say } from '@/ui/notice'
import { PixelPicture } from '@/ui/pixel-picture'
import { useFetched } from '@/ui/use-fetched'
import { VirtualGrid } from '@/ui/virtual-grid'
import { sourceOf } from '@/workers/draw'
import { commit, type Session, settled, undoStep } from '../session/session'
import { nameState, type PastState, setAsItWas, statesOf } from './past'
import { PastStates } from './past-states'

/** The set on earlier days and in named states, each beside the present; icons of it, or all, can be taken back. */
export function PastDialog({
  session,
  set,
  setId,
  onClose,
}: {
  session: Session
  set: IconSet
  setId: string
  onClose: () => void
}) {
  const [wanted, setWanted] = useState<number | null>(null)
  const [asks, setAsks] = useState(0)
  const { value: states, problem: unlisted } = useFetched(`${setId} ${asks}`, () => statesOf(setId))
  const chosen = wanted ?? states?.[0]?.revision ?? null
  const { value: past, problem: unread } = useFetched(chosen === null ? null : `${setId} ${chosen}`, async () => ({
    revision: chosen,
    set: await setAsItWas(setId, chosen!),
  }))
  const problem = unlisted ?? unread
  const state = states?.find(({ revision }) => revision === chosen)
  const named = async (revision: number | null, name: string | null) => {
    try {
      if (revision === null) await settled(session)
      await nameState(setId, revision, name)
      setAsks((n) => n + 1)
    } catch (error) {
      say({ text: (error as Error).message, tone: 'fault' })
    }
  }
  return (
    <Dialog title="The set as it was" open onClose={onClose} width={980}>
      <div className="grid h-[62vh] grid-cols-[248px_minmax(0,1fr)]">
        <PastStates states={states} chosen={chosen} onChoose={setWanted} onName={(of, name) => void named(of, name)} />
        {problem !== null ? (
          <p role="alert" className="p-4 text-fault">
            {problem}
          </p>
        ) : past && state && past.revision === chosen ? (
          <Beside key={chosen} session={session} past={past.set} set={set} when={nameOfState(state)} />
        ) : (
          <p className="p-4 text-quiet">
            {states?.length === 0 &&
              'No earlier state yet. The last state of each day is kept for thirty days; named states are kept for good.'}
          </p>
        )}
      </div>
    </Dialog>
  )
}

const nameOfState = ({ name, at }: PastState): string => name ?? dayOf(at)

const dayOf = (at: string): string =>
  new Date(at).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })

/** A state beside the present, icon by icon. */
function Beside({ session, past, set, when }: { session: Session; past: IconSet; set: IconSet; when: string }) {
  const [isAll, setAll] = useState(false)
  const present = useDeferredValue(set)
  const all = useMemo(() => thenAndNow(past, present), [past, present])
  const rules = useMemo(() => rulesThatDiffer(past, present), [past, present])
  const differing = all.filter(({ isSame }) => !isSame)
  const shown = isAll ? all : differing
  const takeBack = (edit: Omit<Extract<SetEdit, { kind: 'as-it-was' }>, 'kind' | 'past'>, what: string) => {
    const label = `Restore ${what} from ${when}`
    commit(session, { kind: 'as-it-was', past, ...edit }, label)
    say({ text: `${what} is as it was: ${when}.`, action: { label: 'Undo', run: () => undoStep(session) } })
  }
  return (
    <section aria-label={`The set as it was: ${when}`} className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)]">
      <div className="flex items-center gap-3 border-b border-hair px-4 py-2.5">
        <p role="status" className="min-w-0 flex-1 leading-[18px]">
          {inWords(differing)}
          {rules.length > 0 && (
            <span className="block truncate text-quiet" title={rules.map(words).join(', ')}>
              The rules were different: {rules.map(words).join(', ')}
            </span>
          )}
        </p>
        <Choice
          label="Icons shown"
          value={isAll ? 'all' : 'differing'}
          options={[
            { value: 'differing', label: 'what differs' },
            { value: 'all', label: 'all' },
          ]}
          onChange={(value) => setAll(value === 'all')}
        />
        <Button
          look="strong"
          disabled={differing.length === 0 && rules.length === 0}
          title="Icons, rules and delivery as they were; one step, which can be undone"
          onClick={() => takeBack({ icons: 'all' }, 'the set')}
        >
          Restore everything
        </Button>
      </div>
      <VirtualGrid
        label="Then and now"
        items={shown}
        keyOf={({ id }) => id}
        width={168}
        height={112}
        className="overflow-y-auto bg-film"
        cell={(one) => (
          <Pair one={one} past={past} set={present} onTakeBack={({ id, name }) => takeBack({ icons: [id] }, name)} />
        )}
      />
    </section>
  )
}

/** How many icons differ, in words. */
function inWords(differing: readonly ThenAndNow[]): string {
  const count = (is: (one: ThenAndNow) => boolean) => differing.filter(is).length
  const counted = [
    [count(({ then, now }) => then !== null && now !== null), 'icon differs', 'icons differ'],
    [count(({ now }) => now === null), 'was deleted since', 'were deleted since'],
    [count(({ then }) => then === null), 'was added since', 'were added since'],
  ] as const
  const said = counted.flatMap(([n, one, many]) => (n === 0 ? [] : `${n} ${n === 1 ? one : many}`))
  return said.length === 0 ? 'No icon has changed since.' : said.join(', ')
}

/** A key of the rules in words. */
const words = (key: string): string => key.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)

const SIZE = 48

function Pair({
  one: { then, now, isSame },
  past,
  set,
  onTakeBack,
}: {
  one: ThenAndNow
  past: IconSet
  set: IconSet
  onTakeBack: (icon: Icon) => void
}) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const name = (now ?? then)!.name
  const picture = (icon: Icon | null, of: IconSet, when: string) =>
    icon ? (
      <PixelPicture source={sourceOf(icon, of.rules, ground, SIZE)} size={SIZE} label={`${name} ${when}`} />
    ) : (
      <span className="grid place-items-center text-small text-quiet" style={{ width: SIZE, height: SIZE }}>
        {when === 'now' ? 'gone' : 'not yet'}
      </span>
    )
  return (
    <div className="flex h-full flex-col justify-between border border-hair bg-sheet p-2">
      <div className="flex items-center justify-between px-1">
        {picture(then, past, 'then')}
        <span aria-hidden className="text-quiet">
          {isSame ? '=' : '→'}
        </span>
        {picture(now, set, 'now')}
      </div>
      <div className="flex items-center gap-1.5">
        <span
          className="min-w-0 flex-1 truncate text-small"
          title={then && now && then.name !== now.name ? `${then.name} → ${now.name}` : name}
        >
          {name}
        </span>
        {then && !isSame && (
          <Button aria-label={`Restore ${name}`} className="h-5 px-1.5 text-small" onClick={() => onTakeBack(then)}>
            restore
          </Button>
        )}
      </div>
    </div>
  )
}
