import { Badge } from 'lucide-react'
import { groundIn } from '@/core/drawing/edit/cut-by-ground'
import type { DrawingEdit } from '@/core/drawing/edit/edit'
import { extentOf } from '@/core/drawing/evaluate/extent'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { fitObjects } from '@/core/drawing/edit/numbers'
import { sizeOf } from '@/core/drawing/kinds/placement/placed'
import type { Plate } from '@/core/drawing/model/plates'
import type { Style } from '@/core/drawing/model/style'
import { boxAbout } from '@/core/geometry/box'
import { INK } from '@/core/drawing/model/values'
import type { Rules } from '@/core/rules/rules'
import type { SetEdit } from '@/core/set/edit'
import { masterFor } from '@/core/set/set'
import type { Command } from '@/ui/commands'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { gather } from './gather'

/** The plates that a set begins with, for a grid of a size. */
const platesFor = (size: number): Plate[] => {
  const padding = Math.round(size / 6)
  return [
    { name: 'squircle', shape: 'squircle', w: size, h: size, exponent: 5, padding },
    { name: 'disc', shape: 'circle', w: size, h: size, padding },
    { name: 'rounded', shape: 'rounded', w: size, h: size, ratio: 0.225, padding },
    { name: 'tall', shape: 'rounded', w: Math.round(size * 0.75), h: size, ratio: 0.225, padding },
    { name: 'wide', shape: 'rounded', w: size, h: Math.round(size * 0.75), ratio: 0.225, padding },
  ]
}

/** The rules with plates in them and a colour for them, where they have none yet. */
function withPlates(rules: Rules): Rules {
  const coloured = rules.palette.some(({ name }) => name !== INK && name !== SHADE) ? rules : withSwatch(rules, PLATE)
  return rules.plates?.length ? coloured : { ...coloured, plates: platesFor(rules.grid.size) }
}

function plateObject(rules: Rules, name: string): DrawingObject {
  const middle = rules.grid.size / 2
  const fill = rules.palette.find(({ name }) => name !== INK && name !== SHADE)?.name ?? INK
  const style: Style = { fill, stroke: 'none', weight: rules.weights[0]!.name }
  return { kind: 'plate', id: newId(), name: 'Plate', plate: name, at: { x: middle, y: middle }, style }
}

/**
 * Lays the first plate of the rules behind the open icon, or behind every icon that has none, in one step. The plate
 * that the icon has is selected instead.
 */
function layPlate(bench: Bench, everywhere: boolean): void {
  const { here } = bench
  if (!here) return
  const there = groundIn(bench.objects)
  if (there && !everywhere) {
    bench.select([there.id])
    return say({ text: `The icon lies on “${there.name}” already: it is selected.` })
  }
  const rules = withPlates(bench.setRules),
    name = rules.plates![0]!.name
  const { icons } = bench.session.getState().history.present
  const targets = everywhere
    ? icons
        .filter((icon) => !groundIn(masterFor(icon).objects))
        .map((icon) => ({ icon: icon.id, master: masterFor(icon).base }))
    : [here]
  if (targets.length === 0) return say({ text: 'Every icon has a plate already.' })
  const made = targets.map((at) => ({ at, object: plateObject(rules, name) }))
  const edits: SetEdit[] = [
    ...(rules === bench.setRules ? [] : [{ kind: 'rules' as const, rules, renames: [] }]),
    ...made.map(({ at, object }) => ({
      kind: 'draw' as const,
      ...at,
      edit: { kind: 'add', objects: [object], into: null, at: 0 } as DrawingEdit,
    })),
  ]
  commit(
    bench.session,
    { kind: 'all', edits },
    everywhere ? `Put a plate behind ${made.length} icons` : 'Put a plate behind the icon',
  )
  const own = made.find(({ at }) => at.icon === here.icon)
  if (own) bench.select([own.object.id])
}

/** Lays another plate of the rules in the place of the one that is selected, or that the icon has. */
export function changePlate(bench: Bench, name: string): void {
  const objects = bench.one('plate') ? [bench.one('plate')!] : bench.objects.filter(({ kind }) => kind === 'plate')
  bench.edit(
    { kind: 'replace', objects: objects.map((object) => ({ ...object, plate: name }) as DrawingObject) },
    `Lay the plate ${name}`,
  )
}

