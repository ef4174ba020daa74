import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { ask, forLater } from '../api/client'
import { keys } from '../api/keys'
import { useNews } from '../job/useNews'
import { Pattern } from './Pattern'

const EVERY_MS = 5000
const SETTLED_MS = 200 // after the last change of the window

/** A page for the projector itself: nothing but what is cast. It is chosen from another device. */
export const CastPage = () => {
  const { code = '' } = useParams()
  return code ? <Lit code={code} /> : <Join />
}

const Join = () => {
  const go = useNavigate()
  const [code, setCode] = useState('')
  return (
    <form
      className="grid h-dvh place-items-center bg-black text-white"
      onSubmit={(event) => {
        event.preventDefault()
        void go(`/cast/${code.trim().toUpperCase()}`)
      }}
    >
      <label className="flex flex-col items-center gap-4 text-lead">
        The code that stands at Align, under Cast
        <input
          value={code}
          onChange={(event) => setCode(event.target.value)}
          autoComplete="off"
          className="w-72 rounded border border-white bg-black px-4 py-3 text-center text-[2.5rem] uppercase tracking-[0.2em]"
        />
      </label>
    </form>
  )
}

const Lit = ({ code }: { code: string }) => {
  const found = useQuery({
    queryKey: keys.cast(code),
    queryFn: () => ask.get('/api/cast/{code}', { params: { path: { code } } }),
    refetchInterval: EVERY_MS,
  })
  useTold(code, found.data !== undefined)
  useEffect(() => {
    const full = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() === 'f') void document.documentElement.requestFullscreen?.()
    }
    window.addEventListener('keydown', full)
    return () => window.removeEventListener('keydown', full)
  }, [])
  // what is cast stays on the wall while the server is away; a code that was ended goes dark
  if (found.error && !(found.data && forLater(found.error)))
    return <p className="grid h-dvh place-items-center bg-black text-lead text-white">{String(found.error.message)}</p>
  if (!found.data) return <div className="h-dvh bg-black" />
  return (
    <>
      <Follow jobId={found.data.job_id} code={code} />
      <Pattern cast={found.data} />
    </>
  )
}

/** The remote hears how large this window is and how its screen is scaled, now and whenever that changes. */
const useTold = (code: string, joined: boolean) => {
  useEffect(() => {
    if (!joined) return
    let waiting = 0
    const tell = () => {
      window.clearTimeout(waiting)
      waiting = window.setTimeout(() => {
        const { innerWidth: wide, innerHeight: high, screen, devicePixelRatio: scaling } = window
        const body = { wide, high, screen_wide: screen.width, screen_high: screen.height, scaling }
        void ask.put('/api/cast/{code}/window', { params: { path: { code } }, body }).catch(() => undefined) // told again at the next change
      }, SETTLED_MS)
    }
    tell()
    window.addEventListener('resize', tell)
    return () => {
      window.clearTimeout(waiting)
      window.removeEventListener('resize', tell)
    }
  }, [code, joined])
}

/** What is new of the job is asked for at once. */
const Follow = ({ jobId, code }: { jobId: string; code: string }) => {
  const client = useQueryClient()
  useNews(jobId, () => void client.invalidateQueries({ queryKey: keys.cast(code) }))
  return null
}
