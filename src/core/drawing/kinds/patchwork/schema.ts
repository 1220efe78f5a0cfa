import { z } from 'zod'
import { Label } from '../../model/label'
import { Signature } from '../../model/signature'
import { Style } from '../../model/style'
import { common, type WithMembers } from '../../model/traits'

/** A shape that patches were swept together to, and its finish. */
export const Swept = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: Label,
  patches: z.array(Signature).min(1).max(20_000),
  style: Style,
})
export type Swept = z.infer<typeof Swept>

/**
 * Live patches: the faces of the arrangement of its members' lines, or of their painted edges. Swept patches are
 * shapes, all others are empty. `cut` are removed stretches of line, `closed` are open ends that are extended to a near
 * line, `close` is the widest gap that is closed everywhere.
 */
export const Patchwork = z.strictObject({
  kind: z.literal('patchwork'),
  ...common,
  take: z.literal('ink').optional(),
  swept: z.array(Swept).max(5000),
  cut: z.array(Signature).max(5000).optional(),
  /** Patches and cuts count by their places alone. */
  byPlace: z.literal(true).optional(),
  closed: z.array(z.string().max(100)).max(500).optional(),
  close: z.number().min(0).max(100).optional(),
  underlap: z.number().min(0).max(100).optional(),
})
export type Patchwork = z.infer<typeof Patchwork> & WithMembers
