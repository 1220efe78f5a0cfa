import type { Point } from '@/core/geometry/point'
import { laid, type Reference, shows } from '@/core/drawing/model/reference'
import { referencesOf } from '@/core/set/set'
import { say } from '@/ui/notice'
import { newId } from '@/ui/new-id'
import { commit, show } from '../../session/session'
import type { Bench } from '../state/bench'
import { isPicture, keepPicture } from './pictures'
import { slice } from '../state/slice'

/** The reference in hand, and the one the icon is compared with: by how much they differ. */
export const REFERENCES = slice('references', {
  referenceInHand: null as string | null,
  compare: null as string | null,
  mismatch: null as { readonly mean: number; readonly ofInk: number } | null,
})

export const benchReferences = (bench: Bench): readonly Reference[] => (bench.master ? referencesOf(bench.master) : [])

export function setReferences(bench: Bench, references: readonly Reference[], label: string): void {
  if (bench.here) commit(bench.session, { kind: 'references', ...bench.here, references }, label)
}

const replaced = (bench: Bench, next: Reference): Reference[] =>
  benchReferences(bench).map((one) => (one.id === next.id ? next : one))

/** Changes one reference; parts that are undefined are left out. */
export function changeReference(
  bench: Bench,
  reference: Reference,
  change: { readonly [K in keyof Reference]?: Reference[K] | undefined },
  label: string,
): void {
  setReferences(bench, replaced(bench, withChange(reference, change)), label)
}

export const withChange = (
  reference: Reference,
  change: { readonly [K in keyof Reference]?: Reference[K] | undefined },
): Reference =>
  Object.fromEntries(
    Object.entries({ ...reference, ...change }).filter(([, value]) => value !== undefined),
  ) as Reference

/** Shows a reference otherwise while it is in hand. */
export function previewReference(bench: Bench, next: Reference): void {
  show(bench.session, { kind: 'references', ...bench.here!, references: replaced(bench, next) })
}

export const referenceInHand = (bench: Bench): Reference | null =>
  benchReferences(bench).find(({ id }) => id === bench.read(REFERENCES).referenceInHand) ?? null

/** The uppermost reference that shows a pixel at a place: those over the square first. */
export function referenceAt(bench: Bench, p: Point): Reference | null {
  if (!bench.store.getState().layers.references) return null
  const list = benchReferences(bench)
  return (
    [...list.filter(({ over }) => !over), ...list.filter(({ over }) => over)].findLast((one) => shows(one, p)) ?? null
  )
}

/** How many references an icon may have. */
const MOST = 50

/** Takes files as references of the open icon, says what cannot be taken, and shows them. */
export async function addPictures(bench: Bench, files: Iterable<File>): Promise<void> {
  const { icon } = bench
  if (!icon) return say({ text: 'Add an icon first: + icon, on the left.' })
  for (const file of files) {
    if (benchReferences(bench).length >= MOST)
      return say({ tone: 'fault', text: `An icon may have at most ${MOST} references. Remove one first.` })
    if (!isPicture(file)) {
      say({ tone: 'fault', text: `“${file.name}” is no picture that can be a reference: PNG, JPEG, WebP or SVG.` })
      continue
    }
    try {
      const { id: picture, w, h } = await keepPicture(file)
      const name = file.name.replace(/\.\w+$/, '').slice(0, 80) || 'picture'
      const reference = laid(newId(), name, picture, { w, h }, bench.rules.grid.size)
      bench.open(icon.id)
      setReferences(bench, [...benchReferences(bench), reference], `Lay the reference ${name}`)
      bench.store.setState(({ layers }) => ({
        panel: 'references',
        referenceInHand: reference.id,
        layers: { ...layers, references: true },
      }))
    } catch (error) {
      say({ tone: 'fault', text: (error as Error).message })
    }
  }
}
