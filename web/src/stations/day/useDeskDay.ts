import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo } from 'react'
import { ask, type DayOut, type Standing, type StepTold } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'

/** The day of the job that is open, how its steps stand, and a way to tick one from the desk. */
export const useDeskDay = () => {
  const { saved } = useThisJob()
  const client = useQueryClient()
  const id = saved?.id ?? ''
  const version = saved?.version ?? 0
  const day = useQuery({
    queryKey: [...keys.day(id), version],
    queryFn: () => ask.get('/api/jobs/{job_id}/day', { params: { path: { job_id: id } } }),
    enabled: id !== '',
    placeholderData: (before: DayOut | undefined) => before,
  }).data
  const standings = useMemo(() => new Map<string, Standing>(day?.standings.map((one) => [one.key, one])), [day])
  const tell = async (step: string, act: StepTold['act']) => {
    const row: StepTold = { id: crypto.randomUUID(), step, act, version: day?.version ?? 1, values: {}, reason: '' }
    await ask.post('/api/jobs/{job_id}/day/rows', { params: { path: { job_id: id } }, body: { rows: [row] } })
    await client.invalidateQueries({ queryKey: keys.day(id) })
    await client.invalidateQueries({ queryKey: keys.job(id) })
  }
  return { day, standings, tell }
}
