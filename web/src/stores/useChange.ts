import { useRef, useState } from 'react'
import { ask, type RecordKind, type Work } from '../api/client'
import { said } from '../parts/Trouble'
import type { LengthStyle } from '../parts/units'
import type { Said } from './Entry'

type Asked = { kind: RecordKind; record: string; name: string; typed: Said; style: LengthStyle }
type Otherwise = { id: string; name: string; stops: string[]; said: string[] }
/** took: how many jobs took the record, null before it is counted; jobs: those that would plan otherwise, as they come. */
export type Change = { took: number | null; jobs: readonly Otherwise[]; done: boolean; trouble: string }

const LOOK_MS = 300
const NOTHING: Change = { took: null, jobs: [], done: false, trouble: '' }

/** What the lines of a piece of work say so far. */
const told = (lines: string): Change => {
  const whole = lines.slice(0, lines.lastIndexOf('\n') + 1)
  const parts = whole.split('\n').filter(Boolean)
  const [first, ...jobs] = parts.map((line) => JSON.parse(line) as { took: number } & Otherwise)
  return { ...NOTHING, took: first?.took ?? null, jobs }
}

/** Which jobs would plan otherwise: counted first, named as they come. */
export const useChange = ({ kind, record, name, typed, style }: Asked) => {
  const [change, setChange] = useState<Change | null>(null)
  const turn = useRef(0)
  const look = async () => {
    const mine = ++turn.current
    const show = (next: Change) => mine === turn.current && setChange(next)
    const body = { name, said: typed, units: { style, denominator: 16 as const } }
    const path = { kind, key: record }
    show(NOTHING)
    try {
      const first = await fetch(`/api/stores/${kind}/${encodeURIComponent(record)}/change`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
      if (first.status === 202) {
        const { work } = (await first.json()) as Work
        for (let lines = ''; mine === turn.current; ) {
          const part = await fetch(`/api/work/${work}/part`)
          if (!part.ok || !['waiting', 'working'].includes(part.headers.get('x-state') ?? '')) break
          lines = await part.text()
          show(told(lines))
          await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
        }
      }
      const whole = await ask.post('/api/stores/{kind}/{key}/change', { params: { path }, body })
      show({ took: whole.took, jobs: whole.jobs, done: true, trouble: '' })
    } catch (error) {
      show({ ...NOTHING, done: true, trouble: said(error) })
    }
  }
  return { change, look }
}
