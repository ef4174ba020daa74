import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ask, type JobOut, type SizeRow, type SizeTable, toEdits } from '../api/client'
import { useThisJob } from '../job/context'
import { Num, Rich } from '../parts/Num'

export const useSizeTable = (job: JobOut) =>
  useQuery({
    queryKey: ['sizes', job.id, job.version],
    queryFn: () => ask<SizeTable>(api.GET('/api/jobs/{job_id}/sizes', { params: { path: { job_id: job.id } } })),
    placeholderData: (before) => before,
  })

type Column = { key: string; label: string; sort?: string }
const COLUMNS: readonly Column[] = [
  { key: 'diagonal', label: 'Diagonal', sort: 'diagonal' },
  { key: 'angles', label: 'Angle\nnear · main · far' },
  { key: 'necks', label: 'Neck\ntop · centre' },
  { key: 'pixels', label: 'Pixel' },
  { key: 'luminance', label: 'cd/m²', sort: 'luminance' },
]

/** Candidate sizes side by side; tap one to take it. */
export const SizeTableStrip = ({ job }: { job: JobOut }) => {
  const table = useSizeTable(job)
  const { edit } = useThisJob()
  const [sort, setSort] = useState('diagonal')
  if (!table.data) return <p className="p-4 text-quiet">Planning eight sizes.</p>
  const rows = [...table.data.rows].sort((a, b) =>
    sort === 'diagonal' ? (a.sort[sort] ?? 0) - (b.sort[sort] ?? 0) : (b.sort[sort] ?? 0) - (a.sort[sort] ?? 0),
  )
  return (
    <section
      aria-label="Sizes side by side"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
      tabIndex={0}
      className="relative h-full overflow-auto px-3"
    >
      <p className="py-1.5 font-semibold text-[15.5px] leading-snug">
        <Rich text={table.data.advice} />
      </p>
      <table className="w-full text-[14px]" aria-label="Sizes compared">
        <thead className="sticky top-0 bg-velvet">
          <tr className="text-left text-[13px] text-quiet">
            {COLUMNS.map((one) => (
              <th
                key={one.key}
                className="whitespace-pre px-1 py-1 font-medium"
                aria-sort={one.sort === sort ? 'descending' : undefined}
              >
                {one.sort ? (
                  <button
                    type="button"
                    onClick={() => setSort(one.sort ?? 'diagonal')}
                    className={`underline decoration-dotted underline-offset-4 ${one.sort === sort ? 'text-ink' : ''}`}
                  >
                    {one.label}
                  </button>
                ) : (
                  one.label
                )}
              </th>
            ))}
            {table.data.states.map((state) => (
              <th key={state} className="px-1 py-1 font-medium">
                <span className="block max-w-16">{state}</span>
              </th>
            ))}
            <th className="px-1 py-1 font-medium">To ceiling</th>
            <th className="px-1 py-1 font-medium">
              <button type="button" onClick={() => setSort('stops')} className="underline decoration-dotted underline-offset-4">
                Verdict
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Candidate key={row.diagonal} row={row} onTake={() => void edit(toEdits(row.changes))} />
          ))}
        </tbody>
      </table>
    </section>
  )
}

const Candidate = ({ row, onTake }: { row: SizeRow; onTake: () => void }) => {
  const look = row.stops.length > 0 ? 'text-quiet' : ''
  return (
    <tr className={`border-seam border-t ${row.chosen ? 'bg-lift font-semibold' : ''} ${look}`}>
      <td className="px-1">
        <button type="button" disabled={row.chosen} onClick={onTake} className="flex min-h-9 items-center gap-2 text-[16px]">
          <span aria-hidden="true" className={`size-3 border-2 border-brass ${row.chosen ? 'bg-brass' : ''}`} />
          <span className="sr-only">Take </span>
          <Num text={row.diagonal} />
        </button>
        <span className="-mt-1.5 block whitespace-nowrap pb-1 pl-5 font-normal text-[13px] text-quiet">
          <Rich text={row.size} />
        </span>
      </td>
      <td className="whitespace-nowrap px-1">{row.angles}</td>
      <td className="whitespace-nowrap px-1">{row.necks}</td>
      <td className="px-1">{row.pixels}</td>
      <td className="px-1">{row.luminance}</td>
      {row.contrasts.map((contrast, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the states never reorder within a table
        <td key={at} className="px-1" title={row.bands[at]}>
          {contrast}
        </td>
      ))}
      <td className="whitespace-nowrap px-1">
        <Rich text={row.ceiling_slack} />
      </td>
      <td className="min-w-40 px-1 py-1 leading-tight">
        {row.stops.length > 0 ? (
          <strong className="text-stop">Stop · </strong>
        ) : row.minds.length > 0 ? (
          <strong className="text-brass">Mind · </strong>
        ) : null}
        <span className="font-normal text-[13.5px]">
          <Rich text={row.verdict} />
        </span>
      </td>
    </tr>
  )
}
