import { useEffect, useState } from 'react'
import { say } from '@/ui/notice'
import { changesSince, releasesOf } from '../frame/releases'

/** The numbers of a set's releases, latest first. */
export function useReleases(setId: string): readonly number[] {
  const [numbers, setNumbers] = useState<readonly number[]>([])
  useEffect(() => {
    let isWanted = true
    releasesOf(setId).then(
      (found) => isWanted && setNumbers(found.map(({ number }) => number)),
      () => undefined,
    )
    return () => {
      isWanted = false
    }
  }, [setId])
  return numbers
}

/** The icons that are new, renamed or look otherwise since a release, by id; null while that is not known, or not asked. */
export function useSince(setId: string, number: number | null, revision: number): ReadonlySet<string> | null {
  const [answer, setAnswer] = useState<{ number: number; ids: ReadonlySet<string> } | null>(null)
  useEffect(() => {
    if (number === null) return
    let isWanted = true
    changesSince(setId, number, []).then(
      ({ added, renamed, changed }) => {
        const all = [...added, ...[...renamed, ...changed].map(({ after }) => after)]
        if (isWanted) setAnswer({ number, ids: new Set(all.map(({ id }) => id)) })
      },
      (error: Error) => isWanted && say({ text: error.message, tone: 'fault' }),
    )
    return () => {
      isWanted = false
    }
  }, [setId, number, revision])
  return answer && answer.number === number ? answer.ids : null
}
