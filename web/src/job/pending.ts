import type { Edit } from '../api/client'

/** Edits that were typed but not saved yet survive a lost server and a closed page. */
const key = (jobId: string) => `gantline.pending.${jobId}`

export const readPending = (jobId: string): Edit[][] => {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key(jobId)) ?? '[]')
    return Array.isArray(kept) ? (kept as Edit[][]) : []
  } catch {
    return []
  }
}

export const keepPending = (jobId: string, pending: readonly Edit[][]): void => {
  if (pending.length === 0) localStorage.removeItem(key(jobId))
  else localStorage.setItem(key(jobId), JSON.stringify(pending))
}
