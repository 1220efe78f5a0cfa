import { z } from 'zod'

/** What is chosen about a target: its choices by name. */
const Chosen = z.record(z.string().regex(/^[a-zA-Z-]{1,30}$/), z.union([z.string().max(200), z.boolean()]))

/** How a set is delivered; what is left out is as usual. */
export const Delivery = z.strictObject({
  /** The targets it is delivered to, by id. */
  targets: z
    .array(z.string().regex(/^[a-z-]{1,30}$/))
    .max(40)
    .optional(),
  /** The icons that stand for an application, by id; all of a set of app icons where none are named. */
  apps: z.array(z.string().max(40)).max(100, 'At most 100 icons may stand for applications.').optional(),
  /** What is chosen about each target, by its id. */
  options: z.record(z.string().regex(/^[a-z-]{1,30}$/), Chosen).optional(),
  /** The code points that icons have in fonts, by their ids, kept once they were released. */
  codes: z.record(z.string().max(40), z.int().min(0xe000).max(0x10fffd)).optional(),
})
export type Delivery = z.infer<typeof Delivery>
