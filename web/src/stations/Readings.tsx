import { useState } from 'react'
import { type JobOut, Refused } from '../api/client'
import { useThisJob } from '../job/context'
import { Num, Rich } from '../parts/Num'

type Kind = {
  list: 'ceiling_readings' | 'floor_readings'
  field: 'up_mm' | 'down_mm'
  title: string
  word: string
}

const KINDS: readonly Kind[] = [
  { list: 'ceiling_readings', field: 'up_mm', title: 'Ceiling, up from the datum line', word: 'up' },
  { list: 'floor_readings', field: 'down_mm', title: 'Floor, down from the datum line', word: 'down' },
]
const INPUT = 'min-h-9 w-full min-w-0 rounded border border-seam bg-velvet px-2 text-right text-[16px]'

/** Readings along the wall, neither ceiling nor floor being level. */
export const Readings = ({ job, texts }: { job: JobOut; texts: Record<string, string> }) => (
  <>
    {KINDS.map((kind) => (
      <ReadingList key={kind.list} kind={kind} job={job} texts={texts} />
    ))}
  </>
)

const ReadingList = ({ kind, job, texts }: { kind: Kind; job: JobOut; texts: Record<string, string> }) => {
  const { edit } = useThisJob()
  const [x, setX] = useState('')
  const [y, setY] = useState('')
  const [trouble, setTrouble] = useState('')
  const rows = job.document.survey[kind.list]
  const base = `/survey/${kind.list}`
  const add = async () => {
    if (!x.trim() || !y.trim()) return setTrouble('Both are needed: how far along, and the reading.')
    try {
      await edit([{ pointer: `${base}/-`, value: { x_mm: x, [kind.field]: y } }])
      setX('')
      setY('')
      setTrouble('')
    } catch (error) {
      setTrouble(error instanceof Refused ? error.message : 'This could not be saved.')
    }
  }
  return (
    <div className="mt-2">
      <h4 className="text-[14px] text-quiet">{kind.title}</h4>
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>from the left wall end</th>
            <th>{kind.word}</th>
            <th>remove</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            <tr key={row.x_mm} className="h-9">
              <td className="text-quiet">
                at <Num text={texts[`${base}/${at}/x_mm`] ?? ''} />
              </td>
              <td className="text-right text-[16px]">
                <Num text={texts[`${base}/${at}/${kind.field}`] ?? ''} />
              </td>
              <td className="w-11 text-right">
                <button
                  type="button"
                  aria-label={`Remove the reading at ${texts[`${base}/${at}/x_mm`]}`}
                  className="size-9 rounded text-quiet hover:text-stop"
                  onClick={() => void edit([{ pointer: `${base}/${at}`, value: null }])}
                >
                  ×
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex items-center gap-2">
        <input
          aria-label={`${kind.title}: place from the left wall end`}
          placeholder="at"
          value={x}
          onChange={(event) => setX(event.target.value)}
          className={INPUT}
        />
        <input
          aria-label={`${kind.title}: reading`}
          placeholder={kind.word}
          value={y}
          onChange={(event) => setY(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && void add()}
          className={INPUT}
        />
        <button type="button" onClick={() => void add()} className="min-h-9 rounded border border-seam px-3">
          Add
        </button>
      </div>
      {trouble && (
        <p role="alert" className="mt-1 border-stop border-l-4 pl-2 text-[14px] text-stop">
          <Rich text={trouble} />
        </p>
      )}
    </div>
  )
}
