import type { FontPlan } from '../../../core/targets/target'
import { ttf } from './ttf'

/** Glyphs as a compressed web font (WOFF2) of their TrueType font. */
export async function woff2(plan: FontPlan): Promise<Uint8Array> {
  const { compress } = await import('wawoff2')
  return new Uint8Array(await compress(await ttf(plan)))
}
