/** Before the first request: the database is opened and brought up to date, and a new one gets the demo sets. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { database } = await import('./src/server/database')
  const { firstStart } = await import('./src/server/demo')
  await firstStart(await database(), process.env.WISE_SQUARE_EMPTY === '1')
}
