import { useEffect } from 'react'
import { say } from '@/ui/notice'
import { useFetched } from '@/ui/use-fetched'
import { changesSince, releasesOf } from '../session/releases'

/** The numbers of a set's releases, latest first. */
export function useReleases(setId: string): readonly number[] {
  const { value } = useFetched(setId, () => releasesOf(setId))
  return (value ?? []).map(({ number }) => number)
}

/** The icons that are new, renamed or look otherwise since a release, by id; null while that is not known, or not asked. */
export function useSince(setId: string, number: number | null, revision: number): ReadonlySet<string> | null {
  const { value, problem } = useFetched(number === null ? null : `${setId} ${number} ${revision}`, async () => {
    const { added, renamed, changed } = await changesSince(setId, number!, [])
    const all = [...added, ...[...renamed, ...changed].map(({ after }) => after)]
    return { number, ids: new Set(all.map(({ id }) => id)) }
  })
  useEffect(() => {
    if (problem) say({ text: problem, tone: 'fault' })
  }, [problem])
  return value && value.number === number ? value.ids : null
}
