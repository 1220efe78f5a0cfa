import type { NodeAt } from '@/core/drawing/edit/node-edit'
import { afterEdit, editable, type Edited } from '@/core/drawing/edit/editable'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { say } from '@/ui/notice'
import { undoStep } from '../../session/session'
import type { Bench } from '../state/bench'
import { slice } from '../state/slice'

/**
 * An edit that waits for an answer, because a shape would become a path by it; and whether that was agreed to before.
 */
export const LOSS = slice('loss', {
  question: null as { readonly name: string; readonly lost: string; readonly accept: () => void } | null,
  mayLose: false,
})

export const nodeKey = ({ contour, node }: NodeAt): string => `${contour} ${node}`

export function nodeOfKey(key: string): NodeAt {
  const [contour, node] = key.split(' ').map(Number)
  return { contour: contour!, node: node! }
}

/** The one object whose nodes are edited, as a path: the selected one, when it is alone and not locked. */
export function editedPath(bench: Bench): PathObject | null {
  const [object, ...more] = bench.free
  return object && more.length === 0 ? editable(object, bench.scene) : null
}

/** The edited path as an object: the original shape if it can express the edit. */
export function editedObject(bench: Bench, path: PathObject): Edited {
  const object = bench.free.find(({ id }) => id === path.id)
  return object ? afterEdit(object, path) : { object: path, lost: null }
}

/**
 * Puts an edited path into the drawing. The first time a shape must become a path, the person is asked and told the
 * losses; later they are told only.
 */
export function putPath(bench: Bench, path: PathObject, label: string): void {
  const { object, lost } = editedObject(bench, path)
  const put = () => bench.edit({ kind: 'replace', objects: [object] }, label)
  if (lost && !bench.read(LOSS).mayLose) {
    // The edit stays in sight until the answer.
    bench.preview({ kind: 'replace', objects: [object] })
    const accept = () => {
      bench.put(LOSS, { mayLose: true })
      put()
    }
    bench.put(LOSS, { question: { name: object.name, lost, accept } })
    return
  }
  put()
  if (lost)
    say({
      text: `“${object.name}” is a path now; ${lost} went with that.`,
      action: { label: 'Undo', run: () => undoStep(bench.session) },
    })
}

/** Shows an edited path while it is in hand. */
export function previewPath(bench: Bench, path: PathObject): void {
  bench.preview({ kind: 'replace', objects: [editedObject(bench, path).object] })
}

/** The selected nodes that are there, in order. */
export function selectedNodes(bench: Bench): NodeAt[] {
  const path = editedPath(bench)
  if (!path) return []
  const { nodes } = bench.store.getState()
  return path.contours.flatMap((run, contour) =>
    run.nodes.flatMap((_, node) => (nodes.has(nodeKey({ contour, node })) ? [{ contour, node }] : [])),
  )
}

/** Every node of a path. */
export const allNodes = (path: PathObject): NodeAt[] =>
  path.contours.flatMap((run, contour) => run.nodes.map((_, node) => ({ contour, node })))
