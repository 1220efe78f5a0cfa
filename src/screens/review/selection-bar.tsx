'use client'

import { useState } from 'react'
import { coloursUsed, paintedWithin } from '@/core/drawing/edit/paint'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import type { SetEdit } from '@/core/set/edit'
import {
  aliasedEdit,
  platedEdit,
  recolouredEdit,
  renamedEdit,
  taggedEdit,
  weightedEdit,
  wordsOf,
} from '@/core/set/many'
import { aliasesOf, type Icon, type IconSet, masterFor, tagsOf } from '@/core/set/set'
import { Button } from '@/ui/button'
import { beyond, MORE_THAN_NONE } from '@/ui/limits'
import { MenuButton } from '@/ui/menu'
import { NameDialog } from '@/ui/name-dialog'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { sum } from '@/ui/sum'
import { DirectionMenu } from '../frame/direction-menu'
import { commit, type Session, undoStep } from '../session/session'
import { OverlayDialog } from './overlay-dialog'

/** What can be done with several icons at once, each as one step. */
export function SelectionBar({
  session,
  set,
  icons,
  onNone,
  onLike,
}: {
  session: Session
  set: IconSet
  icons: readonly Icon[]
  onNone: () => void
  /** Shows icons that look like a selected one. */
  onLike: (name: string) => void
}) {
  const [asking, setAsking] = useState<'tag' | 'rename' | 'aliases' | 'weight' | 'overlay' | null>(null)
  const what = icons.length === 1 ? icons[0]!.name : `${icons.length} icons`
  const act = (edit: SetEdit, label: string) => {
    const before = session.getState().history.past.length
    commit(session, edit, label)
    if (session.getState().history.past.length === before) return say({ text: 'This changes nothing.' })
    say({ text: `${label}.`, action: { label: 'Undo', run: () => undoStep(session) } })
  }
  const { rules } = set
  const colours = () => {
    const scene = sceneOf(rules)
    return coloursUsed(icons.flatMap((icon) => paintedWithin(masterFor(icon).objects, scene))).map(({ color }) => color)
  }
  const tags = [...new Set(icons.flatMap(tagsOf))]
  return (
    <div
      role="toolbar"
      aria-label="Selected icons"
      className="flex h-11 items-center gap-2 overflow-x-auto border-t border-ink bg-sheet px-4 [&>*]:flex-none"
    >
      <b className="font-[640]">{what} selected</b>
      <Button look="plain" onClick={onNone}>
        none
      </Button>
      <span className="mx-1 h-5 w-px bg-hair" />
      <Button onClick={() => setAsking('tag')}>Tag…</Button>
      {tags.length > 0 && (
        <Menu
          label="Remove a tag"
          list={tags.map((tag) => ({
            label: tag,
            run: () => act(taggedEdit(icons, [], [tag]), `Take the tag ${tag} from ${what}`),
          }))}
        >
          Untag
        </Menu>
      )}
      <Button onClick={() => setAsking('rename')}>Rename…</Button>
      {icons.length === 1 && <Button onClick={() => setAsking('aliases')}>Other names…</Button>}
      <DirectionMenu icons={icons} all={set.icons} className={BUTTON} onChange={act}>
        Right to left
      </DirectionMenu>
      <Menu
        label="Weight of all strokes"
        list={[
          ...rules.weights.map(({ name, value }) => ({
            label: name,
            hint: String(value),
            run: () => act(weightedEdit(icons, rules, name), `Set the strokes of ${what} to ${name}`),
          })),
          { label: 'A number…', run: () => setAsking('weight') },
        ]}
      >
        Weight
      </Menu>
      <Menu
        label="Exchange a colour"
        list={colours().map((from) => ({
          label: `${from} becomes`,
          list: rules.palette
            .filter(({ name }) => name !== from)
            .map(({ name }) => ({
              label: name,
              run: () => act(recolouredEdit(icons, rules, from, name), `Make ${from} of ${what} ${name}`),
            })),
        }))}
      >
        Colour
      </Menu>
      {(rules.plates?.length ?? 0) > 0 && (
        <Menu
          label="Plate behind them"
          list={[
            ...rules.plates!.map(({ name }) => ({
              label: name,
              run: () => act(platedEdit(icons, rules, name, newId), `Put the plate ${name} behind ${what}`),
            })),
            { label: 'no plate', run: () => act(platedEdit(icons, rules, null, newId), `Take the plate from ${what}`) },
          ]}
        >
          Plate
        </Menu>
      )}
      {icons.length === 1 && <Button onClick={() => onLike(icons[0]!.name)}>Similar icons</Button>}
      {icons.length === 2 && <Button onClick={() => setAsking('overlay')}>Overlay</Button>}
      <span className="mx-1 h-5 w-px bg-hair" />
      <Button
        className="text-fault"
        onClick={() => {
          act({ kind: 'remove-icons', ids: icons.map(({ id }) => id) }, `Delete ${what}`)
          onNone()
        }}
      >
        Delete
      </Button>
      {asking === 'tag' && (
        <NameDialog
          title={`Tag ${what}`}
          name=""
          label="Tags, with commas between them"
          action="Tag"
          onClose={() => setAsking(null)}
          onName={(text) => {
            const words = wordsOf(text)
            const long = words.find((word) => word.length > 40)
            if (words.length === 0) return 'Give at least one tag.'
            if (long) return `“${long}” is longer than 40 characters.`
            act(taggedEdit(icons, words, []), `Tag ${what} ${words.join(', ')}`)
            return null
          }}
        />
      )}
      {asking === 'weight' && (
        <NameDialog
          title={`Weight of all strokes of ${what}`}
          name={String(rules.weights[0]!.value)}
          label="Weight in units of the grid; a number or a sum"
          action="Set"
          onClose={() => setAsking(null)}
          onName={(text) => {
            const value = sum(text, null)
            if (value === null) return `“${text}” is not a number or a sum.`
            const problem = beyond(value, { ...MORE_THAN_NONE, most: 1000 }, 'Weight')
            if (problem) return problem
            // A value of the rules keeps its name.
            const weight = rules.weights.find((one) => one.value === value)?.name ?? value
            act(weightedEdit(icons, rules, weight), `Set the strokes of ${what} to ${weight}`)
            return null
          }}
        />
      )}
      {asking === 'rename' && (
        <NameDialog
          title={`Rename ${what}: * is the name, # a number`}
          name={icons.length === 1 ? icons[0]!.name : '*'}
          label="Pattern for the names"
          onClose={() => setAsking(null)}
          onName={(pattern) => {
            const edit = renamedEdit(set, icons, pattern)
            if (typeof edit === 'string') return edit
            act(edit, `Rename ${what}`)
            return null
          }}
        />
      )}
      {asking === 'aliases' && (
        <NameDialog
          title={`Other names of ${what}`}
          name={aliasesOf(icons[0]!).join(', ')}
          label="Other names, with commas between them"
          action="Keep"
          onClose={() => setAsking(null)}
          onName={(text) => {
            const words = wordsOf(text)
            const long = words.find((word) => word.length > 40)
            if (long) return `“${long}” is longer than 40 characters.`
            act(aliasedEdit(icons, words), `Change the other names of ${what}`)
            return null
          }}
        />
      )}
      {asking === 'overlay' && icons.length === 2 && (
        <OverlayDialog icons={[icons[0]!, icons[1]!]} rules={rules} onClose={() => setAsking(null)} />
      )}
    </div>
  )
}

const BUTTON =
  'inline-flex h-6 items-center rounded-sheet border border-ink/70 bg-sheet px-2.5 hover:border-ink hover:bg-film'

const Menu = (props: React.ComponentProps<typeof MenuButton>) => <MenuButton {...props} className={BUTTON} />
