import type { Plan } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Add } from '../../parts/Add'
import { Button } from '../../parts/Button'
import { Typed } from '../../parts/Typed'
import type { StationProps } from '../props'

type Row = NonNullable<Plan['tables']['box']>['rows'][number]
const CELLS = [
  { name: 'name', label: 'Part', hint: 'part' },
  { name: 'count', label: 'On the sheet', hint: 'count' },
  { name: 'spare', label: 'Spares among them', hint: 'spares', optional: true },
]

/** Count the box against the kit's sheet before the fabric is opened: one tap where it is all there. */
export const Box = ({ plan }: StationProps) => {
  const rows = plan.tables.box?.rows ?? []
  return (
    <div>
      {rows.length > 0 && (
        <ul aria-label="Parts in the box">
          {rows.map((row) => (
            <Part key={row.id} row={row} />
          ))}
        </ul>
      )}
      <Add cells={CELLS} button="Add" edit={(typed) => ({ pointer: '/frame/parts/-', value: typed })} />
    </div>
  )
}

const Part = ({ row }: { row: Row }) => {
  const { edit } = useThisJob()
  const pointer = `/frame/parts/${row.id}`
  const all = row.found !== null && row.short === 0
  return (
    <li className={`border-l-4 py-1 pl-2 ${row.short ? 'border-stop' : all ? 'border-seam' : 'border-brass'}`}>
      <span className="flex items-center gap-1.5">
        <button
          type="button"
          aria-pressed={all}
          aria-label={`${row.name}: all ${row.count} there`}
          onClick={() => void edit([{ pointer: `${pointer}/found`, value: all ? null : row.count }])}
          className={`grid size-11 shrink-0 place-items-center rounded-md border-2 font-bold text-lead ${all ? 'border-brass bg-brass text-on-brass' : 'border-seam'}`}
        >
          {all ? '✓' : ''}
        </button>
        <span className="min-w-0 flex-1 leading-tight">
          {row.name}
          <span className="block text-fine text-quiet">
            {row.count} on the sheet{row.spare > 0 && `, ${row.spare} of them spares`}
          </span>
        </span>
        <Typed
          look="cell"
          label={`${row.name}, in the box`}
          pointer={`${pointer}/found`}
          text={row.found === null ? '' : String(row.found)}
          empty="count"
        />
        <Button look="remove" aria-label={`Remove ${row.name}`} onClick={() => void edit([{ pointer, value: null }])}>
          ×
        </Button>
      </span>
      {row.short > 0 && (
        <strong className="block text-small text-stop">
          {row.short} short: {row.stops} waits
        </strong>
      )}
    </li>
  )
}
