import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { newerBuild } from '../api/build'
import { ask, type DayOut, forLater, Refused, type Standing, type StepTold } from '../api/client'
import { keys } from '../api/keys'
import { useNews } from '../job/useNews'

const AGAIN_MS = 3000
const MOST = 50 // rows of one request
const BINNED = 'This job is not in the yard any more. Ask the office to look in the bin.'

/** Why rows stay in this phone and are sent again: also while their job lies in the bin, and where an older page asks in a way
 * that is no longer understood. */
const heldBack = (error: unknown): string => {
  if (error instanceof Refused && error.problem.type.endsWith('no-such-job')) return BINNED
  if (error instanceof Refused && newerBuild()) return error.message
  return forLater(error)
}

const place = (jobId: string) => `gantline.day.${jobId}`

const kept = (jobId: string): StepTold[] => {
  try {
    return JSON.parse(localStorage.getItem(place(jobId)) ?? '[]') as StepTold[]
  } catch {
    return []
  }
}

const keep = (jobId: string, rows: readonly StepTold[]) => {
  try {
    localStorage.setItem(place(jobId), JSON.stringify(rows))
  } catch {
    // a browser that keeps nothing: the rows wait in this page only
  }
}

/** An id that no other row has; a page that came over plain HTTP makes it from random bytes. */
const freshId = (): string => {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  const hex = [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20)}`
}

export type Tell = (step: string, act: StepTold['act'], values?: StepTold['values'], reason?: string) => void

/** The day and what is said of it: a tap counts at once, is kept in this phone, and is sent until the server has it. */
export const useDay = (jobId: string) => {
  const client = useQueryClient()
  const [queue, setQueue] = useState<readonly StepTold[]>(() => kept(jobId))
  const [trouble, setTrouble] = useState('')
  const [away, setAway] = useState('') // why nothing is taken just now
  const [stale, setStale] = useState(false) // only a newer page can send what waits
  const day = useQuery({
    queryKey: keys.day(jobId),
    queryFn: () => ask.get('/api/jobs/{job_id}/day', { params: { path: { job_id: jobId } } }),
    staleTime: 60_000,
  })
  useNews(
    jobId,
    useCallback(() => void client.invalidateQueries({ queryKey: keys.day(jobId) }), [client, jobId]),
  )
  const rows = useRef<readonly StepTold[]>(queue)
  const busy = useRef(false)
  const put = useCallback(
    (next: readonly StepTold[]) => {
      rows.current = next
      setQueue(next)
      keep(jobId, next)
    },
    [jobId],
  )
  /** One request at a time, the oldest rows first; what cannot be is said, and does not hold up what was tapped after it. */
  const send = useCallback(async () => {
    if (busy.current) return
    busy.current = true
    let most = MOST
    while (rows.current.length > 0) {
      const batch = rows.current.slice(0, most)
      try {
        const body = { rows: batch as StepTold[] }
        const answer = await ask.post('/api/jobs/{job_id}/day/rows', { params: { path: { job_id: jobId } }, body })
        const { version, count } = client.getQueryData<DayOut>(keys.day(jobId)) ?? {}
        client.setQueryData<DayOut>(keys.day(jobId), (old) => old && merged(old, answer.standings, answer.next))
        if (version !== answer.version || count !== answer.count) void client.invalidateQueries({ queryKey: keys.day(jobId) })
        setAway('')
        most = MOST
      } catch (error) {
        const why = heldBack(error)
        if (why) {
          setAway(why)
          setStale(error instanceof Refused && newerBuild() !== '')
          await new Promise((resolve) => setTimeout(resolve, AGAIN_MS))
          continue
        }
        if (batch.length > 1) {
          most = 1 // which of them it is
          continue
        }
        setTrouble(error instanceof Refused ? (error.fields[0]?.text ?? error.problem.detail) : String(error))
        void client.invalidateQueries({ queryKey: keys.day(jobId) })
      }
      const sent = new Set(batch.map((row) => row.id))
      put(rows.current.filter((row) => !sent.has(row.id)))
    }
    busy.current = false
  }, [client, jobId, put])
  const tell: Tell = useCallback(
    (step, act, values = {}, reason = '') => {
      const version = client.getQueryData<DayOut>(keys.day(jobId))?.version ?? 1
      setTrouble('')
      put([...rows.current, { id: freshId(), step, act, version, values, reason }])
      void send()
    },
    [client, jobId, put, send],
  )
  useEffect(() => void send(), [send]) // what a page before this one could not send
  const standings = useMemo(() => laid(day.data, queue), [day.data, queue])
  const held = queue.length > 0 && !stale // a reload could find no server
  return {
    day: day.data,
    error: day.error,
    standings,
    tell,
    trouble,
    away,
    held,
    waiting: queue.length,
    clear: () => setTrouble(''),
  }
}

const merged = (old: DayOut, standings: readonly Standing[], next: string): DayOut => {
  const told = new Map(old.standings.map((one) => [one.key, one]))
  for (const one of standings) told.set(one.key, one)
  return { ...old, next, standings: [...told.values()] }
}

const STATES = { done: 'done', read: 'done', impossible: 'impossible', skipped: 'skipped', undone: 'open' } as const

export type State = Standing['state']

/** How each step stands, with what this phone has said and the server has not yet heard. */
const laid = (day: DayOut | undefined, queue: readonly StepTold[]): ReadonlyMap<string, State> => {
  const states = new Map<string, State>(day?.standings.map((one) => [one.key, one.state]))
  for (const row of queue) states.set(row.step, STATES[row.act])
  return states
}
