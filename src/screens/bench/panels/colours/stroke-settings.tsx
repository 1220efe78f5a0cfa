'use client'

import type { Painted } from '@/core/drawing/edit/paint'
import { Cap, Head, Join, type Style, type Weight } from '@/core/drawing/model/style'
import type { Rules } from '@/core/rules/rules'
import { DraftField } from '@/ui/draft-field'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import { useBench } from '../../state/context'
import { WEIGHT } from '../../cells/limits'
import { NamedNumberCell, SEVERAL, WordCell } from '../../cells/value-cell'
import { changeStyles } from '../../operations/paints'

/**
 * How the stroke of the selection lies: weight, side, joins and caps, dashes, heads. What differs is shown as several,
 * and overwritten.
 */
export function StrokeSettings({ objects, rules }: { objects: readonly Painted[]; rules: Rules }) {
  const bench = useBench()
  const styles = objects.map(({ style }) => style)
  const shared = <K extends keyof Style>(key: K): Style[K] | typeof SEVERAL =>
    styles.every((style) => JSON.stringify(style[key]) === JSON.stringify(styles[0]![key])) ? styles[0]![key] : SEVERAL
  const set = (change: Partial<Style>, what: string) =>
    changeStyles(bench, (style) => without({ ...style, ...change }), what)
  const limit = shared('miterLimit'),
    order = shared('strokeFirst'),
    side = shared('side')
  return (
    <section
      aria-label="Stroke"
      className="grid w-[178px] flex-none grid-cols-[62px_1fr] content-start items-center gap-x-1.5 overflow-y-auto py-1.5 pr-1.5 pl-3 [&>span]:text-quiet"
    >
      <span>weight</span>
      <NamedNumberCell
        label="weight of the stroke"
        value={shared('weight')}
        list={rules.weights}
        limits={WEIGHT}
        onChange={(weight) => set({ weight: weight as Weight }, 'the weight')}
      />
      <span>lies</span>
      <WordCell<'inside' | 'centred' | 'outside'>
        label="side of the stroke"
        value={side === SEVERAL ? SEVERAL : (side ?? 'centred')}
        words={['inside', 'centred', 'outside']}
        onChange={(next) => set({ side: next === 'centred' ? undefined : next }, 'the side of the stroke')}
      />
      <span>caps</span>
      <WordCell<Cap>
        label="cap of the stroke"
        value={shared('cap')}
        words={Cap.options}
        byRules={rules.cap}
        onChange={(cap) => set({ cap }, 'the cap')}
      />
      <span>joins</span>
      <WordCell<Join>
        label="join of the stroke"
        value={shared('join')}
        words={Join.options}
        byRules={rules.join}
        onChange={(join) => set({ join }, 'the join')}
      />
      <span>miter limit</span>
      <NumberField
        label="Miter limit"
        value={limit === SEVERAL ? null : (limit ?? rules.miterLimit)}
        placeholder="several"
        step={1}
        limits={{ least: 1, most: 100 }}
        className="!w-16 px-1"
        onChange={(miterLimit) =>
          set({ miterLimit: miterLimit === rules.miterLimit ? undefined : miterLimit }, 'the miter limit')
        }
      />
      <span>dashes</span>
      <DashField dash={shared('dash')} onChange={(dash) => set({ dash }, 'the dashes')} />
      <span>begins with</span>
      <WordCell<Head | 'plain'>
        label="head at the start"
        value={wordOf(shared('startHead'))}
        words={['plain', ...Head.options]}
        onChange={(head) => set({ startHead: head === 'plain' ? undefined : head }, 'the head')}
      />
      <span>ends with</span>
      <WordCell<Head | 'plain'>
        label="head at the end"
        value={wordOf(shared('endHead'))}
        words={['plain', ...Head.options]}
        onChange={(head) => set({ endHead: head === 'plain' ? undefined : head }, 'the head')}
      />
      <span>order</span>
      <WordCell<'over the fills' | 'under the fills'>
        label="order of the stroke"
        value={order === SEVERAL ? SEVERAL : order ? 'under the fills' : 'over the fills'}
        words={['over the fills', 'under the fills']}
        onChange={(next) => set({ strokeFirst: next === 'under the fills' ? true : undefined }, 'the paint order')}
      />
    </section>
  )
}

const wordOf = (head: Head | undefined | typeof SEVERAL): Head | 'plain' | typeof SEVERAL =>
  head === undefined ? 'plain' : head

function without(style: Style): Style {
  return Object.fromEntries(Object.entries(style).filter(([, value]) => value !== undefined)) as Style
}

/** Lengths drawn and left out, typed with spaces between. */
function DashField({
  dash,
  onChange,
}: {
  dash: readonly number[] | undefined | typeof SEVERAL
  onChange: (dash: number[] | undefined) => void
}) {
  const accept = (text: string) => {
    const lengths = text === '' ? [] : text.split(/[\s,]+/).map(Number)
    if (!lengths.every((one) => one >= 0 && one <= 1000))
      return `“${text}” is not a list of lengths. Type numbers from 0 to 1000 with spaces between, such as 3 1.5.`
    if (lengths.length > 12) return 'A dash pattern has at most twelve lengths.'
    if (lengths.length > 0 && lengths.every((one) => one === 0)) return 'At least one length of a dash must be above 0.'
    onChange(lengths.length > 0 ? lengths : undefined)
    return null
  }
  return (
    <DraftField
      label="Dashes"
      title="Lengths drawn and left out, such as 3 1.5"
      placeholder={dash === SEVERAL ? 'several' : 'none'}
      value={dash === SEVERAL ? '' : (dash ?? []).map(figure).join(' ')}
      onAccept={accept}
      className="h-5 min-w-0 rounded-sheet px-1"
    />
  )
}
