import { useQuery } from '@tanstack/react-query'
import { useCallback, useMemo, useRef, useState } from 'react'
import { ask, type JobOut, type PreviewOut } from '../api/client'
import { keys } from '../api/keys'
import { patched } from './patched'
import { useDrag } from './useDrag'
import { useQueue } from './useQueue'
import { useSteps } from './useSteps'

export type { Conflict } from './useQueue'

/** One job: what is saved, what is being dragged, and the queue of its edits. */
export const useJob = (id: string) => {
  const query = useQuery({
    queryKey: keys.job(id),
    queryFn: () => ask.get('/api/jobs/{job_id}', { params: { path: { job_id: id } } }),
    staleTime: 1000, // it was asked for just now, before the page was drawn
  })
  const [preview, setPreview] = useState<PreviewOut | null>(null)
  const saved = query.data
  const newest = useRef<JobOut | undefined>(saved)
  newest.current = saved ?? newest.current
  const drop = useCallback(() => setPreview(null), [])
  const { away, setAway, conflict, waiting, own, edit, resolve } = useQueue(id, query, newest, drop)
  const { look, drag } = useDrag(id, newest, setPreview, setAway)
  const { step, markKnown, takeRecord, putReadings } = useSteps(id, query, newest, own, setAway)
  const shown = useMemo(() => (saved && preview ? patched(saved, preview) : saved), [saved, preview])
  return { query, saved, shown, look, away, waiting, conflict, edit, drag, step, markKnown, takeRecord, putReadings, resolve }
}

export type JobHandle = ReturnType<typeof useJob>
