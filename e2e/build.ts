/** Builds what the servers of all workers serve, once. */
export default async function build(): Promise<void> {
  const prepare = (await import('../bin/prepare.mjs' as string)) as { install(): void; build(): void }
  prepare.install()
  prepare.build()
}
