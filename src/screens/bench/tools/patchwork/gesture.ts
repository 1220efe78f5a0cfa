import { boxAround } from '@/core/geometry/box'
import { nearestOnPath } from '@/core/geometry/nearest'
import { distance, type Point } from '@/core/geometry/point'
import { winding } from '@/core/geometry/winding'
import { paintedWithin } from '@/core/drawing/edit/paint'
import { freshStyle } from '@/core/drawing/edit/fresh'
import { laidOut, type LaidLeak } from '@/core/drawing/kinds/patchwork/laid'
import { type Stretch, stretchesOf } from '@/core/drawing/kinds/patchwork/stretches'
import { patchesNow, type PatchNow } from '@/core/drawing/kinds/patchwork/swept'
import { cutStretches, dropped, type Fresh, kept, withClosed, withCut } from '@/core/drawing/kinds/patchwork/sweeping'
import type { OfKind } from '@/core/drawing/objects/object'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { figure } from '@/ui/sum'
import type { Bench } from '../../state/bench'
import type { Drawable } from '../../state/drawable'
import { orNone } from '../../state/or-none'
import { toScreen } from '../../state/view'
import { travelled } from '../drags'
import type { At, Drag, Tool } from '../tool'
import { pickAt } from '../under'
import { acceptPatchwork, PATCHWORK, type Way } from '../../operations/patchwork'

type Patchwork = OfKind<'patchwork'>

/** Screen pixels within which a leak is taken, and between two places of a sweep. */
const LEAK = 9,
  STEP = 3

const KEYS: Readonly<Record<string, Way>> = { k: 'keep', d: 'drop', c: 'cut' }

/** Sweeps patches together, drops them, cuts lines, closes leaks. */
export function patchworkTool(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Click or sweep through patches · K keep · D drop · C cut a line · Shift: add to the shape in hand · Enter: done',
    marks: () => marksOf(bench),
    hover: (at) => hover(bench, at),
    press(at) {
      const object = bench.one('patchwork')
      if (!object) {
        const other = pickAt(bench, at)
        if (other) bench.select([other.id])
        return null
      }
      const leak = leakAt(bench, object, at)
      if (leak) {
        put(bench, withClosed(object, leak.key!), `Close a gap of ${figure(leak.gap)}`)
        return null
      }
      return bench.read(PATCHWORK).way === 'cut' ? cut(bench, object, at) : sweep(bench, object, at)
    },
    removal() {
      const object = bench.one('patchwork')
      return object && (() => removeShape(bench, object))
    },
    key(key, down) {
      if (down === false) return false
      const way = KEYS[key.toLowerCase()]
      if (way) bench.put(PATCHWORK, { way })
      else if (key === 'Enter' || key === 'Escape') acceptPatchwork(bench)
      else return false
      bench.letGo()
      return true
    },
  }
}

/** Takes the shape in hand out of a patchwork; its patches are there to be swept again. */
function removeShape(bench: Bench, object: Patchwork): void {
  const { shape } = bench.read(PATCHWORK)
  const swept = object.swept.filter(({ id }) => id !== shape)
  if (swept.length === object.swept.length)
    return say({
      text: 'Delete takes out the shape in hand: press one of its patches first. Esc leaves the patchwork.',
    })
  bench.put(PATCHWORK, { shape: null })
  put(bench, { ...object, swept }, 'Remove a shape')
}

const put = (bench: Bench, object: Patchwork, label: string) =>
  bench.edit({ kind: 'replace', objects: [object] }, `${label} of ${object.name}`)

function marksOf(bench: Bench): Drawable[] {
  const object = bench.one('patchwork')
  if (!object) return []
  const { scene } = bench
  const patches = orNone(() => patchesNow(object, scene))
  const { shape } = bench.read(PATCHWORK)
  const chosen = patches.filter((patch) => patch.shape && patch.shape.id === shape)
  return [
    { as: 'areas', look: 'tinted', paths: patches.map(({ path }) => path) },
    { as: 'areas', look: 'hatched', paths: patches.filter((patch) => !patch.shape).map(({ path }) => path) },
    ...chosen.map(({ path }): Drawable => ({ as: 'path', path, dashed: true })),
    ...orNone(() => cutStretches(object, scene)).map(({ path }): Drawable => ({ as: 'path', path, dashed: true })),
    ...leaksOf(bench, object).map(({ at, gap }): Drawable => ({
      as: 'leak',
      at,
      text: `gap ${figure(Number(gap.toFixed(3)))}`,
    })),
  ]
}

/** The leaks that a click can close. */
const leaksOf = (bench: Bench, object: Patchwork): readonly LaidLeak[] =>
  orNone(() => laidOut(object, bench.scene).leaks).filter(({ key }) => key !== null)

function leakAt(bench: Bench, object: Patchwork, at: At): LaidLeak | null {
  const { view } = bench.store.getState()
  return (view && leaksOf(bench, object).find((leak) => distance(toScreen(view, leak.at), at.screen) <= LEAK)) ?? null
}

