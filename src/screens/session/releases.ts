import type { Changes, ShownIcon } from '@/core/targets/compare'
import type { ReleaseEntry } from '@/core/targets/run'

/** The releases of a set, latest first. */
export async function releasesOf(setId: string): Promise<readonly ReleaseEntry[]> {
  const response = await fetch(`/api/sets/${setId}/releases`)
  return response.ok ? ((await response.json()) as { releases: ReleaseEntry[] }).releases : []
}

/** What changed since a release, in files too where targets are named; throws a sentence. */
export async function changesSince(
  setId: string,
  number: number,
  targets: readonly string[],
): Promise<Changes<ShownIcon>> {
  const response = await fetch(`/api/sets/${setId}/releases/${number}/changes?targets=${targets.join()}`)
  const body = (await response.json()) as Changes<ShownIcon> & { message?: string }
  if (!response.ok) throw new Error(body.message)
  return body
}
