import { createStore, type StoreApi } from 'zustand/vanilla'
import type { IconSet } from '@/core/set/set'
import { type Session, shown } from '../../session/session'

/** During a drag, panels beside the square wait `REST` ms, then for an idle moment, but no longer than `AT_LAST` ms. */
const REST = 80
const AT_LAST = 320

/** The additional wait for each object of the drawing: a large one takes longer to draw, so it is drawn less often. */
const EACH = 5

/**
 * The set as shown around the square: under it immediately after an edit (`store`), beside it in a task of its own
 * (`beside`); during a drag both follow at intervals, so that the hand never waits for them.
 */
export class DeferredSet {
  readonly store: StoreApi<{ readonly set: IconSet; readonly inHand: boolean }>
  readonly beside: StoreApi<{ readonly set: IconSet }>
  private following = false
  private timer: ReturnType<typeof setTimeout> | undefined
  private later: ReturnType<typeof setTimeout> | undefined
  private idle = 0
  private wished: (() => IconSet) | null = null

  /** `size` is how many objects the drawing has. */
  constructor(
    private readonly session: Session,
    private readonly size: () => number,
  ) {
    this.store = createStore(() => ({ set: shown(session.getState()), inHand: false }))
    this.beside = createStore(() => ({ set: shown(session.getState()) }))
  }

  /** Keeps in step with the session; returns the way to stop. */
  follow(): () => void {
    this.following = true
    this.show(shown(this.session.getState()), false)
    const unsubscribe = this.session.subscribe((state) => {
      if (state.preview === null) this.show(shown(state), false)
      else this.wish(() => shown(this.session.getState()))
    })
    return () => {
      this.following = false
      this.forget()
      clearTimeout(this.later)
      this.later = undefined
      unsubscribe()
    }
  }

  /** Shows a set when there is time; of several wished for meanwhile the last. */
  wish(read: () => IconSet): void {
    if (!this.following) return
    this.wished = read
    this.timer ??= setTimeout(
      () =>
        (this.idle = requestIdleCallback(() => this.wished && this.show(this.wished(), true), { timeout: AT_LAST })),
      REST + EACH * this.size(),
    )
  }

  private show(set: IconSet, inHand: boolean): void {
    this.forget()
    const now = this.store.getState()
    if (set === now.set && inHand === now.inHand) return
    this.store.setState({ set, inHand })
    this.later ??= setTimeout(() => {
      this.later = undefined
      this.beside.setState({ set: this.store.getState().set })
    })
  }

  private forget(): void {
    clearTimeout(this.timer)
    this.timer = undefined
    this.wished = null
    if (this.idle !== 0) cancelIdleCallback(this.idle)
    this.idle = 0
  }
}
