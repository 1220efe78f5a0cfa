/** How long the hands of who sits before the page have to rest, in milliseconds, before work in the background goes on. */
const REST = 150

const ACTS = ['keydown', 'pointerdown', 'wheel', 'scroll', 'input'] as const

let lastAct = -Infinity

if (typeof window !== 'undefined') {
  const options = { capture: true, passive: true }
  const acted = () => (lastAct = performance.now())
  for (const act of ACTS) window.addEventListener(act, acted, options)
  // A pointer that only wanders asks for nothing.
  window.addEventListener('pointermove', ({ buttons }) => buttons !== 0 && acted(), options)
}

/** How long it is, in milliseconds, until the hands have rested long enough; 0 where they have. */
export const untilRest = (): number => Math.max(0, lastAct + REST - performance.now())
