import { useQuery } from '@tanstack/react-query'
import { ask, type JobOut } from '../api/client'
import { keys } from '../api/keys'
import { Rich } from '../parts/Num'

/** The even sheet otherwise: fewer points, another cloth, a spring less, a stiffer rail. */
export const WhatIf = ({ job }: { job: JobOut }) => {
  const asked = useQuery({
    queryKey: keys.compared('what-if', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/tension/what-if', { params: { path: { job_id: job.id } } }),
  })
  if (asked.isError) return <p className="p-4">{asked.error.message}</p>
  if (!asked.data)
    return (
      <p className="p-4 text-quiet" aria-busy="true">
        Computing the sheet a dozen times
      </p>
    )
  const most = Math.max(...asked.data.rows.map((row) => row.points), 1)
  return (
    <div className="min-h-0 flex-1 overflow-auto p-4">
      <p className="max-w-[70ch] text-lead">{asked.data.fewest}</p>
      <table className="mt-3 w-full max-w-[1000px] text-small">
        <caption className="sr-only">The even sheet with something else about it</caption>
        <thead className="text-quiet">
          <tr>
            {['sheet', 'points', 'evenness', 'picture wrinkled', 'rails bow', 'longest stretch', ''].map((name) => (
              <th key={name} scope="col" className={`py-1 font-normal ${name === 'sheet' ? 'text-left' : 'text-right'}`}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {asked.data.rows.map((row) => (
            <tr
              key={row.name}
              className={`border-seam border-t ${row.name.startsWith('as planned') ? 'bg-lift font-semibold' : ''}`}
            >
              <th scope="row" className="py-1.5 text-left font-[inherit]">
                <Rich text={row.name} />
              </th>
              <td className="text-right tabular-nums">
                <span className="mr-2 inline-block h-2 bg-seam align-middle" style={{ width: (60 * row.points) / most }} />
                {row.points}
              </td>
              <td className="text-right tabular-nums">
                <span className="mr-2 inline-block h-2 bg-chalk align-middle" style={{ width: 90 * row.evenness }} />
                {row.texts.evenness}
              </td>
              <td className="text-right tabular-nums">{row.texts.wrinkled}</td>
              <td className="text-right tabular-nums">
                <Rich text={row.texts.bow ?? ''} />
              </td>
              <td className="text-right tabular-nums">
                <Rich text={row.texts.longest ?? ''} />
              </td>
              <td className="pl-4 text-right">{row.trouble || (row.good ? 'good' : 'not enough')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="pt-3 text-quiet text-small">{asked.data.model}</p>
    </div>
  )
}
