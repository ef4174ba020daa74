import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type JobOut, type SizeRow, toEdits } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Num, Rich } from '../../parts/Num'
import { Cell, Line, SortHead, Table } from '../../parts/Table'

/** The candidate sizes; asked for at Size only. */
export const useSizeTable = (job: JobOut, enabled: boolean) =>
  useQuery({
    queryKey: keys.compared('sizes', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/sizes', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
    enabled,
  })

const SORTS = { diagonal: 1, luminance: -1, stops: -1 } as const
type Sort = keyof typeof SORTS

/** Candidate sizes side by side; tap one to take it. */
export const SizeStrip = ({ job }: { job: JobOut }) => {
  const table = useSizeTable(job, true)
  const { edit } = useThisJob()
  const [sort, setSort] = useState<Sort>('diagonal')
  if (!table.data) return <p className="p-4 text-quiet">Planning eight sizes.</p>
  const rows = [...table.data.rows].sort((a, b) => SORTS[sort] * ((a.sort[sort] ?? 0) - (b.sort[sort] ?? 0)))
  const head = (name: Sort, label: string) => (
    <SortHead on={sort === name} onSort={() => setSort(name)}>
      {label}
    </SortHead>
  )
  const two = (first: string, second: string) => (
    <>
      {first}
      <span className="block">{second}</span>
    </>
  )
  return (
    <section
      aria-label="Sizes side by side"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
      tabIndex={0}
      className="relative h-full overflow-auto px-3"
    >
      <p className="py-1.5 font-semibold text-body leading-snug">
        <Rich text={table.data.advice} />
      </p>
      {[...table.data.common.map((one) => `At every size: ${one}`), table.data.unlit, table.data.leads]
        .filter(Boolean)
        .map((one) => (
          <p key={one} className="pb-1 text-quiet text-small leading-snug">
            <Rich text={one} />
          </p>
        ))}
      <Table
        label="Sizes compared"
        className="text-fine [&_td]:px-1 [&_th]:px-1"
        heads={[
          head('diagonal', 'Diagonal'),
          two('Viewing angle', 'near · main · far'),
          two('Neck angle', 'top · center'),
          two('Pixel', 'arcmin'),
          head('luminance', 'cd/m²'),
          ...table.data.states.map((state) => (
            <span key={state} className="block max-w-16">
              {state}
            </span>
          )),
          'To ceiling',
          head('stops', 'Verdict'),
        ]}
      >
        {rows.map((row) => (
          <Candidate key={row.diagonal} row={row} onTake={() => void edit(toEdits(row.changes))} />
        ))}
      </Table>
    </section>
  )
}

const Candidate = ({ row, onTake }: { row: SizeRow; onTake: () => void }) => (
  <Line lit={row.chosen} className={`${row.chosen ? 'font-semibold' : ''} ${row.stops.length > 0 ? 'text-quiet' : ''}`}>
    <Cell>
      <button type="button" disabled={row.chosen} onClick={onTake} className="flex min-h-9 items-center gap-2 text-body">
        <span aria-hidden="true" className={`size-3 border-2 border-brass ${row.chosen ? 'bg-brass' : ''}`} />
        <span className="sr-only">Take </span>
        <Num text={row.diagonal} />
      </button>
      <span className="-mt-1.5 block whitespace-nowrap pb-1 pl-5 font-normal text-fine text-quiet">
        <Rich text={row.size} />
      </span>
    </Cell>
    <Cell className="whitespace-nowrap">{row.angles}</Cell>
    <Cell className="whitespace-nowrap">{row.necks}</Cell>
    <Cell>{row.pixels}</Cell>
    <Cell>{row.luminance}</Cell>
    {row.contrasts.map((contrast, at) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: the states never reorder within a table
      <Cell key={at} title={row.bands[at]}>
        {contrast}
      </Cell>
    ))}
    <Cell className="whitespace-nowrap">
      <Rich text={row.to_ceiling} />
    </Cell>
    <Cell className="min-w-36 leading-tight">
      {row.stops.length > 0 ? (
        <strong className="text-stop">Stop · </strong>
      ) : row.checks.length > 0 ? (
        <strong className="text-brass">Check · </strong>
      ) : null}
      <span className="font-normal text-fine">
        <Rich text={row.verdict} />
      </span>
    </Cell>
  </Line>
)
