/** Before the first request: the database is opened and brought up to date, and a new one gets the demo sets. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { start } = await import('./src/server/start')
  await start()
}
