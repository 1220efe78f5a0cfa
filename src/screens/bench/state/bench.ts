import type { Box } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'
import { extentOf } from '@/core/drawing/evaluate/extent'
import { moveObject } from '@/core/drawing/objects/transform-object'
import type { DrawingEdit } from '@/core/drawing/edit/edit'
import { membersOf } from '@/core/drawing/edit/edit'
import { freshName } from '@/core/drawing/edit/fresh'
import type { DrawingObject, Kind, OfKind } from '@/core/drawing/objects/object'
import { find, outermost, walk } from '@/core/drawing/objects/tree'
import type { Scene } from '@/core/drawing/scene/scene'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { basesOf, rulesForGrid } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import { applyEdit, type MasterAt, type SetEdit } from '@/core/set/edit'
import { sharingEdit } from '@/core/set/sharing'
import { masterOn } from '@/core/set/masters'
import { guidesOf, type Icon, type Master } from '@/core/set/set'
import type { SnapTargets } from '@/core/snap/targets'
import { commit, type Session, show, shown } from '../../session/session'
import { REACH } from '@/core/snap/snap'
import { lockedWithin } from './locked'
import { RestingTargets, targetsOf } from './snap-state'
import { DeferredSet } from './deferred-set'
import { readSlice, type Slice } from './slice'
import type { Building, Holding } from './building'
import { type InHand, NOTHING_IN_HAND } from './in-hand'
import { type BenchStore, createBenchStore } from './store'

const NOTHING: ReadonlySet<string> = new Set()

/** The bench: an open icon of the set, its selection, and the operations on it. */
export class Bench {
  readonly store: BenchStore
  readonly deferred: DeferredSet
  /** Its tools by their ids, once they are made. */
  private tools: Readonly<Record<string, Holding>> = {}

  constructor(
    readonly session: Session,
    icon: string | null,
  ) {
    this.store = createBenchStore(icon)
    this.deferred = new DeferredSet(session, () => this.objects.length)
  }

  /** What the drawing is evaluated in. */
  get scene(): Scene {
    return sceneOf(this.rules)
  }

  /** The rules on the grid of the open master. */
  get rules(): Rules {
    return rulesForGrid(this.setRules, this.base)
  }

  /** The rules of the set, which every change of them starts from. */
  get setRules(): Rules {
    return shown(this.session.getState()).rules
  }

  /** The grid of the open master: that of the set where none of its further ones is open. */
  get base(): number {
    return baseIn(this.setRules, this.store.getState().master)
  }

  /** The icon after the last finished edit; the first icon if the open one was deleted; null in an empty set. */
  get icon(): Icon | null {
    const { icons } = this.session.getState().history.present
    return icons.find(({ id }) => id === this.store.getState().icon) ?? icons[0] ?? null
  }

  /** The open master of the icon; null in an empty set. */
  get master(): Master | null {
    return this.icon && masterOn(this.icon, this.setRules, this.base).master
  }

  get objects(): readonly DrawingObject[] {
    return this.master?.objects ?? []
  }

  /** The open master as edits name it. */
  get here(): MasterAt | null {
    return this.icon && this.master && { icon: this.icon.id, master: this.master.base }
  }

  /** The visible objects, with the edit in hand. */
  get shownObjects(): readonly DrawingObject[] {
    const icon = shown(this.session.getState()).icons.find(({ id }) => id === this.icon?.id)
    return icon ? masterOn(icon, this.setRules, this.base).master.objects : []
  }

  /** The objects that a press on the square can reach: those of the container stepped into, or the drawing's. */
  get reachable(): readonly DrawingObject[] {
    return membersOf(this.objects, this.scope?.id ?? null)
  }

  get scope(): DrawingObject | null {
    const { scope } = this.store.getState()
    return scope === null ? null : (find(this.objects, scope)?.object ?? null)
  }

  /** The selected objects in paint order, whole branches once. */
  get selected(): DrawingObject[] {
    return outermost(this.objects, this.store.getState().selection)
  }

  /** The selected objects that may be changed. */
  get free(): DrawingObject[] {
    const locked = lockedWithin(this.objects)
    return this.selected.filter((object) => !locked.has(object.id))
  }

  /** The one selected object, where it is of a kind and may be changed. */
  one<K extends Kind>(kind: K): OfKind<K> | null {
    const [only, ...more] = this.free
    return only?.kind === kind && more.length === 0 ? (only as OfKind<K>) : null
  }

  /** Shows where a press or a release lands as the place of the pointer. */
  land(place: Point): void {
    this.store.setState({ pointer: place })
  }

  /** The reach of snapping and of hitting a line, in grid units. */
  get reach(): number {
    return REACH / (this.store.getState().view?.scale ?? 1)
  }

  /** What a tool or a panel keeps. */
  read<S extends object>(slice: Slice<S>): S {
    return readSlice(slice, this.store.getState())
  }

  put<S extends object>(slice: Slice<S>, change: Partial<S>): void {
    const next = { ...this.read(slice), ...change }
    if (slice.inHand) this.hold({ kept: { ...this.store.getState().inHand.kept, [slice.id]: next } })
    else this.store.setState(({ slices }) => ({ slices: { ...slices, [slice.id]: next } }))
  }

  has(id: string): boolean {
    return find(this.objects, id) !== null
  }

  select(ids: Iterable<string>): void {
    this.store.setState((state) => {
      const selection = new Set(ids)
      const same = selection.size === state.selection.size && [...selection].every((id) => state.selection.has(id))
      return {
        selection,
        nodes: same ? state.nodes : NOTHING,
        markedNode: same ? state.markedNode : null,
        pivot: same ? state.pivot : null,
      }
    })
  }

