/**
 * How many cases a property is tried on: a part of the full number, so that all tests can be run each time. `LAWS=full`
 * (`npm run test:laws`) tries all of them.
 */
export const runs = (full: number): { readonly numRuns: number } => ({
  numRuns: process.env.LAWS === 'full' ? full : Math.ceil(full * 0.3),
})
