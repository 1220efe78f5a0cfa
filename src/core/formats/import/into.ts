import { blackAsInk } from './black-as-ink'
import { fileError, type FileProblem } from '../../findings/problem'
import { freeName } from '../../set/names'
import { type Icon, type IconSet, LIMITS } from '../../set/set'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Rules } from '../../rules/rules'
import { imagesBack } from './images/images-back'
import type { Telling } from './gather'
import { settableIcon } from './settable-icon'
import { inPieces } from './live-pieces'
import { onGrid } from './on-grid'
import { strokeBack, strokeTolerance } from './strokes-back'
import type { ReadIcon } from './read-icon'
import { unbroken } from './unbroken'
import { underRules } from './under-rules'

/** Areas that strokes of the rules paint, as these strokes. */
function asStrokes(objects: readonly DrawingObject[], { weights, grid }: Rules): DrawingObject[] {
  const within = strokeTolerance(grid.size)
  return objects.flatMap((object) => {
    const back = strokeBack(object, within)
    return back && weights.some(({ value }) => Math.abs(value - back.weight) <= within) ? back.objects : [object]
  })
}

/** Converts read files to icons of an existing set: on its grid, under its rules, with free names and ids. */
export function iconsInto(
  read: readonly ReadIcon[],
  set: IconSet,
  newId: (i: number) => string,
  tell?: Telling,
): {
  readonly icons: readonly Icon[]
  /** The file of each icon. */
  readonly paths: readonly string[]
  readonly remarks: readonly FileProblem[]
  readonly failed: readonly FileProblem[]
} {
  const grid = set.rules.grid.size,
    within = strokeTolerance(grid)
  const inInk = blackAsInk(read)
  const taken = set.icons.map(({ name }) => name)
  const icons: Icon[] = [],
    paths: string[] = [],
    remarks: FileProblem[] = [],
    failed: FileProblem[] = []
  read.forEach((one, i) => {
    tell?.(i, read.length)
    if (set.icons.length + icons.length >= LIMITS.icons) {
      failed.push(fileError(one.path, `A set holds ${LIMITS.icons} icons at most.`))
      return
    }
    const name = freeName(one.fullName ?? one.name, taken)
    const objects = inInk(onGrid(one, grid))
    const master = {
      base: grid,
      objects: underRules(
        one.how === 'live'
          ? unbroken(() => imagesBack(inPieces(asStrokes(objects, set.rules), within), within), objects)
          : objects,
        set.rules,
      ),
    }
    const made = settableIcon(
      { id: newId(i), name, ...(one.tags.length > 0 && { tags: one.tags }), masters: [master] },
      set.rules,
    )
    if ('problem' in made) {
      failed.push(fileError(one.path, made.problem))
      return
    }
    taken.push(name)
    icons.push(made.icon)
    paths.push(one.path)
    if (name !== (one.fullName ?? one.name))
      remarks.push({
        icon: name,
        path: one.path,
        isError: false,
        sentence: `“${one.fullName ?? one.name}” was there, so it is named “${name}”`,
      })
    for (const { what, why } of one.unread)
      remarks.push({ icon: name, path: one.path, isError: false, sentence: `${what}: ${why}` })
  })
  return { icons, paths, remarks, failed }
}
