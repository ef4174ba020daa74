import type { Edit } from '../api/client'

/** Edits that wait to be saved: what they are called when they are sent again, and the version they were made on. */
export type Pending = { key: string; base: number; edits: Edit[] }

/** Edits that were typed but not saved yet survive a lost server and a closed page. */
const place = (jobId: string) => `gantline.pending.${jobId}`

export const readPending = (jobId: string): Pending[] => {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place(jobId)) ?? '[]')
    return Array.isArray(kept) ? kept.filter(isPending) : []
  } catch {
    return []
  }
}

export const keepPending = (jobId: string, pending: readonly Pending[]): void => {
  if (pending.length === 0) localStorage.removeItem(place(jobId))
  else localStorage.setItem(place(jobId), JSON.stringify(pending))
}

/** Our own edit made version `to` of `from`: what was typed on `from` after it stands on `to`. */
export const movedOn = (pending: readonly Pending[], from: number, to: number): Pending[] =>
  pending.map((one) => (one.base === from ? { ...one, base: to } : one))

const isPending = (one: unknown): one is Pending =>
  typeof one === 'object' && one !== null && 'key' in one && 'base' in one && 'edits' in one && Array.isArray(one.edits)
