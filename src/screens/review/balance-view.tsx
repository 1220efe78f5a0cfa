'use client'

import Link from 'next/link'
import { useEffect, useMemo, useState } from 'react'
import { useRouter } from 'next/navigation'
import {
  Area,
  Bar,
  Cell,
  ComposedChart,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { broughtIn, type OutBy } from '@/core/proof/bring-in'
import type { Rules } from '@/core/rules/rules'
import { type Icon, masterFor } from '@/core/set/set'
import { say } from '@/ui/notice'
import { useTheme } from '@/ui/theme'
import { IconPicture } from '../frame/icon-picture'
import { commit, type Session, undoStep } from '../session/session'
import { useSession } from '../session/use-session'
import type { FamilyMeasures } from '../session/family-measures'
import { type Measure, MEASURES, type Reading, readings, shownOf } from './measures'

/** How many of those that stand out are named. */
const NAMED = 8

/** Up to how many icons each has a bar; more would be thinner than they can be told apart, and are one area. */
const BARS = 120

/** Icon side in px under the bars, by the number of bars that leave room for it; beyond the last there are none. */
const SIDES: readonly { readonly upTo: number; readonly side: number }[] = [
  { upTo: 24, side: 20 },
  { upTo: 32, side: 16 },
  { upTo: 48, side: 12 },
]

/** Width in px of the labels left of the bars. */
const LABELS = 38

/** Charts of a family's optical measures; outliers are named and open on a press. */
export function BalanceView({ family, rules, setId }: { family: FamilyMeasures; rules: Rules; setId: string }) {
  // One chart comes after the other, so that the page answers meanwhile.
  const [count, setCount] = useState(1)
  useEffect(() => {
    if (count >= MEASURES.length) return
    const timer = setTimeout(() => setCount(count + 1))
    return () => clearTimeout(timer)
  }, [count])
  return (
    <main className="grid min-h-0 auto-rows-min grid-cols-2 overflow-y-auto bg-film">
      {MEASURES.slice(0, count).map((measure) => (
        <Chart key={measure.id} measure={measure} family={family} rules={rules} setId={setId} />
      ))}
    </main>
  )
}

function Chart({
  measure,
  family,
  rules,
  setId,
}: {
  measure: Measure
  family: FamilyMeasures
  rules: Rules
  setId: string
}) {
  const router = useRouter()
  const session = useSession()
  const { icons } = session.getState().history.present
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const iconOf = (id: string): Icon | undefined => icons.find((icon) => icon.id === id)
  const { all, middle, shown } = useMemo(() => {
    const read = readings(measure, family.siblings, rules)
    return { ...read, shown: shownOf(read.all, read.middle) }
  }, [measure, family, rules])
  const href = ({ name }: Reading) => `/sets/${setId}/draw/${encodeURIComponent(name)}`
  const side = SIDES.find(({ upTo }) => all.length <= upTo)?.side
  const out = all.filter(({ stands }) => stands).sort((a, b) => Math.abs(b.value - middle) - Math.abs(a.value - middle))
  return (
    <section aria-label={measure.word} className="border-r border-b border-hair bg-sheet px-4 py-3">
      <div className="flex items-baseline justify-between gap-2">
        <h2 className="font-[640]" title={measure.hint}>
          {measure.word}
        </h2>
        <span className="text-quiet">
          {family.waiting > 0 ? `${family.waiting} to be looked at` : `middle ${measure.said(middle)}`}
        </span>
      </div>
      <div className="mt-2 h-[110px]">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart
            data={[...shown]}
            barCategoryGap={1}
            margin={{ top: 2, right: 0, bottom: 2, left: 0 }}
            style={{ cursor: 'pointer' }}
            onClick={({ activeTooltipIndex: at }) => {
              const one = at == null ? undefined : shown[Number(at)]
              if (one) router.push(href(one))
            }}
          >
            <XAxis dataKey="id" hide />
            <YAxis
              width={LABELS}
              tickCount={3}
              tickFormatter={measure.said}
              tick={{ fontSize: 11, fill: 'var(--quiet)' }}
              axisLine={false}
              tickLine={false}
            />
            <ReferenceLine y={middle} stroke="var(--key)" strokeDasharray="4 3" />
            <Tooltip
              cursor={{ fill: 'var(--film)' }}
              isAnimationActive={false}
              content={({ payload }) => {
                const one = payload?.[0]?.payload as Reading | undefined
                const icon = one && iconOf(one.id)
                return icon ? (
                  <span className="flex items-center gap-1.5 border border-ink bg-sheet px-1.5 py-0.5">
                    <IconPicture icon={icon} rules={rules} ground={ground} size={20} label="" />
                    {one.name} {measure.said(one.value)}
                  </span>
                ) : null
              }}
            />
            {all.length <= BARS ? (
              <Bar dataKey="value" isAnimationActive={false}>
                {all.map((one) => (
                  <Cell key={one.id} fill={one.stands ? 'var(--snag)' : 'var(--ink)'} />
                ))}
              </Bar>
            ) : (
              <Area
                type="step"
                dataKey="value"
                isAnimationActive={false}
                activeDot={false}
                fill="var(--ink)"
                fillOpacity={1}
                stroke="none"
              />
            )}
            {all.length > BARS &&
              out
                .slice(0, NAMED)
                .filter((one) => shown.includes(one))
                .map(({ id, value }) => (
                  <ReferenceDot key={id} x={id} y={value} r={3} fill="var(--snag)" stroke="var(--sheet)" />
                ))}
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      {side !== undefined && (
        <div className="flex pt-0.5" style={{ paddingLeft: LABELS }}>
          {all.map((one) => {
            const icon = iconOf(one.id)
            return (
              <Link
                key={one.id}
                href={href(one)}
                prefetch={false}
                aria-label={`Bar of ${one.name}, ${measure.said(one.value)}`}
                title={`${one.name} ${measure.said(one.value)}`}
                className="flex min-w-0 flex-1 justify-center hover:opacity-60"
              >
                {icon && <IconPicture icon={icon} rules={rules} ground={ground} size={side} label="" />}
              </Link>
            )
          })}
        </div>
      )}
      <p className="mt-1.5 min-h-[34px] text-quiet">
        {out.length > 0 ? 'Outliers: ' : Number.isFinite(measure.stands) && 'No outliers.'}
        {out.slice(0, NAMED).map((one, i) => (
          <span key={one.id}>
            {i > 0 && ', '}
            <Link href={href(one)} className="text-ink underline hover:text-hand">
              {one.name}
            </Link>{' '}
            {measure.said(one.value)}
            {isOutBy(measure.id) && (
              <button
                type="button"
                aria-label={`Adjust ${one.name}`}
                title={
                  measure.id === 'off'
                    ? 'Shift it so that its ink balances in the middle'
                    : 'Make it larger or smaller about the middle of the square'
                }
                onClick={() => bringIn(session, one.id, measure, family, middle)}
                className="ml-1 underline decoration-dotted hover:text-hand"
              >
                adjust
              </button>
            )}
          </span>
        ))}
        {out.length > NAMED && `, and ${out.length - NAMED} more`}
      </p>
    </section>
  )
}

const isOutBy = (id: string): id is OutBy => id === 'weight' || id === 'size' || id === 'off'

/** Brings an icon that stands out nearer to its family, as a step that can be undone. */
function bringIn(session: Session, id: string, measure: Measure, { siblings }: FamilyMeasures, middle: number): void {
  const { icons, rules } = session.getState().history.present
  const icon = icons.find((one) => one.id === id),
    balance = siblings.find((one) => one.id === id)?.balance
  if (!icon || !balance || !isOutBy(measure.id)) return
  const { base, objects } = masterFor(icon)
  const next = broughtIn(objects, balance, rules, measure.id, measure.read(balance, rules), middle)
  if (!next) return say({ text: `“${icon.name}” cannot be adjusted: it has no room, or something in it is locked.` })
  const label = `Adjust ${icon.name}: ${measure.word}`
  commit(session, { kind: 'draw', icon: id, master: base, edit: { kind: 'replace', objects: next } }, label)
  say({ text: `${label}.`, action: { label: 'Undo', run: () => undoStep(session) } })
}
