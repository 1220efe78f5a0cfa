import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { inkOfAll } from '../../drawing/evaluate/ink'
import type { DrawingObject } from '../../drawing/model/object'
import type { Path } from '../../geometry/path'
import type { Memory } from '../../drawing/evaluate/scene'
import type { Checked } from '../check'

const inks: Memory<Path> = new WeakMap()

/** All that a drawing paints as one area, whatever the colour; what cannot be drawn is left out. */
export const shownInk = ({ objects, scene }: Pick<Checked, 'objects' | 'scene'>): Path =>
  scene.remembered(inks, objects as readonly DrawingObject[], () => inkOfAll(evaluateAll(objects, scene)))
