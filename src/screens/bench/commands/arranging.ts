import { boxToBox } from '@/core/geometry/transform'
import { type Painted, paintedAnew, styledWithin } from '@/core/drawing/edit/paint'
import { transformPaint } from '@/core/drawing/model/gradient'
import { isStyled, type DrawingObject } from '@/core/drawing/objects/object'
import type { Mask } from '@/core/drawing/kinds/group/schema'
import { type Finish, isShared, withPaints } from '@/core/drawing/model/style'
import { styleOf } from '@/core/drawing/scene/shared-style'
import type { Box } from '@/core/geometry/box'
import { slice } from '../state/slice'
import type { Side } from '@/core/drawing/edit/arrange'
import type { Command } from '@/ui/commands'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'
import { title } from '../operations/objects'
import { paintable } from '../operations/paints'
import { keepAlternative } from '../operations/alternatives'
import { align, centreOptically, space } from '../operations/arranging'

/** A property that objects may share. `read` gives equal texts for equal properties, null if an object has none. */
type Common = {
  readonly word: string
  readonly isFinish?: true
  readonly read: (bench: Bench, object: DrawingObject) => string | null
}

const COMMON: readonly Common[] = [
  {
    word: 'stroke',
    isFinish: true,
    read(bench, object) {
      if (!isStyled(object)) return null
      const { stroke, weight, dash, side } = styleOf(object, bench.scene)
      return JSON.stringify([stroke, weight, dash, side])
    },
  },
  {
    word: 'fill',
    isFinish: true,
    read(bench, object) {
      if (!isStyled(object)) return null
      const { fill, fills } = styleOf(object, bench.scene)
      return JSON.stringify([fill, fills])
    },
  },
  {
    word: 'size',
    read(bench, object) {
      const { w, h } = bench.extent([object])!
      return `${w.toFixed(6)} ${h.toFixed(6)}`
    },
  },
  { word: 'kind', read: (_, object) => object.kind },
]

/** Commands: align, select similar objects, copy the finish, mask, and keep alternatives. */
export function arrangeCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  const painted = () => (paintable(bench).length > 0 ? null : 'Select a painted object first.')
  const two = () => (bench.free.length > 1 ? null : 'Select two objects or more first: the front one is the mask.')
  const sides: readonly Side[] = ['left', 'centre', 'right', 'top', 'middle', 'bottom']
  const masks: readonly (readonly [Mask, string])[] = [
    ['inside', 'Mask: show what lies in the front object'],
    ['outside', 'Mask: hide what lies in the front object'],
    ['fade', 'Mask: fade as the front object is opaque'],
  ]
  return [
    ...sides.map((side): Command => ({
      id: `align-${side}`,
      name: `Align ${side}`,
      needs: free,
      run: () => align(bench, side),
    })),
    { id: 'space-x', name: 'Equal gaps across', needs: free, run: () => space(bench, 'x') },
    { id: 'space-y', name: 'Equal gaps down', needs: free, run: () => space(bench, 'y') },
    {
      id: 'centre-ink',
      name: 'Centre optically by the ink',
      keys: ['$mod+Shift+KeyE'],
      needs: free,
      run: () => centreOptically(bench, 'ink'),
    },
    {
      id: 'centre-circle',
      name: 'Centre optically by the circle around',
      needs: free,
      run: () => centreOptically(bench, 'circle'),
    },
    ...COMMON.map(({ word, isFinish, read }): Command => ({
      id: `alike-${word}`,
      ...(isFinish && { inMenu: [{ of: 'objects', part: 1, list: 'Finish' }] }),
      name: `Select all with the same ${word}`,
      needs: () => (bench.selected.length > 0 ? null : 'Select an object first, to find those like it.'),
      run: () => selectAlike(bench, read),
    })),
    {
      id: 'copy-finish',
      inMenu: [{ of: 'objects', part: 1, list: 'Finish' }],
      name: 'Copy the finish',
      keys: ['$mod+Alt+KeyC'],
      needs: painted,
      run: () => copyFinish(bench),
    },
    {
      id: 'paste-finish',
      inMenu: [{ of: 'objects', part: 1, list: 'Finish' }],
      name: 'Paste the finish',
      keys: ['$mod+Alt+KeyV'],
      needs: () => (bench.read(FINISH).copied ? painted() : 'Copy the finish of an object first (Ctrl Alt C).'),
      run: () => pasteFinish(bench),
    },
    ...masks.map(([mask, name]): Command => ({
      id: `mask-${mask}`,
      inMenu: [{ of: 'objects', part: 1, list: 'Mask' }],
      name,
      needs: two,
      run: () => maskSelection(bench, mask),
    })),
    {
      id: 'keep-alternative',
      name: 'Keep the drawing as an alternative',
      needs: () => (bench.icon ? null : 'Add an icon first: + icon, on the left.'),
      run: () => keepAlternative(bench),
    },
  ]
}

function selectAlike(bench: Bench, read: (bench: Bench, object: DrawingObject) => string | null): void {
  const wanted = new Set(
    bench.selected.map((object) => read(bench, object)).filter((text): text is string => text !== null),
  )
  bench.select(
    bench.reachable
      .filter((object) => !object.hidden && !object.locked && wanted.has(read(bench, object) ?? ''))
      .map(({ id }) => id),
  )
}

/** A finish that was copied, and the box of the object it is from. */
const FINISH = slice('finish', { copied: null as { readonly style: Finish; readonly box: Box } | null })

function copyFinish(bench: Bench): void {
  const [one] = paintable(bench)
  if (!one) return
  const { of, style } = one
  bench.put(FINISH, { copied: { style: isStyled(of) ? of.style : style, box: bench.extent([of])! } })
}

/**
 * Gives the copied finish to the selection, as a shared style if it was shared; gradients keep their place relative to
 * each object's box.
 */
function pasteFinish(bench: Bench): void {
  const finish = bench.read(FINISH).copied
  if (!finish) return
  const { style, box } = finish
  const painted = paintable(bench),
    own = bench.scene.style(style, () => box)
  // What shapes are made in has a style of its own, also where others share one.
  const shares = ({ of }: Painted): boolean => isShared(style) && isStyled(of)
  const next = [
    ...painted.filter(shares).map(({ of }) => ({ ...of, style }) as DrawingObject),
    ...paintedAnew(
      painted.filter((one) => !shares(one)),
      ({ of }) => {
        const map = boxToBox(box, bench.extent([of])!)
        return withPaints(own, (paint) => transformPaint(paint, map))
      },
    ),
  ]
  bench.restyle(next, `Paste the finish on ${title(next)}`)
}

function maskSelection(bench: Bench, mask: Mask): void {
  const id = newId()
  bench.edit(
    {
      kind: 'gather',
      ids: bench.free.map((object) => object.id),
      container: { kind: 'group', id, name: bench.nameFor('Mask'), mask },
    },
    `Mask ${styledWithin(bench.free).length} objects`,
  )
  bench.select([id])
}
