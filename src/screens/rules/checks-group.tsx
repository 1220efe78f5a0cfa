'use client'

import { CHECKS } from '@/core/checks/checks'
import { FAMILY_CHECKS } from '@/core/checks/family-checks'
import { LIMIT_KEYS, type LimitKey, LIMITS } from '@/core/rules/limits'
import { Severity } from '@/core/rules/rules'
import { DraftField } from '@/ui/draft-field'
import type { Draft } from './draft'
import { Group, type GroupProps, NumberInput } from './form'

const NAMINGS = ['kebab-case', 'snake_case', 'camelCase', 'PascalCase'] as const

/** A draft without a limit. */
const without = (draft: Draft, key: LimitKey | 'angles' | 'naming' | 'checks'): Draft => {
  const { [key]: _, ...rest } = draft
  return rest as Draft
}

/** The numbers that drawings are checked by; 0 is not looked at. */
export function MeasuresGroup({ draft, onChange, problems }: GroupProps) {
  return (
    <Group title="Gaps, zones, angles, names" note="0 = not checked">
      <div className="grid gap-1.5 [&_input]:!w-16 [&_label]:justify-between">
        {LIMIT_KEYS.map((key) => (
          <NumberInput
            key={key}
            label={LIMITS[key].name}
            shown={LIMITS[key].label(String(draft.sizes[0] ?? '–'))}
            value={draft[key] ?? 0}
            step={LIMITS[key].step}
            problem={problems.get(key)}
            onChange={(value) => onChange(value > 0 ? { ...draft, [key]: value } : without(draft, key))}
          />
        ))}
        <label className="flex items-center">
          <span className="text-quiet">angles</span>
          <DraftField
            label="Angles"
            title="Directions that straight lines may have, in degrees, such as 0 45 90 135; none for any"
            placeholder="any"
            value={(draft.angles ?? []).join(' ')}
            onAccept={(text) => {
              const angles = [
                ...new Set(
                  text
                    .split(/[\s,°]+/)
                    .filter(Boolean)
                    .map(Number),
                ),
              ].sort((a, b) => a - b)
              if (angles.length === 0) onChange(without(draft, 'angles'))
              else if (angles.every((one) => one >= 0 && one < 180)) onChange({ ...draft, angles })
            }}
            className="field !w-36 text-right"
          />
        </label>
        <label className="flex items-center">
          <span className="text-quiet">names are</span>
          <select
            aria-label="Pattern of names"
            value={draft.naming ?? ''}
            onChange={({ target: { value } }) =>
              onChange(
                value === '' ? without(draft, 'naming') : { ...draft, naming: value as (typeof NAMINGS)[number] },
              )
            }
            className="field"
          >
            <option value="">as they like</option>
            {NAMINGS.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
      </div>
    </Group>
  )
}

/** All checks with their severities. */
export function ChecksGroup({ draft, onChange }: GroupProps) {
  const set = (id: string, severity: Severity, usual: Severity) => {
    const { [id]: _, ...others } = draft.checks ?? {}
    const checks = severity === usual ? others : { ...others, [id]: severity }
    onChange(Object.keys(checks).length > 0 ? { ...draft, checks } : without(draft, 'checks'))
  }
  return (
    <Group title="Checks" note="what counts as a snag">
      <ul>
        {[...CHECKS, ...FAMILY_CHECKS].map(({ id, word, severity: usual }) => {
          const severity = draft.checks?.[id] ?? usual
          return (
            <li key={id}>
              <label className="flex h-[22px] items-center justify-between gap-2">
                <span className={severity === 'off' ? 'truncate text-quiet' : 'truncate'}>{word}</span>
                <select
                  aria-label={`How much it matters: ${word}`}
                  value={severity}
                  onChange={({ target: { value } }) => set(id, value as Severity, usual)}
                  className={severity === usual ? 'bg-transparent text-quiet' : 'bg-transparent font-[560]'}
                >
                  {Severity.options.map((one) => (
                    <option key={one}>{one}</option>
                  ))}
                </select>
              </label>
            </li>
          )
        })}
      </ul>
    </Group>
  )
}
