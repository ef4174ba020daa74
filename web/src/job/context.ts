import { createContext, useContext } from 'react'
import type { JobHandle } from './useJob'

/** The job of this page, for fields and cures deep inside a station. */
export const JobContext = createContext<JobHandle | null>(null)

export const useThisJob = (): JobHandle => {
  const job = useContext(JobContext)
  if (!job) throw new Error('useThisJob outside a job page')
  return job
}