  toggle(id: string): void {
    const next = new Set(this.store.getState().selection)
    if (!next.delete(id)) next.add(id)
    this.store.setState({ selection: next, nodes: NOTHING, markedNode: null, pivot: null })
  }

  equip(tools: Readonly<Record<string, Holding>>): void {
    this.tools = tools
  }

  /** What the tool in hand holds. */
  get holding(): Holding {
    return this.tools[this.store.getState().tool] ?? {}
  }

  get building(): Building | null {
    return this.holding.building?.() ?? null
  }

  /** Keeps the finished part of a construction before another tool takes over. */
  keepBuilding(): void {
    this.building?.keep()
  }

  take(tool: string): void {
    this.keepBuilding()
    this.store.setState({ tool, inHand: NOTHING_IN_HAND, hinted: tool === 'select' ? null : tool })
  }

  hold(inHand: Partial<InHand>): void {
    this.store.setState((state) => ({ inHand: { ...state.inHand, ...inHand } }))
  }

  letGo(): void {
    this.store.setState({ inHand: NOTHING_IN_HAND })
  }

  /** Discards everything in hand. */
  drop(): void {
    this.preview(null)
    this.letGo()
  }

  /**
   * Does an edit of the open icon; where it changes a finish that is shared, for all that share it. `rules` are those of
   * the set with what the edit needs of them, in the same step.
   */
  edit(edit: DrawingEdit, label: string, rules = this.setRules): void {
    const { here } = this
    if (!here) return
    const drawn = this.sharing(here, edit)
    const edits: SetEdit[] = rules === this.setRules ? [drawn] : [{ kind: 'rules', rules, renames: [] }, drawn]
    commit(this.session, edits.length === 1 ? drawn : { kind: 'all', edits }, label)
  }

  /** Gives objects a finish, without changing one that they shared until now. */
  restyle(objects: readonly DrawingObject[], label: string): void {
    const { here } = this
    if (here) commit(this.session, { kind: 'draw', ...here, edit: { kind: 'replace', objects } }, label)
  }

  private sharing(here: MasterAt, edit: DrawingEdit): SetEdit {
    return sharingEdit(this.session.getState().history.present, here, edit)
  }

  /** Shows an edit of the open icon while it is in hand. */
  preview(edit: DrawingEdit | null): void {
    const { here } = this
    show(this.session, edit && here ? this.sharing(here, edit) : null)
  }

  /** Shows moved objects during a drag. Objects of the drawing are only shifted on screen; panels follow when idle. */
  shift(objects: readonly DrawingObject[], by: Point): void {
    const { here, session } = this
    const edit = (): DrawingEdit => ({ kind: 'replace', objects: objects.map((object) => moveObject(object, by)) })
    if (!here || !objects.every((object) => this.objects.includes(object))) return this.preview(edit())
    if (session.getState().preview !== null) this.preview(null)
    this.hold({ shifted: { ids: new Set(objects.map(({ id }) => id)), by } })
    this.deferred.wish(() => applyEdit(session.getState().history.present, { kind: 'draw', ...here, edit: edit() }))
  }

  /** Changes the selected objects that are not locked, each by itself. */
  change(change: (object: DrawingObject) => DrawingObject, label: string): void {
    this.edit({ kind: 'replace', objects: this.free.map(change) }, label)
  }

  private readonly atRest = new RestingTargets()

  /**
   * What positions can snap to while nothing is in hand; the same until the drawing, the rules or the switches change.
   */
  get targetsAtRest(): SnapTargets {
    const { snaps: on, pixelsOf } = this.store.getState()
    const guides = this.master ? guidesOf(this.master) : []
    return this.atRest.of({ objects: this.objects, guides, rules: this.rules, on, pixelsOf })
  }

  /** What positions can snap to while some objects are in hand; those do not count, but for the places given. */
  targets(
    inHand: ReadonlySet<string>,
    places: readonly Point[] = [],
    guides = this.master ? guidesOf(this.master) : [],
  ): SnapTargets {
    const { snaps, pixelsOf } = this.store.getState()
    return targetsOf({ objects: this.objects, guides, rules: this.rules, on: snaps, pixelsOf }, inHand, places)
  }

  /** What a guide can snap to: everything but itself. */
  targetsWithout(guide: string): SnapTargets {
    return this.targets(NOTHING, [], this.master ? guidesOf(this.master).filter(({ id }) => id !== guide) : [])
  }

  extent(objects: readonly DrawingObject[]): Box | null {
    return extentOf(objects, sceneOf(this.rules))
  }

  /** A name that no object has yet: a word and a number. */
  nameFor(word: string): string {
    return freshName(
      word,
      [...walk(this.objects)].map(({ object }) => object),
    )
  }

  /** Where new objects go: on top of the container stepped into, or of the drawing. */
  get top(): { into: string | null; at: number } {
    return { into: this.scope?.id ?? null, at: this.reachable.length }
  }

  /** Adds objects on top and selects them. */
  add(objects: readonly DrawingObject[], label: string): void {
    this.edit({ kind: 'add', objects, ...this.top }, label)
    this.select(objects.map(({ id }) => id))
  }

  open(icon: string): void {
    if (icon === this.store.getState().icon) return
    this.keepBuilding()
    this.preview(null)
    this.session.setState({ lastIcon: icon })
    this.store.setState({
      icon,
      selection: new Set(),
      scope: null,
      hover: null,
      inHand: NOTHING_IN_HAND,
      tool: 'select',
    })
  }
}

/** The grid that is open: one of the set's, its own where it has no such. */
export const baseIn = (rules: Rules, base: number | null): number =>
  base !== null && basesOf(rules).includes(base) ? base : rules.grid.size
