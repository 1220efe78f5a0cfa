'use client'

import type { Rules } from '@/core/rules/rules'
import { useSessionState } from '../../../session/use-session'
import { figure } from '@/ui/sum'
import type { View } from '../../state/view'
import { OverSquare } from './over-square'

/** The room beside the square that it takes, in pixels. */
const ROOM = 202

/** The drawing's title block, as on a drafting sheet: icon name, rules, scale. */
export function TitleBlock({
  name,
  set,
  rules,
  view,
  stage,
}: {
  name: string
  set: string
  rules: Rules
  view: View
  stage: { readonly w: number }
}) {
  const { scale } = view
  const revision = useSessionState((state) => state.revision)
  const [weight] = rules.weights,
    [radius] = rules.radii
  // Hidden if it would cover the square.
  if (stage.w - view.x - rules.grid.size * scale < ROOM) return null
  const cell = 'border-ink px-1.5 py-[3px] text-small whitespace-nowrap'
  return (
    <OverSquare className="pointer-events-none right-3 bottom-3 w-[186px] border border-ink bg-sheet">
      <div className="flex items-baseline justify-between gap-2 border-b border-ink px-1.5 py-0.5">
        <span className="truncate font-[640]">{name}</span>
        <span className="truncate text-small text-quiet">{set}</span>
      </div>
      <div className="grid grid-cols-3">
        <span className={`${cell} border-r`}>grid {rules.grid.size}</span>
        <span className={`${cell} border-r`}>live {figure(rules.liveArea)}</span>
        <span className={cell}>
          {scale >= 1
            ? `${figure(Number(scale.toPrecision(3)))} : 1`
            : `1 : ${figure(Number((1 / scale).toPrecision(3)))}`}
        </span>
        <span className={`${cell} border-t border-r`}>{weight ? `${weight.name} ${figure(weight.value)}` : ''}</span>
        <span className={`${cell} border-t border-r`}>{radius ? `${radius.name} ${figure(radius.value)}` : ''}</span>
        <span className={`${cell} border-t`}>rev {revision}</span>
      </div>
    </OverSquare>
  )
}
