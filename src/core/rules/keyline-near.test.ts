import { expect, it } from 'vitest'
import { keylineNear } from './keyline-near'
import { STARTERS } from './starters'

it('the keyline under a place is named on every side of it, and none where none passes', () => {
  const { rules } = STARTERS.find(({ name }) => name === 'Interface 24')!
  for (const keyline of rules.keylines) {
    const a = keyline.w / 2,
      b = keyline.h / 2
    // Places that no other keyline passes.
    const places =
      keyline.shape === 'ellipse'
        ? [45, 135, 225, 315].map((d) => [Math.cos((d * Math.PI) / 180) * a, Math.sin((d * Math.PI) / 180) * b])
        : [
            [a, b],
            [-a, b],
            [a, -b],
            [-a, -b],
          ]
    for (const [x, y] of places) expect(keylineNear(rules, { x: 12.1 + x!, y: 12 + y! }, 0.25)).toBe(keyline)
  }
  expect(keylineNear(rules, { x: 12, y: 12 }, 0.25)).toBeNull()
  expect(keylineNear({ ...rules, keylines: [] }, { x: 1, y: 12 }, 5)).toBeNull()
})
