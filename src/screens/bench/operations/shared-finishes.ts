import { withOwnStyle, styledWithin } from '@/core/drawing/edit/paint'
import { isStyled } from '@/core/drawing/objects/object'
import { shareable, styleOf } from '@/core/drawing/scene/shared-style'
import { isShared } from '@/core/drawing/model/style'
import { walk } from '@/core/drawing/objects/tree'
import type { IconSet } from '@/core/set/set'
import type { Command } from '@/ui/commands'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { title } from './objects'

/** How many finishes a rule book may have. */
const MOST = 64

/** Names the finish of the first selected object in the rules; all that is selected shares it from then on. */
export function shareFinish(bench: Bench): void {
  const { setRules: rules, here, scene } = bench
  const objects = styledWithin(bench.free),
    [first] = objects,
    all = rules.finishes ?? []
  if (!first || !here) return say({ text: 'Select a painted object first.' })
  if (all.length >= MOST) return say({ text: `The rules have ${MOST} finishes, the most they may have.` })
  let n = 1
  while (all.some(({ name }) => name === `finish-${n}`)) n++
  const finish = `finish-${n}`
  const style = shareable(styleOf(first, scene), bench.extent([first]))
  commit(
    bench.session,
    {
      kind: 'all',
      edits: [
        { kind: 'rules', rules: { ...rules, finishes: [...all, { name: finish, style }] }, renames: [] },
        {
          kind: 'draw',
          ...here,
          edit: { kind: 'replace', objects: objects.map((object) => ({ ...object, style: { finish } })) },
        },
      ],
    },
    `Share the finish of ${first.name} as ${finish}`,
  )
}

/** Gives the selection a finish of the rules, or, without a name, the same as its own. */
export function takeFinish(bench: Bench, finish: string | null): void {
  const objects = styledWithin(bench.free)
  bench.restyle(
    objects.map((object) => (finish === null ? withOwnStyle(object, bench.scene) : { ...object, style: { finish } })),
    finish === null ? `Make the finish of ${title(objects)} its own` : `Finish ${title(objects)} as ${finish}`,
  )
}

/** How many objects share a finish, and in how many icons; those in parts count as well. */
export function sharersOf(set: IconSet, finish: string): { readonly objects: number; readonly icons: number } {
  let objects = 0,
    icons = 0
  const count = (list: Parameters<typeof walk>[0]): number =>
    [...walk(list)].filter(({ object }) => isStyled(object) && isShared(object.style) && object.style.finish === finish)
      .length
  for (const { masters } of set.icons) {
    const here = masters.reduce((sum, master) => sum + count(master.objects), 0)
    objects += here
    if (here > 0) icons++
  }
  for (const part of set.rules.parts ?? []) objects += count(part.objects)
  return { objects, icons }
}

export function sharedFinishCommands(bench: Bench): Command[] {
  const painted = () => (styledWithin(bench.free).length > 0 ? null : 'Select a painted object first.')
  return [
    {
      id: 'share-finish',
      name: 'Share the finish by a name',
      needs: painted,
      run: () => shareFinish(bench),
    },
    {
      id: 'own-finish',
      name: 'Make a shared finish the object’s own',
      needs: () =>
        painted() ??
        (styledWithin(bench.free).some(({ style }) => isShared(style))
          ? null
          : 'Select an object that shares its finish.'),
      run: () => takeFinish(bench, null),
    },
  ]
}