function patchAt(patches: readonly PatchNow[], p: Point): PatchNow | null {
  return (
    patches.find(
      ({ box, path }) =>
        p.x >= box.x && p.y >= box.y && p.x <= box.x + box.w && p.y <= box.y + box.h && winding(path, p) !== 0,
    ) ?? null
  )
}

function stretchAt(bench: Bench, object: Patchwork, p: Point): Stretch | null {
  let best: Stretch | null = null,
    least = 2 * bench.reach
  for (const stretch of orNone(() => stretchesOf(object, bench.scene))) {
    const around = boxAround(stretch.path.flatMap(({ segments }) => segments.flatMap(({ from, to }) => [from, to])))!
    // An arc lies within its diameter of its ends.
    const far = least + Math.max(around.w, around.h, 1)
    if (
      p.x < around.x - far ||
      p.y < around.y - far ||
      p.x > around.x + around.w + far ||
      p.y > around.y + around.h + far
    )
      continue
    const away = nearestOnPath(stretch.path, p)?.distance ?? Infinity
    if (away > least) continue
    least = away
    best = stretch
  }
  return best
}

function hover(bench: Bench, at: At): void {
  const object = bench.one('patchwork')
  if (!object) return
  const { way } = bench.read(PATCHWORK)
  if (leakAt(bench, object, at)) return bench.hold({ drawn: [], intent: { at: at.p, word: 'close the gap' } })
  if (way === 'cut') {
    const stretch = stretchAt(bench, object, at.p)
    const isCut = stretch && cutStretches(object, bench.scene).includes(stretch)
    bench.hold({
      drawn: stretch ? [{ as: 'path', path: stretch.path }] : [],
      intent: stretch ? { at: at.p, word: isCut ? 'put back' : 'cut' } : null,
    })
    return
  }
  const patch = patchAt(
    orNone(() => patchesNow(object, bench.scene)),
    at.p,
  )
  bench.hold({
    drawn: patch ? [{ as: 'areas', look: 'washed', paths: [patch.path] }] : [],
    intent: patch ? { at: at.p, word: way === 'drop' ? 'drop' : patch.shape ? patch.shape.name : 'keep' } : null,
  })
}

function cut(bench: Bench, object: Patchwork, at: At): Drag | null {
  const stretch = stretchAt(bench, object, at.p)
  if (!stretch) return null
  const isCut = cutStretches(object, bench.scene).includes(stretch)
  put(bench, withCut(object, bench.scene, stretch), isCut ? 'Put back a line' : 'Cut a line')
  return null
}

/** Patches that the pointer passes, kept together or dropped on release. */
function sweep(bench: Bench, object: Patchwork, start: At): Drag {
  const patches = orNone(() => patchesNow(object, bench.scene))
  const { way, shape: inHand } = bench.read(PATCHWORK)
  const passed = new Set<PatchNow>()
  const pass = (p: Point) => {
    const patch = patchAt(patches, p)
    if (patch) passed.add(patch)
  }
  const show = () =>
    bench.hold({
      intent: null,
      drawn: [{ as: 'areas', look: way === 'drop' ? 'hatched' : 'washed', paths: [...passed].map(({ path }) => path) }],
    })
  let last = start.p,
    moved = false
  pass(start.p)
  show()
  return {
    move(at) {
      moved ||= travelled(start, at)
      if (!moved) return
      for (const to of at.since ?? [at.p]) {
        const steps = Math.max(1, Math.ceil((distance(last, to) * (bench.store.getState().view?.scale ?? 1)) / STEP))
        for (let i = 1; i <= steps; i++)
          pass({ x: last.x + ((to.x - last.x) * i) / steps, y: last.y + ((to.y - last.y) * i) / steps })
        last = to
      }
      show()
    },
    release(at) {
      bench.letGo()
      const all = [...passed]
      const first = all[0]
      if (!first) return
      if (way === 'drop') return put(bench, dropped(object, bench.scene, all), 'Drop patches')
      // A click on a shape takes it in hand.
      if (!moved && first.shape && !at.shift) return bench.put(PATCHWORK, { shape: first.shape.id })
      const fresh: Fresh = { id: newId(), name: `Shape ${object.swept.length + 1}`, style: finishOf(bench, object) }
      const into = at.shift && object.swept.some(({ id }) => id === inHand) ? inHand : null
      const next = kept(object, bench.scene, all, fresh, into)
      put(bench, next, 'Sweep patches together')
      bench.put(PATCHWORK, { shape: into ?? all.find(({ shape }) => shape)?.shape?.id ?? fresh.id })
    },
    cancel: () => bench.drop(),
  }
}

/** The finish of a new shape: that of the shape in hand, of a filled source, or a default one. */
function finishOf(bench: Bench, object: Patchwork) {
  const { shape } = bench.read(PATCHWORK)
  const inHand = object.swept.find(({ id }) => id === shape)?.style
  const filled = paintedWithin(object.members, bench.scene).find(({ style }) => style.fill !== 'none')?.style
  return inHand ?? filled ?? freshStyle(bench.rules, true)
}
