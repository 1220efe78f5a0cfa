import { useMemo, useState } from 'react'
import { drawnLike } from '@/core/proof/drawn-like'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import { aliasesOf, type Icon, type IconSet, tagsOf } from '@/core/set/set'
import { type FamilyMeasures, useFamilyMeasures, useFamilySnags } from '../session/family-measures'
import { useSessionState } from '../session/use-session'
import { useSnagged } from '../session/snags'
import type { Ground } from './grounds'
import { useReleases, useSince } from './use-since'
import type { Vision } from './vision'

export type View = 'sheet' | 'balance' | 'alike' | 'context'
export const VIEWS: Record<View, string> = {
  sheet: 'sheet',
  balance: 'balance',
  alike: 'look-alikes',
  context: 'in use',
}

export type Only = 'all' | 'with snags'

export type Order = 'family' | 'name' | 'weight' | 'nodes'
export const ORDERS: Record<Order, string> = {
  family: 'family order',
  name: 'name',
  weight: 'visual weight',
  nodes: 'nodes, most first',
}

function inOrder(icons: readonly Icon[], order: Order, { siblings }: FamilyMeasures): readonly Icon[] {
  if (order === 'family') return icons
  if (order === 'name') return [...icons].sort((a, b) => a.name.localeCompare(b.name, 'en'))
  const balances = new Map(siblings.map(({ id, balance }) => [id, balance]))
  const value = ({ id }: Icon) => balances.get(id)?.[order] ?? 0
  return [...icons].sort((a, b) => value(b) - value(a))
}

/** What the sheet shows: which icons in which order, at which sizes, on which ground, and how they are seen. */
export function useSheet(set: IconSet, setId: string) {
  const { rules, icons } = set
  const [chosenSizes, setChosenSizes] = useState<readonly number[] | null>(null)
  const [ground, setGround] = useState<Ground>('film')
  const sizes = useMemo(
    () => (chosenSizes ?? defaultSizes(rules)).filter((size) => rules.sizes.includes(size)),
    [chosenSizes, rules],
  )
  const [view, setView] = useState<View>('sheet')
  const [order, setOrder] = useState<Order>('family')
  const [vision, setVision] = useState<Vision>('plain')
  const family = useFamilyMeasures(set)
  const beside = useFamilySnags(family, rules)
  const [only, setOnly] = useState<Only>('all')
  const snagged = useSnagged(icons, rules, only === 'with snags')
  const [sought, setSought] = useState('')
  const [tag, setTag] = useState('')
  const tags = useMemo(() => [...new Set(icons.flatMap(tagsOf))].sort(), [icons])
  const releases = useReleases(setId)
  const [release, setRelease] = useState('')
  // Only the comparison with a release uses the saved set.
  const revision = useSessionState((state) => (release === '' ? 0 : state.revision))
  const since = useSince(setId, release === '' ? null : Number(release), revision)
  const shown = useMemo(
    () =>
      soughtIn(icons, sought, order, family).filter(
        (icon) =>
          (only === 'all' || snagged.has(icon.id) || beside.has(icon.id)) &&
          (tag === '' || tagsOf(icon).includes(tag)) &&
          (!since || since.has(icon.id)),
      ),
    [icons, order, family, beside, only, snagged, sought, tag, since],
  )
  const showAll = () => {
    setSought('')
    setOnly('all')
    setTag('')
    setRelease('')
  }
  return {
    view,
    setView,
    sizes,
    setChosenSizes,
    ground,
    setGround,
    order,
    setOrder,
    vision,
    setVision,
    family,
    beside,
    only,
    setOnly,
    sought,
    setSought,
    tag,
    setTag,
    tags,
    releases,
    release,
    setRelease,
    shown,
    showAll,
  }
}

export type Sheet = ReturnType<typeof useSheet>

/** The sizes to begin with: the smallest, where most goes wrong, the one the set is drawn for, and a large one. */
function defaultSizes({ sizes, grid }: Rules): number[] {
  const large = sizes.filter((size) => size <= 64).at(-1)
  return [...new Set([sizes[0]!, realSize({ sizes, grid }), large ?? sizes[0]!])].sort((a, b) => a - b)
}

/** A search by likeness: “like” and the beginning of a name. */
const LIKE = /^\s*like\s+(\S.*)$/i

/** The icons that are found by words, in an order; or, for “like” and a name, those that are drawn like that icon. */
function soughtIn(icons: readonly Icon[], sought: string, order: Order, family: FamilyMeasures): readonly Icon[] {
  const name = LIKE.exec(sought)?.[1]!.trim().toLowerCase()
  const model =
    name === undefined
      ? undefined
      : (icons.find((icon) => icon.name.toLowerCase() === name) ??
        icons.find((icon) => icon.name.toLowerCase().startsWith(name)))
  if (!model) return inOrder(icons, order, family).filter((icon) => isFoundBy(icon, sought))
  const byId = new Map(icons.map((icon) => [icon.id, icon]))
  return drawnLike(family.siblings, model.id).flatMap(({ id }) => byId.get(id) ?? [])
}

/** Whether an icon has something sought in its name, its other names or its tags. */
function isFoundBy(icon: Icon, sought: string): boolean {
  const text = sought.trim().toLowerCase()
  return (
    text === '' || [icon.name, ...aliasesOf(icon), ...tagsOf(icon)].some((word) => word.toLowerCase().includes(text))
  )
}
