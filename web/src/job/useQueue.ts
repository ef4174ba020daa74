import { type UseQueryResult, useQueryClient } from '@tanstack/react-query'
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react'
import { newerBuild } from '../api/build'
import { ask, type Difference, type Edit, forLater, type JobOut, Refused } from '../api/client'
import { keys } from '../api/keys'
import { keepPending, movedOn, readPending } from './pending'

const RETRY_MS = 1500

type Waiter = { resolve: () => void; reject: (reason: unknown) => void }
/** Somebody saved in between: who, what, and each field as it was, as they have it, as it was typed here. */
export type Conflict = { version: number; who: string; what: string; differences: Difference[] }

/** A queue of edits that nothing typed falls out of: one after the other, kept while the server is away, held at a conflict. */
export const useQueue = (
  id: string,
  query: UseQueryResult<JobOut>,
  newest: RefObject<JobOut | undefined>,
  onTaken: () => void,
) => {
  const client = useQueryClient()
  const [away, setAway] = useState('') // why it is, empty while the server answers
  const [conflict, setConflict] = useState<Conflict | null>(null)
  const [waiting, setWaiting] = useState(() => readPending(id).length)
  const saved = query.data

  const take = useCallback(
    (job: JobOut) => {
      newest.current = job
      client.setQueryData(keys.job(id), job)
      void client.invalidateQueries({ queryKey: keys.jobs })
      onTaken()
    },
    [client, id, newest, onTaken],
  )

  // one after the other: a second Undo, or one pressed while an edit is on its way, stands on what the first one made
  const turn = useRef<Promise<unknown>>(Promise.resolve())
  const inTurn = useCallback(<T>(act: () => Promise<T>): Promise<T> => {
    const mine = turn.current.then(act)
    turn.current = mine.catch(() => undefined)
    return mine
  }, [])

  // our own step made a version of the one before it: what was typed meanwhile stands on that
  const took = useCallback(
    (job: JobOut, base: number) => {
      take(job)
      if (job.version === base + 1) keepPending(id, movedOn(readPending(id), base, job.version))
    },
    [id, take],
  )
  const own = useCallback(
    (act: () => Promise<JobOut>): Promise<void> =>
      inTurn(async () => {
        const base = newest.current?.version ?? 0
        took(await act(), base)
      }),
    [inTurn, took, newest],
  )

  const working = useRef(false)
  const lost = useRef(false)
  // one per kept change, in the same order; changes kept by an earlier page have nobody waiting
  const waiters = useRef<(Waiter | null)[]>(readPending(id).map(() => null))
  const pump = useCallback(async (): Promise<void> => {
    if (working.current || !newest.current) return
    working.current = true
    let late = false
    const settle = () => {
      keepPending(id, readPending(id).slice(1))
      return waiters.current.shift()
    }
    for (let one = readPending(id)[0]; one; one = readPending(id)[0]) {
      const { key, edits } = one
      try {
        await inTurn(async () => {
          const base = readPending(id)[0]?.base ?? one.base // our own Undo before it may have moved it on
          const header = { 'if-match': `"${base}"`, 'Idempotency-Key': key }
          const job = await ask.post('/api/jobs/{job_id}/edits', { params: { path: { job_id: id }, header }, body: { edits } })
          // a late answer to an edit sent twice may be older than what others saved since: only our own step counts
          took(job, base)
          settle()?.resolve()
        })
        late ||= lost.current
        lost.current = false
        setAway('')
      } catch (error) {
        onTaken()
        const why = forLater(error)
        if (why) {
          // kept safely: whoever waits may go on, the change is saved when the server is back
          setAway(why)
          lost.current = true
          for (const one of waiters.current) one?.resolve()
          waiters.current = waiters.current.map(() => null)
          break
        }
        if (error instanceof Refused && error.problem.type.endsWith('version-conflict')) {
          // it stays kept until somebody says what is to become of it
          const now = error.problem.current as { version: number; who: string; what: string }
          setConflict({ version: now.version, who: now.who, what: now.what, differences: error.problem.differences ?? [] })
          waiters.current[0]?.resolve()
          waiters.current[0] = null
          break
        }
        if (error instanceof Refused && newerBuild()) {
          // an older page may ask in a way that is no longer understood: it stays kept, and the new page sends it again
          waiters.current[0]?.resolve()
          waiters.current[0] = null
          break
        }
        settle()?.reject(error)
      }
    }
    // after a lost answer the version our edit made need not be the newest
    if (late) void query.refetch()
    working.current = false
    setWaiting(readPending(id).length)
  }, [id, inTurn, took, query.refetch, newest, onTaken])

  /** Save edits. Resolves when saved or safely kept for later; throws Refused when a field is wrong. */
  const edit = useCallback(
    (edits: Edit[]): Promise<void> =>
      new Promise((resolve, reject) => {
        waiters.current.push({ resolve, reject })
        keepPending(id, [...readPending(id), { key: crypto.randomUUID(), base: newest.current?.version ?? 0, edits }])
        setWaiting(readPending(id).length)
        void pump()
      }),
    [id, pump, newest],
  )

  useEffect(() => {
    if (saved && waiting > 0 && !away && !conflict && !newerBuild()) void pump()
  }, [saved, waiting, away, conflict, pump])

  useEffect(() => {
    if (!away) return
    const timer = setInterval(() => {
      if (readPending(id).length > 0) void pump()
      else
        void ask.get('/api/ready').then(
          () => setAway(''),
          () => undefined,
        )
    }, RETRY_MS)
    return () => clearInterval(timer)
  }, [away, id, pump])

  /** After a conflict: put what was typed here on top of what was saved meanwhile, or let the refused edit go. */
  const resolve = useCallback(
    async (keepMine: boolean): Promise<void> => {
      const fresh = await query.refetch()
      newest.current = fresh.data ?? newest.current
      const [refused, ...rest] = readPending(id)
      const now = newest.current?.version ?? 0
      if (keepMine && refused) keepPending(id, movedOn([refused, ...rest], refused.base, now))
      else {
        keepPending(id, rest)
        waiters.current.shift()
      }
      setConflict(null)
      setWaiting(readPending(id).length)
      await pump()
    },
    [id, pump, query.refetch, newest],
  )

  return { away, setAway, conflict, waiting, own, edit, resolve }
}
