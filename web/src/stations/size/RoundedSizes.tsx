import { type Plan, toEdits } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Num, Rich } from '../../parts/Num'

/** Rounded sizes with what each costs; tap one to take it, again to go back to the exact size. */
export const RoundedSizes = ({ plan }: { plan: Plan }) => {
  const { edit } = useThisJob()
  return (
    <ul className="flex flex-col" aria-label="Rounded sizes">
      {plan.tables.rounded?.rows.map((row) => (
        <li key={row.size}>
          <button
            type="button"
            aria-pressed={row.chosen}
            onClick={() => void edit(toEdits(row.changes))}
            className={`grid min-h-11 w-full grid-cols-[1.1rem_1fr_auto] items-center gap-2 rounded px-1 text-left hover:bg-lift ${row.chosen ? 'bg-lift' : ''}`}
          >
            <span aria-hidden="true" className={`size-3 border-2 border-brass ${row.chosen ? 'bg-brass' : ''}`} />
            <Num text={row.size} className="text-body" />
            <span className="text-right text-fine text-quiet leading-tight">
              <span className={row.exact ? 'font-semibold text-ink' : ''}>{row.aspect_error}</span>
              {row.edge_error && <>, {row.edge_error}</>}
              <br />
              <Rich text={`diagonal ${row.diagonal_change}`} />
            </span>
          </button>
        </li>
      ))}
    </ul>
  )
}
