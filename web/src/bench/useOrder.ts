import { useEffect, useState } from 'react'
import { NOTHING, type Run, withPieces } from './pieces'

type Watched = { run: Run; progress: number; trouble: string }
const BEGUN: Watched = { run: NOTHING, progress: 0, trouble: '' }
const LOOK_MS = 300

const trouble = async (answer: Response) => {
  const body = (await answer.json().catch(() => null)) as { detail?: string } | null
  return body?.detail ?? 'The server does not answer.'
}

/** A simulated order, as far as it is computed; what comes is shown while the rest is on its way. */
export const useOrder = (job: string, version: number, order: string | null): Watched => {
  const [watched, setWatched] = useState<Watched>(BEGUN)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another version of the job is another order
  useEffect(() => {
    const stop = new AbortController()
    setWatched(BEGUN)
    if (order === null) return
    const watch = async () => {
      const answer = await fetch(`/api/jobs/${job}/tension/order?order=${order}`, { signal: stop.signal })
      if (answer.status === 200) {
        const run = withPieces(NOTHING, new Uint8Array(await answer.arrayBuffer()))
        setWatched({ run, progress: 1, trouble: '' })
        return
      }
      if (answer.status !== 202) throw new Error(await trouble(answer))
      const { work } = (await answer.json()) as { work: string }
      let run = NOTHING
      for (;;) {
        const part = await fetch(`/api/work/${work}/part?after=${run.read}`, { signal: stop.signal })
        if (!part.ok) throw new Error(await trouble(part))
        run = withPieces(run, new Uint8Array(await part.arrayBuffer()))
        const state = part.headers.get('x-state')
        const steps = run.head?.steps.length ?? 0
        const done = new Set(run.moments.map((one) => one.step)).size
        setWatched({ run, progress: run.came ? 1 : steps ? done / steps : 0, trouble: '' })
        if (run.came) return
        if (state === 'failed' || state === 'done') {
          const again = await fetch(`/api/jobs/${job}/tension/order?order=${order}`, { signal: stop.signal })
          if (again.status !== 200) throw new Error(await trouble(again))
          run = withPieces(NOTHING, new Uint8Array(await again.arrayBuffer()))
          setWatched({ run, progress: 1, trouble: '' })
          return
        }
        await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
      }
    }
    watch().catch((error: Error) => {
      if (!stop.signal.aborted) setWatched((now) => ({ ...now, trouble: error.message }))
    })
    return () => stop.abort()
  }, [job, version, order])
  return watched
}
