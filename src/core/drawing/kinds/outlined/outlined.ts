import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { inkOfAll } from '../../evaluate/ink'
import { withStrokesOutlined as shapesOutlined } from '../../evaluate/stroke-outlines'
import { defineKind } from '../kind'
import { common, type WithMembers } from '../traits'

/** Live outlines of strokes: what its members paint, each stroke as a filled outline. */
const Outlined = z.strictObject({ kind: z.literal('outlined'), ...common })
type Outlined = z.infer<typeof Outlined> & WithMembers

export const outlined = defineKind<Outlined>({
  kind: 'outlined',
  word: 'Outlines',
  schema: Outlined,
  hasMembers: true,
  edge: ({ members }, scene) => inkOfAll(members.flatMap((member) => scene.shapes(member))),
  operand: (object, scene) => scene.edge(object),
  fit: (object) => object,
  shapes: ({ members }, scene) => shapesOutlined(members.flatMap((member) => scene.shapes(member))),
  // Its size is that of its members.
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  // A stroke has two sides, with caps and joins between.
  times: () => 3,
  summary: ({ members }) => `strokes of ${members.length} outlined`,
  lost: null,
  any: ({ fc, members }) => fc.record({ members: members(2) }),
})
