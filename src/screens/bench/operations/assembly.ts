import { styleOf } from '@/core/drawing/scene/shared-style'
import { Combine } from 'lucide-react'
import { solid } from '@/core/drawing/evaluate/evaluate'
import { membersOf } from '@/core/drawing/edit/edit'
import { type DrawingObject, isCombining, isStyled, type Role } from '@/core/drawing/objects/object'
import { countsByInk } from '@/core/drawing/evaluate/operand'
import type { Finish } from '@/core/drawing/model/style'
import { freshStyle } from '@/core/drawing/edit/fresh'
import { find } from '@/core/drawing/objects/tree'
import { combine } from '@/core/planar/boolean'
import type { Command } from '@/ui/commands'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'
import { parentOf, title } from './objects'

/** Combines the selection live: the lowest is the ground, the others do to it what `role` says. */
export function assemble(bench: Bench, role: Role): void {
  const { free } = bench
  const id = newId()
  bench.edit(
    {
      kind: 'gather',
      ids: free.map((object) => object.id),
      container: { kind: 'assembly', id, name: bench.nameFor('Assembly'), style: finishOf(bench, free) },
      roles: free.map((_, i) => (i === 0 ? 'adds' : role)),
    },
    `Assemble ${title(free)}`,
  )
  bench.select([id])
}

/** The finish of a combination: that of a closed member; of lines alone, their stroke as a fill. */
function finishOf(bench: Bench, objects: readonly DrawingObject[]): Finish {
  const styled = objects.filter(isStyled)
  const closed = styled.find((object) => !countsByInk(object, bench.scene))
  if (closed) return closed.style
  const line = styled[0] && styleOf(styled[0], bench.scene)
  return line ? { fill: line.stroke, stroke: 'none', weight: line.weight } : freshStyle(bench.rules, true)
}

/** What keeps the selection from being combined, as a sentence; null when nothing does. */
export function assemblyNeeds(bench: Bench): string | null {
  const { free } = bench
  if (free.length < 2) return 'Select two or more objects to assemble.'
  const empty = free.find((object) => combine([{ path: solid(object, bench.scene), role: 'adds' }]).length === 0)
  return empty ? `“${empty.name}” encloses nothing and paints nothing, so there is nothing to combine.` : null
}

/** The selected objects that are members of an assembly, its ground aside. */
const membersInHand = (bench: Bench): DrawingObject[] =>
  bench.free.filter(({ id }) => {
    const parent = find(bench.objects, id)?.parents.at(-1)
    return isCombining(parent) && parent.members[0]!.id !== id
  })

const ROLES: readonly { readonly role: Role; readonly key: string; readonly words: string }[] = [
  { role: 'adds', key: 'Equal', words: 'adds' },
  { role: 'cuts', key: 'Minus', words: 'cuts' },
  { role: 'overlap', key: 'BracketLeft', words: 'keeps the overlap' },
  { role: 'flips', key: 'BracketRight', words: 'flips' },
]

/** Moves the selection one level out, above its container. */
function takeOut(bench: Bench): void {
  const { free } = bench
  const from = parentOf(bench, free[0]!.id)!,
    into = parentOf(bench, from)
  const at = membersOf(bench.objects, into).findIndex(({ id }) => id === from) + 1
  bench.edit({ kind: 'arrange', ids: free.map(({ id }) => id), into, at }, `Move ${title(free)} out`)
  bench.store.setState({ scope: into })
}

export function assemblyCommands(bench: Bench): Command[] {
  const needs = () => (bench.selected.length > 0 ? assemblyNeeds(bench) : 'Select an object first.')
  return [
    {
      id: 'assemble',
      name: 'Assemble',
      keys: ['KeyA'],
      inLine: { cluster: 'Combine', picture: Combine, hint: 'Combine: union, subtract, intersect, exclude' },
      inMenu: [{ of: 'objects', part: 0 }],
      needs,
      run: () => assemble(bench, 'adds'),
    },
    {
      id: 'assemble-cut',
      name: 'Assemble: the upper cuts the lowest',
      keys: ['Shift+KeyA'],
      inMenu: [{ of: 'objects', part: 0 }],
      needs,
      run: () => assemble(bench, 'cuts'),
    },
    ...ROLES.map(({ role, key, words }): Command => ({
      id: `role-${role}`,
      name: `Role: ${words}`,
      keys: [key],
      needs: () => (membersInHand(bench).length > 0 ? null : 'Select a member of an assembly, other than its ground.'),
      run() {
        const members = membersInHand(bench)
        const objects = members.map((member) => ({ ...member, role }))
        bench.edit({ kind: 'replace', objects }, `${title(members)} ${words}`)
      },
    })),
    {
      id: 'take-out',
      name: 'Move out of its container',
      keys: ['Shift+KeyO'],
      inMenu: [{ of: 'objects', part: 0 }],
      needs: () =>
        bench.free.length > 0 && parentOf(bench, bench.free[0]!.id) !== null
          ? null
          : 'Select something in a group, an assembly or another container.',
      run: () => takeOut(bench),
    },
  ]
}
