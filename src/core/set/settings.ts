import { z } from 'zod'

/** Chosen options of a target, by name. */
const Chosen = z.record(z.string().regex(/^[a-zA-Z-]{1,30}$/), z.union([z.string().max(200), z.boolean()]))

/** Delivery settings of a set; missing ones have their defaults. */
export const Delivery = z.strictObject({
  /** The targets it is delivered to, by id. */
  targets: z
    .array(z.string().regex(/^[a-z-]{1,30}$/))
    .max(40)
    .optional(),
  /** The icons that stand for an application, by id; all of a set of app icons where none are named. */
  apps: z.array(z.string().max(40)).max(100, 'At most 100 icons may represent apps.').optional(),
  /** Chosen options of each target, by its id. */
  options: z.record(z.string().regex(/^[a-z-]{1,30}$/), Chosen).optional(),
  /** The code points that icons have in fonts, by their ids, kept once they were released. */
  codes: z.record(z.string().max(40), z.int().min(0xe000).max(0x10fffd)).optional(),
})
export type Delivery = z.infer<typeof Delivery>
