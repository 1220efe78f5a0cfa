'use client'

import clsx from 'clsx'
import { ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { type Choice as TargetChoice, choiceProblem, optionsOf, withOptions } from '@/core/targets/options'
import { appsOf } from '@/core/targets/plan'
import { PLATFORMS, type Target } from '@/core/targets/target'
import { TARGETS } from '@/core/targets/targets'
import type { IconSet } from '@/core/set/set'
import type { Delivery } from '@/core/set/settings'
import { DraftField } from '@/ui/draft-field'
import { NameChoice } from '@/ui/name-choice'
import { say } from '@/ui/notice'

/** All targets by platform, with a tick and options for each. */
export function TargetsPanel({
  set,
  targets,
  shown,
  onShow,
  onChange,
}: {
  set: IconSet
  targets: readonly string[]
  shown: string
  onShow: (target: string) => void
  onChange: (delivery: Delivery, label: string) => void
}) {
  const { delivery = {} } = set
  const choose = (id: string, on: boolean) => {
    const next = TARGETS.map((one) => one.id).filter((one) => (one === id ? on : targets.includes(one)))
    onChange({ ...delivery, targets: next }, on ? 'Deliver to a target' : 'Do not deliver to a target')
  }
  // The icon that stands for the app is asked for once, where it is missed first.
  const asking = appsOf(set).length > 0 ? null : TARGETS.find((one) => one.isForApps && targets.includes(one.id))
  return (
    <div>
      {PLATFORMS.map((platform) => (
        <section key={platform} aria-label={platform} className="border-b border-hair px-4 pt-1.5 pb-1">
          <h3 className="text-small text-quiet">{platform}</h3>
          {TARGETS.filter((one) => one.platform === platform).map((target) => (
            <TargetRow
              key={target.id}
              target={target}
              set={set}
              isOn={targets.includes(target.id)}
              isAsking={target === asking}
              isShown={shown === target.id}
              onChoose={(on) => choose(target.id, on)}
              onShow={() => onShow(target.id)}
              onChange={onChange}
            />
          ))}
        </section>
      ))}
    </div>
  )
}

function TargetRow({
  target,
  set,
  isOn,
  isAsking,
  isShown,
  onChoose,
  onShow,
  onChange,
}: {
  target: Target
  set: IconSet
  isOn: boolean
  isAsking: boolean
  isShown: boolean
  onChoose: (on: boolean) => void
  onShow: () => void
  onChange: (delivery: Delivery, label: string) => void
}) {
  const { id, name, note, choices, isForApps } = target
  const [open, setOpen] = useState(false)
  const { delivery = {} } = set
  const isWaiting = isForApps && isOn && appsOf(set).length === 0
  return (
    <div className={clsx('-mx-4 px-4', isShown && 'bg-film')}>
      <div className="flex items-center gap-2">
        <input
          type="checkbox"
          id={`target-${id}`}
          aria-label={name}
          checked={isOn}
          onChange={(event) => {
            onChoose(event.target.checked)
            if (event.target.checked) onShow()
          }}
        />
        <button type="button" onClick={onShow} title={note} className="min-w-0 flex-1 truncate text-left font-[560]">
          {name}
        </button>
        <button
          type="button"
          aria-expanded={open}
          aria-label={`What is chosen about ${name}`}
          onClick={() => {
            setOpen(!open)
            onShow()
          }}
          className="grid size-6 place-items-center text-quiet hover:text-ink"
        >
          <ChevronRight size={12} aria-hidden className={open ? 'rotate-90' : ''} />
        </button>
      </div>
      {isAsking ? (
        <Apps set={set} onChange={onChange} />
      ) : (
        isWaiting && <p className="mb-1 pl-5.5 text-quiet">Waits for the icon of the app.</p>
      )}
      {open && (
        <div className="pb-2 pl-5.5">
          <p className="mb-2 text-quiet">{note}</p>
          {isForApps && !isWaiting && set.kind !== 'app' && <Apps set={set} onChange={onChange} />}
          <div className="grid gap-1.5">
            {Object.entries(choices).map(([key, choice]) => (
              <ChoiceField
                key={key}
                label={`${choice.word} of ${name}`}
                choice={choice}
                value={(optionsOf(target, delivery) as Record<string, string | boolean>)[key]!}
                onAccept={(value) => onChange(withOptions(delivery, id, { [key]: value }), `Choose ${choice.word}`)}
              />
            ))}
          </div>
        </div>
      )}
    </div>
  )
}

/** Icons shown of an interface set stand for an application. */
function Apps({ set, onChange }: { set: IconSet; onChange: (delivery: Delivery, label: string) => void }) {
  const { delivery = {} } = set
  const chosen = appsOf(set).map(({ id }) => id)
  const left = set.icons.filter(({ id }) => !chosen.includes(id))
  const put = (apps: readonly string[]) => onChange({ ...delivery, apps: [...apps] }, 'Choose what stands for an app')
  return (
    <div className="mb-2 pl-5.5">
      <label className="flex items-center gap-2">
        <span className="text-quiet">
          {chosen.length === 0 ? 'Which icon stands for the app?' : 'stands for the app'}
        </span>
        <NameChoice
          label="Icon that stands for the app"
          all={left}
          chosen={null}
          prompt={chosen.length === 0 ? 'choose…' : 'one more…'}
          onChoose={(id) => put([...chosen, id])}
          className="field flex-1"
        />
      </label>
      {set.icons
        .filter(({ id }) => chosen.includes(id))
        .map(({ id, name }) => (
          <p key={id} className="mt-1 flex items-center justify-between">
            <span>{name}</span>
            <button
              type="button"
              aria-label={`${name} does not stand for the app`}
              className="text-quiet underline hover:text-hand"
              onClick={() => put(chosen.filter((one) => one !== id))}
            >
              remove
            </button>
          </p>
        ))}
    </div>
  )
}

function ChoiceField({
  label,
  choice,
  value,
  onAccept,
}: {
  label: string
  choice: TargetChoice
  value: string | boolean
  onAccept: (value: string | boolean) => void
}) {
  return (
    <label className="grid grid-cols-[128px_minmax(0,1fr)] items-center gap-2">
      <span className="text-quiet">{choice.word}</span>
      {choice.as === 'switch' ? (
        <input
          type="checkbox"
          aria-label={label}
          checked={value === true}
          onChange={({ target }) => onAccept(target.checked)}
          className="justify-self-start"
        />
      ) : choice.as === 'one of' ? (
        <select
          aria-label={label}
          value={String(value)}
          onChange={({ target }) => onAccept(target.value)}
          className="field"
        >
          {choice.of.map((one) => (
            <option key={one.value} value={one.value}>
              {one.label}
            </option>
          ))}
        </select>
      ) : (
        <DraftField
          label={label}
          value={String(value)}
          placeholder="as usual"
          className="field font-mono"
          onAccept={(text) => {
            const fault = choiceProblem(choice, text)
            if (fault) say({ text: fault, tone: 'fault' })
            else onAccept(text)
          }}
        />
      )}
    </label>
  )
}
