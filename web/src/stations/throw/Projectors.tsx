import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type JobOut, type ProjectorRow, toEdits } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import { Cell, Line, SortHead, Table } from '../../parts/Table'

const SORTS = { fit: 0, luminance: -1, noise: 1, price: 1 } as const
type Sort = keyof typeof SORTS

/** Every projector of the stores: from this place, and where else it could be. */
export const Projectors = ({ job }: { job: JobOut }) => {
  const [sort, setSort] = useState<Sort>('fit')
  const table = useQuery({
    queryKey: keys.compared('projectors', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/projectors', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
  })
  if (!table.data) return <p className="p-3 text-quiet">Trying every projector of the stores.</p>
  const { rows, states } = table.data
  const sorted = [...rows].sort((a, b) => SORTS[sort] * ((a.sorts[sort] ?? 0) - (b.sorts[sort] ?? 0)))
  const head = (name: Sort, label: string) => (
    <SortHead on={sort === name} onSort={() => setSort(name)}>
      {label}
    </SortHead>
  )
  return (
    <Table
      label="Projectors compared"
      className="min-w-[740px]"
      heads={[
        head('fit', 'Projector'),
        'From here',
        <span key="light">
          {head('luminance', 'cd/m²')}
          <span className="block">pixel, arcmin</span>
        </span>,
        <span key="contrast">
          Contrast
          <span className="block max-w-28 leading-tight">{states.join(' · ')}</span>
        </span>,
        <span key="noise">
          {head('noise', 'Noise')}
          <span className="block">{head('price', 'Price')}</span>
        </span>,
        'Could be',
      ]}
    >
      {sorted.map((row) => (
        <Projector key={row.key} row={row} />
      ))}
    </Table>
  )
}

const Projector = ({ row }: { row: ProjectorRow }) => {
  const { edit, takeRecord } = useThisJob()
  return (
    <Line lit={row.chosen}>
      <Cell>
        <button
          type="button"
          disabled={row.chosen}
          onClick={() => void takeRecord('projector', row.key)}
          className="flex min-h-9 items-start gap-2 text-left font-semibold"
        >
          <span aria-hidden="true" className={`mt-1 size-3 shrink-0 border-2 border-brass ${row.chosen ? 'bg-brass' : ''}`} />
          <span className="whitespace-nowrap">
            <span className="sr-only">Take </span>
            {row.name}
            <span className="block font-normal text-fine text-quiet">{row.category}</span>
          </span>
        </button>
      </Cell>
      <Cell className="w-[31%] text-fine leading-tight">
        <strong className={row.fits ? '' : 'text-stop'}>{row.fits ? 'Fits' : 'No'} · </strong>
        <Rich text={[row.margin, row.verdict].filter(Boolean).join('. ')} />
        {row.sizes && (
          <span className="block pt-0.5 text-quiet">
            <Rich text={`fills ${row.sizes} from here`} />
          </span>
        )}
      </Cell>
      <Cell>
        {row.luminance}
        <span className="block text-fine text-quiet">{row.pixels}</span>
      </Cell>
      <Cell className="whitespace-nowrap">{row.contrasts.join(' · ')}</Cell>
      <Cell className="whitespace-nowrap text-right">
        {row.noise}
        <span className="block text-fine text-quiet">{row.price}</span>
      </Cell>
      <Cell className="w-[24%] text-fine leading-tight">
        {row.changes.length > 0 ? (
          <Button className="py-1 text-left" onClick={() => void edit(toEdits(row.changes))}>
            <span className="sr-only">Put {row.name} </span>
            <Rich text={row.place} />
          </Button>
        ) : (
          <span className="text-quiet">{row.place}</span>
        )}
      </Cell>
    </Line>
  )
}
