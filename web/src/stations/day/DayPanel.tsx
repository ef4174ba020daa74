import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type DayOut } from '../../api/client'
import { keys } from '../../api/keys'
import { buttonLook } from '../../parts/Button'
import { hours } from '../../parts/hours'
import { Rich } from '../../parts/Num'
import type { StationProps } from '../props'
import { DayPhotos } from './DayPhotos'
import { useDeskDay } from './useDeskDay'

/** How far the day is, what comes next, what no longer agrees, and the record that has come of it. */
export const DayPanel = ({ job }: StationProps) => {
  const { day, standings } = useDeskDay()
  const [shown, setShown] = useState(false)
  const [bag, setBag] = useState(false)
  if (!day) return <p className="py-2 text-quiet">Making the steps…</p>
  const open = day.steps.filter((step) => (standings.get(step.key)?.state ?? 'open') === 'open')
  const sum = (of: 'left' | 'left_two') => day.stretches.reduce((all, one) => all + one[of], 0)
  const next = day.steps.find((step) => step.key === day.next)
  const said = [...standings.values()]
  const blocked = said.filter((one) => one.state === 'impossible')
  const name = (key: string) => day.steps.find((step) => step.key === key)?.text ?? key
  return (
    <div className="flex flex-col gap-3">
      <p>
        <span className="font-bold text-mark">{day.steps.length - open.length}</span>
        <span className="text-quiet"> of {day.steps.length} steps done</span>
        <span className="block text-small">
          {hours(sum('left'))} left, {hours(sum('left_two'))} of it with two people
        </span>
        {day.helper && <span className="block text-quiet text-small">{day.helper}</span>}
      </p>
      {next && (
        <p className="border-brass border-l-[6px] bg-lift px-3 py-2">
          <span className="block text-quiet text-small">Next</span>
          <span className="font-semibold text-lead leading-snug">
            <Rich text={next.text} />
          </span>
        </p>
      )}
      <p className="flex flex-wrap gap-2">
        <a className={`${buttonLook('main', 'tall')} inline-flex items-center`} href={`/day/${job.id}`}>
          The crew's page
        </a>
        <button type="button" className={buttonLook('plain', 'tall')} aria-expanded={shown} onClick={() => setShown(!shown)}>
          Record
        </button>
        <button type="button" className={buttonLook('plain', 'tall')} aria-expanded={bag} onClick={() => setBag(!bag)}>
          Bag
        </button>
      </p>
      {blocked.map((one) => (
        <p key={one.key} className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5 text-small">
          {name(one.key)}: not possible, {one.reason || 'no reason given'}
        </p>
      ))}
      {said.flatMap((one) => [
        ...one.disagrees
          .filter((gap) => gap.fault)
          .map((gap) => (
            <p key={`${one.key} ${gap.label}`} className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5 text-small">
              {name(one.key)}: done at <Rich text={gap.was} />, now wanted <Rich text={gap.now} />
            </p>
          )),
        ...one.apart.map((text) => (
          <p key={`${one.key} ${text}`} className="border-brass border-l-[6px] bg-lift px-3 py-1.5 text-small">
            <Rich text={text} />
          </p>
        )),
      ])}
      {shown && <Record id={job.id} rows={said.length} />}
      {shown && <DayPhotos id={job.id} name={name} />}
      {bag && <Bag day={day} />}
    </div>
  )
}

/** What to bring for what is still open. */
const Bag = ({ day }: { day: DayOut }) => (
  <ul aria-label="The bag" className="text-small">
    {day.bag.length === 0 && <li className="text-quiet">Nothing is left to bring.</li>}
    {day.bag.map((line) => (
      <li key={`${line.what} ${line.name}`} className="flex gap-3 border-seam border-t py-1">
        <span className={`min-w-0 flex-1 ${line.what === 'part' ? 'font-semibold text-stop' : ''}`}>
          {line.name}
          {line.amount && <span className="ml-2">{line.amount}</span>}
        </span>
        <span className="max-w-[45%] text-right text-quiet">{line.why}</span>
      </li>
    ))}
  </ul>
)

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'short' })
const ACTS = { done: '', read: '', impossible: 'not possible', skipped: 'left out', undone: 'taken back' } as Record<
  string,
  string
>

const Record = ({ id, rows }: { id: string; rows: number }) => {
  const record = useQuery({
    queryKey: [...keys.record(id), rows],
    queryFn: () => ask.get('/api/jobs/{job_id}/day/record', { params: { path: { job_id: id } } }),
  }).data
  if (!record) return null
  if (record.rows.length === 0) return <p className="text-quiet">Nothing was told yet.</p>
  return (
    <table className="w-full text-left text-small" aria-label="Record">
      <thead className="text-quiet">
        <tr>
          <th className="py-1 pr-2 font-normal">step</th>
          <th className="py-1 pr-2 font-normal">planned</th>
          <th className="py-1 pr-2 font-normal">read</th>
          <th className="py-1 font-normal">who, when</th>
        </tr>
      </thead>
      <tbody>
        {[...record.rows].reverse().map((row, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows are only ever added
          <tr key={record.rows.length - at} className="border-seam border-t align-top">
            <td className="py-1 pr-2">
              <Rich text={row.step} />
              {(ACTS[row.act] || row.reason) && (
                <span className="block text-stop">{[ACTS[row.act], row.reason].filter(Boolean).join(', ')}</span>
              )}
            </td>
            <td className="py-1 pr-2">
              <Rich text={row.planned} />
            </td>
            <td className={`py-1 pr-2 ${row.within === false ? 'font-semibold text-stop' : ''}`}>
              <Rich text={row.read} />
              {row.error && row.error !== '0' && (
                <span className="block">
                  <Rich text={row.error} />
                </span>
              )}
            </td>
            <td className="py-1 text-quiet">
              {row.who} {when.format(new Date(row.at))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