/** Centres the objects on the plate and sizes them to its padding. */
function fitOnPlate(bench: Bench): void {
  const plate = groundIn(bench.objects)
  if (plate?.kind !== 'plate') return
  const { padding = 0, w, h } = bench.scene.plate(plate.plate),
    scale = sizeOf(plate)
  const others = bench.objects.filter((object) => object !== plate && !object.hidden)
  const box = extentOf(others, bench.scene)
  if (!box) return
  const room = { w: (w - 2 * padding) * scale, h: (h - 2 * padding) * scale }
  const by = Math.min(room.w / (box.w || 1), room.h / (box.h || 1))
  const to = boxAbout(plate.at, box.w * by, box.h * by)
  bench.edit({ kind: 'replace', objects: fitObjects(others, box, to) }, 'Fit the drawing on its plate')
}

/** The rules with a swatch of a name, added to the palette if missing. */
function withSwatch(rules: Rules, swatch: Rules['palette'][number]): Rules {
  const { palette } = rules
  if (palette.length >= MOST_SWATCHES || palette.some(({ name }) => name === swatch.name)) return rules
  return { ...rules, palette: [...palette, swatch] }
}

/** The swatch of plates: ink, which is light on dark ground, is seen on it there too. */
const PLATE: Rules['palette'][number] = { name: 'plate', color: '#d9e2df', dark: '#33443f' }

/** How many swatches a palette may have. */
const MOST_SWATCHES = 64

/** The swatch of shadows; it does not turn light on dark ground, as ink does. */
const SHADE = 'shade'

/** The rules with the swatch of shadows: the ink of light ground. */
const withShade = (rules: Rules): Rules =>
  withSwatch(rules, { name: SHADE, color: rules.palette.find(({ name }) => name === INK)!.color })

/** A long shadow of the selection, as far as the edge of the icon's plate where it has one. */
function castShadow(bench: Bench): void {
  const rules = withShade(bench.setRules)
  const cast = {
    kind: 'cast',
    angle: -45,
    length: groundIn(bench.objects) ? 0 : bench.rules.grid.size / 2,
    style: { fill: swatchIn(rules, SHADE), fillOpacity: 0.25, stroke: 'none', weight: bench.rules.weights[0]!.name },
  } as const
  gather(bench, bench.free, 'Cast', cast, [], rules)
}

/** A swatch by its name; ink where a full palette has no room for it. */
const swatchIn = ({ palette }: Rules, wanted: string): string =>
  palette.some(({ name }) => name === wanted) ? wanted : INK

/** Has the icon's plate cut the selected cast, or no longer. */
function cutCast(bench: Bench): void {
  const object = bench.one('cast')!
  const { whole, ...rest } = object
  // Without a plate there is no edge to go to.
  const left = { ...rest, whole: true as const, length: rest.length || bench.rules.grid.size / 2 }
  bench.edit(
    { kind: 'replace', objects: [whole ? { ...rest, length: 0 } : left] },
    whole ? `Cut ${object.name} by the plate` : `Leave ${object.name} whole`,
  )
}

/** Gives the selection a soft shadow, or takes it away. */
function softShadow(bench: Bench): void {
  const { free } = bench,
    unit = bench.rules.grid.size / 24
  const on = !free.every(({ shadow }) => shadow),
    rules = on ? withShade(bench.setRules) : bench.setRules,
    color = swatchIn(rules, SHADE)
  const objects = free.map(({ shadow: _, ...object }) =>
    on ? { ...object, shadow: { x: 0, y: unit, blur: 2 * unit, color, opacity: 0.35 } } : object,
  ) as DrawingObject[]
  bench.edit({ kind: 'replace', objects }, on ? 'Add a soft shadow' : 'Remove the soft shadow', rules)
}

export function plateCommands(bench: Bench): Command[] {
  const open = () => (bench.icon ? null : 'Add an icon first: + icon, on the left.')
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  return [
    {
      id: 'cast',
      name: 'Cast',
      keys: ['KeyJ'],
      inLine: { cluster: 'Combine', picture: Badge },
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: () => castShadow(bench),
    },
    {
      id: 'cut-cast',
      name: 'Clip the cast by the plate, or leave it whole',
      needs() {
        const object = bench.one('cast')
        if (!object) return 'Select a cast first.'
        return !object.whole || groundIn(bench.objects) ? null : 'Put a plate behind the icon first.'
      },
      run: () => cutCast(bench),
    },
    {
      id: 'soft-shadow',
      name: 'Soft shadow: add or remove',
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: () => softShadow(bench),
    },
    {
      id: 'plate',
      name: 'Put a plate behind this icon',
      keys: ['Alt+KeyP'],
      needs: open,
      run: () => layPlate(bench, false),
    },
    { id: 'plates', name: 'Put a plate behind every icon', needs: open, run: () => layPlate(bench, true) },
    {
      id: 'fit-plate',
      name: 'Fit the drawing on its plate',
      needs: () => open() ?? (groundIn(bench.objects) ? null : 'Put a plate behind the icon first.'),
      run: () => fitOnPlate(bench),
    },
  ]
}
