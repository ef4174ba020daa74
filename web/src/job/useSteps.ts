import type { UseQueryResult } from '@tanstack/react-query'
import { type RefObject, useCallback } from 'react'
import { ask, type JobOut, type KnownWord, type RecordKind, Refused, ServerAway } from '../api/client'

type Own = (act: () => Promise<JobOut>) => Promise<void>

/** Steps that are no edits: undo and redo, how a value is known, a record taken, readings put to use. */
export const useSteps = (
  id: string,
  query: UseQueryResult<JobOut>,
  newest: RefObject<JobOut | undefined>,
  own: Own,
  setAway: (why: string) => void,
) => {
  const match = useCallback(
    () => ({ path: { job_id: id }, header: { 'if-match': `"${newest.current?.version ?? 0}"` } }),
    [id, newest],
  )

  const step = useCallback(
    async (way: 'undo' | 'redo'): Promise<void> => {
      const path = way === 'undo' ? ('/api/jobs/{job_id}/undo' as const) : ('/api/jobs/{job_id}/redo' as const)
      try {
        await own(() => ask.post(path, { params: match() }))
      } catch (error) {
        if (error instanceof ServerAway) setAway(error.message)
        else if (error instanceof Refused && error.problem.type.endsWith('version-conflict')) void query.refetch()
      }
    },
    [own, match, query.refetch, setAway],
  )

  const markKnown = useCallback(
    (pointer: string, known: KnownWord | null) =>
      own(() => ask.post('/api/jobs/{job_id}/known', { params: match(), body: { pointer, known } })),
    [own, match],
  )

  const takeRecord = useCallback(
    (kind: RecordKind, key: string) => own(() => ask.post('/api/jobs/{job_id}/take', { params: match(), body: { kind, key } })),
    [own, match],
  )

  const putReadings = useCallback(
    (readings: { source: string; seq: number }[]) =>
      own(() => ask.post('/api/jobs/{job_id}/readings/use', { params: match(), body: { readings } })),
    [own, match],
  )

  return { step, markKnown, takeRecord, putReadings }
}
