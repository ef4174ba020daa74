import { useQuery } from '@tanstack/react-query'
import { ask } from '../api/client'
import { keys } from '../api/keys'
import { useThisJob } from './context'

/** What to measure first, and how far off each mark may be, of the saved version: never asked for in a drag. */
export const usePayoff = () => {
  const { saved } = useThisJob()
  return useQuery({
    queryKey: keys.compared('payoff', saved?.id ?? '', saved?.version ?? 0),
    queryFn: () => ask.get('/api/jobs/{job_id}/payoff', { params: { path: { job_id: saved?.id ?? '' } } }),
    enabled: saved !== undefined,
    placeholderData: (before) => before,
  }).data
}
