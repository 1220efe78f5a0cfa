/** What threads of tests are begun with: a busy machine is no fault, so tasks have all the time they may need. */
export const PATIENT = { limit: 120_000 } as const
