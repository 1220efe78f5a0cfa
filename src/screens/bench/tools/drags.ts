import { type Box, boxBetween } from '@/core/geometry/box'
import { distance } from '@/core/geometry/point'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import type { Bench } from '../state/bench'
import { previewPath, putPath } from '../operations/node-selection'
import type { InHand } from '../state/in-hand'
import type { At, Drag } from './tool'

/** Screen pixels a press must travel before it is a drag. */
const SLACK = 3

export const travelled = (start: At, at: At): boolean => distance(at.screen, start.screen) >= SLACK

/** The current state of a drag: its edit, and the marks shown beside it. */
export type Step<T> = { readonly edit: T; readonly held: Partial<InHand> }

/**
 * What becomes of an edit in hand: it is shown, and done on release; `click` is what a press that came to no edit does.
 */
type Ways<T> = { readonly show: (edit: T) => void; readonly put: (edit: T) => void; readonly click?: (at: At) => void }

/** A drag that shows an edit while it is in hand, does it on release and drops it when it is given up. */
export function editDrag<T>(bench: Bench, next: (at: At) => Step<T> | null, { show, put, click }: Ways<T>): Drag {
  let edit: T | null = null
  return {
    move(at) {
      const step = next(at)
      if (!step) return
      edit = step.edit
      show(edit)
      bench.hold(step.held)
    },
    release(at) {
      bench.letGo()
      if (edit) put(edit)
      else click?.(at)
    },
    cancel: () => bench.drop(),
  }
}

/** A drag that runs another act on release; the pulled thing stays in hand. */
export const afterRelease = (drag: Drag, then: () => void): Drag => ({
  ...drag,
  release(at) {
    drag.release(at)
    then()
  },
})

/** A drag that changes objects. */
export const objectsDrag = (bench: Bench, label: string, next: (at: At) => Step<DrawingObject[]> | null): Drag =>
  editDrag(bench, next, {
    show: (objects) => bench.preview({ kind: 'replace', objects }),
    put: (objects) => bench.edit({ kind: 'replace', objects }, label),
  })

/** A drag that edits the nodes of the path in hand. */
export const pathDrag = (
  bench: Bench,
  label: string,
  next: (at: At) => Step<PathObject> | null,
  click?: (at: At) => void,
): Drag =>
  editDrag(bench, next, {
    show: (path) => previewPath(bench, path),
    put: (path) => putPath(bench, path, label),
    ...(click && { click }),
  })

/** A drag of a selection box. */
export function lasso(
  bench: Bench,
  start: At,
  { choose, click, restore }: { choose: (box: Box) => void; click: () => void; restore: () => void },
): Drag {
  let dragged = false
  return {
    move(at) {
      dragged ||= travelled(start, at)
      if (!dragged) return
      choose(boxBetween(start.p, at.p))
      bench.hold({ drawn: [{ as: 'box', from: start.p, to: at.p }] })
    },
    release() {
      bench.letGo()
      if (!dragged) click()
    },
    cancel() {
      bench.letGo()
      restore()
    },
  }
}
