import { toEdits } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import type { StationProps } from '../props'

/** What can hold the screen, ranked; one tap takes it. */
export const Ways = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const rows = plan.tables.ways?.rows ?? []
  if (rows.length === 0) return <p className="text-quiet text-small">Masonry takes plugs wherever the rule puts the brackets.</p>
  return (
    <ol className="flex flex-col gap-2">
      {rows.map((row) => (
        <li key={row.key} className={`border-l-4 pl-2 ${row.serves ? 'border-brass' : 'border-stop'}`}>
          <div className="flex items-center gap-2">
            <span className="flex-1 font-semibold">
              {row.name}
              {!row.serves && <span className="text-stop">, does not serve</span>}
            </span>
            {row.taken ? (
              <span className="text-quiet text-small">taken</span>
            ) : (
              <Button aria-label={`Take: ${row.name}`} onClick={() => void edit(toEdits(row.changes))}>
                Take
              </Button>
            )}
          </div>
          <p className="text-small leading-snug">
            <Rich text={row.why} /> <span className="text-quiet">{row.cost}</span>
          </p>
        </li>
      ))}
    </ol>
  )
}
