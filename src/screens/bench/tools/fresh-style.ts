import type { Bench } from '../state/bench'

/** App icons are built from filled shapes, interface icons from strokes. */
export const isFilledSet = (bench: Bench): boolean => bench.session.getState().history.present.kind === 'app'
