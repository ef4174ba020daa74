import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type CastOut } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import { said, Trouble } from '../../parts/Trouble'

type Pattern = CastOut['pattern']
const PATTERNS: readonly { key: Pattern; name: string }[] = [
  { key: 'corners', name: 'Corners' },
  { key: 'grid', name: 'Grid' },
  { key: 'outline', name: 'Outlines' },
  { key: 'focus', name: 'Focus' },
  { key: 'lines', name: 'Single lines' },
  { key: 'greys', name: 'Gray steps' },
  { key: 'cross', name: 'Cross' },
  { key: 'wall', name: 'Wall marks' },
  { key: 'markers', name: 'For a photo' },
  { key: 'white', name: 'White' },
  { key: 'black', name: 'Black' },
]
const NUDGES = [
  { name: 'left', text: '←', u: -1, v: 0 },
  { name: 'right', text: '→', u: 1, v: 0 },
  { name: 'up', text: '↑', u: 0, v: -1 },
  { name: 'down', text: '↓', u: 0, v: 1 },
] as const
const STEPS = [0.05, 0.005, 0.0005] as const
const POINTS = 4

/** What the projector shows, chosen here; and the four points that let it light the wall's marks. */
export const Remote = () => {
  const { saved, edit } = useThisJob()
  const client = useQueryClient()
  const id = saved?.id ?? ''
  const [step, setStep] = useState<number>(STEPS[0])
  const [read, setRead] = useState({ x_mm: '', y_mm: '' })
  const [trouble, setTrouble] = useState('')
  const cast = useQuery({
    queryKey: [...keys.cast(id), saved?.version ?? 0],
    queryFn: () => ask.get('/api/jobs/{job_id}/cast', { params: { path: { job_id: id } } }),
    enabled: id !== '',
  })
  const show = useMutation({
    mutationFn: (body: { pattern: Pattern; u: number; v: number }) =>
      ask.put('/api/jobs/{job_id}/cast', { params: { path: { job_id: id } }, body }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.cast(id) }),
  })
  const end = useMutation({
    mutationFn: () => ask.delete('/api/jobs/{job_id}/cast', { params: { path: { job_id: id } } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.cast(id) }),
  })
  const now = cast.data
  if (!now) return null
  const at = { u: now.u, v: now.v }
  const clip = (value: number) => Math.min(1, Math.max(0, value))
  const keep = async () => {
    try {
      await edit([{ pointer: '/align/cast_points/-', value: { ...at, ...read } }])
      setRead({ x_mm: '', y_mm: '' })
      setTrouble('')
      show.mutate({ pattern: now.pattern, ...at })
    } catch (error) {
      setTrouble(said(error))
    }
  }
  return (
    <div className="flex flex-col gap-2">
      <p className="text-small">
        Open <strong>{window.location.host}/cast</strong> on what feeds the projector, and type{' '}
        <strong className="text-lead tracking-widest">{now.code}</strong>. F fills the screen.{' '}
        <Button look="quiet" className="underline" onClick={() => end.mutate()}>
          End this code
        </Button>
      </p>
      {now.window.map((text) => (
        <p key={text} className="border-brass border-l-[6px] bg-lift px-3 py-1.5 text-small">
          {text}
        </p>
      ))}
      <div className="flex flex-wrap gap-1">
        {PATTERNS.map((one) => (
          <Button
            key={one.key}
            size="bar"
            look={now.pattern === one.key ? 'main' : 'plain'}
            aria-pressed={now.pattern === one.key}
            onClick={() => show.mutate({ pattern: one.key, ...at })}
          >
            {one.name}
          </Button>
        ))}
      </div>
      {now.pattern === 'cross' && (
        <>
          <div className="flex flex-wrap gap-1">
            {NUDGES.map((one) => (
              <Button
                key={one.name}
                size="tall"
                aria-label={`Cross ${one.name}`}
                onClick={() => show.mutate({ pattern: 'cross', u: clip(at.u + one.u * step), v: clip(at.v + one.v * step) })}
              >
                {one.text}
              </Button>
            ))}
            {STEPS.map((one, number) => (
              <Button
                key={one}
                size="tall"
                aria-pressed={step === one}
                look={step === one ? 'main' : 'plain'}
                onClick={() => setStep(one)}
              >
                {['far', 'near', 'fine'][number]}
              </Button>
            ))}
          </div>
          {now.table.points.length < POINTS && (
            <div className="flex gap-1">
              {(['x_mm', 'y_mm'] as const).map((name) => (
                <input
                  key={name}
                  aria-label={name === 'x_mm' ? 'The cross, from the left wall end' : 'The cross, above the floor'}
                  placeholder={name === 'x_mm' ? 'from left' : 'off floor'}
                  value={read[name]}
                  onChange={(event) => setRead({ ...read, [name]: event.target.value })}
                  className="min-h-11 w-full min-w-0 rounded border border-seam bg-velvet px-2 text-body"
                />
              ))}
              <Button size="tall" disabled={!read.x_mm.trim() || !read.y_mm.trim()} onClick={() => void keep()}>
                Keep
              </Button>
            </div>
          )}
        </>
      )}
      <Trouble text={trouble} />
      {now.table.points.length > 0 && (
        <div className="text-small">
          {now.table.points.map((text, number) => (
            <p key={text}>
              {number + 1}. <Rich text={text} />
            </p>
          ))}
          <Button size="bar" onClick={() => void edit([{ pointer: '/align/cast_points', value: [] }])}>
            Read the cross anew
          </Button>
        </div>
      )}
      {now.pattern === 'wall' && now.table.why && <p className="text-small">{now.table.why}</p>}
      {now.pattern === 'wall' &&
        now.table.warnings.map((text) => (
          <p key={text} className="border-brass border-l-[6px] bg-lift px-3 py-1.5 text-small">
            {text}
          </p>
        ))}
    </div>
  )
}
