import { z } from 'zod'
import { DrawingObject } from '@/core/drawing/object'
import { namesUsed } from '@/core/drawing/visit'
import { walk, withNewIds } from '@/core/drawing/tree'
import { svgOf } from '@/core/formats/svg'
import { hasValue } from '@/core/rules/renames'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from './bench'
import { remove } from './operations'

const TYPE = 'application/x-wise-square-objects+json'

/** Puts the selection on the clipboard: as objects for Wise Square, as SVG text for everyone else. */
export function copySelection(bench: Bench, event: ClipboardEvent, cut: boolean): void {
  const { selected } = bench
  if (selected.length === 0) return
  event.preventDefault()
  event.clipboardData!.setData(TYPE, JSON.stringify(selected))
  event.clipboardData!.setData('text/plain', svgOf(selected, bench.rules, bench.rules.grid.size))
  if (cut) remove(bench)
}

/** Lays objects from the clipboard in place, in whichever icon is open. */
export function pasteObjects(bench: Bench, event: ClipboardEvent): void {
  const text = event.clipboardData!.getData(TYPE)
  if (text === '') return
  event.preventDefault()
  const parsed = z.array(DrawingObject).safeParse(JSON.parse(text))
  if (!parsed.success || !bench.icon) return
  for (const { object } of walk(parsed.data)) {
    for (const { kind, name } of namesUsed(object)) {
      if (hasValue(bench.rules, kind, name)) continue
      say({
        text: `“${object.name}” uses the ${kind} “${name}”, which this set’s rules do not have. Add it there first.`,
        tone: 'fault',
      })
      return
    }
  }
  const objects = parsed.data.map((object) => withNewIds(object, newId))
  bench.add(objects, `Paste ${objects.length === 1 ? objects[0]!.name : `${objects.length} objects`}`)
}
