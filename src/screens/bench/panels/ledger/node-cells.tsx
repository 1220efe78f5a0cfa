import { changeNodes, moveNodes, type NodeAt, type NodeKind, setKind } from '@/core/drawing/edit/node-edit'
import { styleOf } from '@/core/drawing/scene/shared-style'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import type { Node } from '@/core/drawing/model/node'
import { Cap, type CornerStyle, Join, type Radius } from '@/core/drawing/model/style'
import type { Rules } from '@/core/rules/rules'
import { CornerStyleChoice } from '../../cells/corner-style'
import { EditCell } from '../../cells/edit-cell'
import { RADIUS } from '../../cells/limits'
import { NamedNumberCell, SEVERAL, WordCell } from '../../cells/value-cell'
import { putPath } from '../../operations/node-selection'
import type { Bench } from '../../state/bench'

const KINDS: readonly NodeKind[] = ['corner', 'smooth', 'symmetric']

/** What the cells of a row show: the values of one node, or what several have in common. */
type Shown = { [K in 'x' | 'y' | 'kind' | 'corner' | 'cornerStyle' | 'join' | 'cap']?: Node[K] | typeof SEVERAL }

/** The cells of a node, or of several; an edit goes to all `targets`. */
export function NodeCells({
  bench,
  path,
  rules,
  label,
  node,
  isEnd,
  readOnly = false,
  targets,
}: {
  bench: Bench
  path: PathObject
  rules: Rules
  label: string
  node: Shown
  isEnd: boolean
  readOnly?: boolean
  targets: () => readonly NodeAt[]
}) {
  const commit = (what: string, next: (places: readonly NodeAt[]) => PathObject) => {
    const places = targets()
    putPath(bench, next(places), `Set ${what} of ${places.length === 1 ? label : `${places.length} nodes`}`)
  }
  const set = (what: string, change: Partial<Node>) =>
    commit(what, (places) => changeNodes(path, places, (one) => withValues(one, change)))
  const moveTo = (axis: 'x' | 'y') => (value: number) =>
    commit(axis, (places) =>
      places.reduce((so, place) => {
        const old = so.contours[place.contour]!.nodes[place.node]!
        return moveNodes(so, [place], axis === 'x' ? { x: value - old.x, y: 0 } : { x: 0, y: value - old.y })
      }, path),
    )
  const ofStyle = styleOf(path, bench.scene)
  return (
    <>
      {(['x', 'y'] as const).map((axis) => (
        <div role="gridcell" key={axis}>
          <EditCell
            label={`${axis} of ${label}`}
            value={node[axis] === SEVERAL ? null : (node[axis] as number)}
            step={rules.grid.step}
            readOnly={readOnly}
            onChange={moveTo(axis)}
          />
        </div>
      ))}
      <div role="gridcell">
        <WordCell<NodeKind>
          label={`kind of ${label}`}
          value={node.kind === SEVERAL ? SEVERAL : (node.kind ?? 'corner')}
          words={KINDS}
          readOnly={readOnly}
          onChange={(kind) => commit('the kind', (places) => setKind(path, places, kind ?? 'corner'))}
        />
      </div>
      <div role="gridcell">
        <NamedNumberCell
          label={`corner of ${label}`}
          value={node.corner}
          list={rules.radii}
          none="sharp"
          byParent={{ text: 'the path’s', onChoose: () => set('the corner', { corner: undefined }) }}
          readOnly={readOnly}
          limits={RADIUS}
          onChange={(corner) => set('the corner', { corner: corner as Radius })}
        >
          <CornerStyleChoice
            label={`Style of the corner of ${label}`}
            value={node.cornerStyle ?? path.cornerStyle}
            onChange={(style: CornerStyle) =>
              set('the corner style', { cornerStyle: style === (path.cornerStyle ?? 'round') ? undefined : style })
            }
          />
        </NamedNumberCell>
      </div>
      <div role="gridcell">
        <WordCell<Join>
          label={`join of ${label}`}
          value={node.join}
          words={Join.options}
          byRules={ofStyle.join ?? rules.join}
          readOnly={readOnly}
          onChange={(join) => set('the join', { join })}
        />
      </div>
      <div role="gridcell">
        {isEnd ? (
          <WordCell<Cap>
            label={`cap of ${label}`}
            value={node.cap}
            words={Cap.options}
            byRules={ofStyle.cap ?? rules.cap}
            readOnly={readOnly}
            onChange={(cap) => set('the cap', { cap })}
          />
        ) : (
          <span className="px-1 text-quiet/70">–</span>
        )}
      </div>
    </>
  )
}

/** A node with other values; those that are undefined are left out. */
function withValues(node: Node, change: Partial<Node>): Node {
  return Object.fromEntries(Object.entries({ ...node, ...change }).filter(([, value]) => value !== undefined)) as Node
}
