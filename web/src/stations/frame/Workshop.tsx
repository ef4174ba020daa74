import { useThisJob } from '../../job/context'
import { Add } from '../../parts/Add'
import { Button } from '../../parts/Button'
import { Num, Rich } from '../../parts/Num'
import { Typed } from '../../parts/Typed'
import { TakeFrom } from '../common/TakeFrom'
import type { StationProps } from '../props'

/** How far the rails bow with 0, 1, 2 … braces; a tap takes that many. */
export const Bow = (props: StationProps) =>
  props.plan.tables.bow ? (
    <>
      <BowTable {...props} />
      <BracePlaces {...props} />
    </>
  ) : null

/** Brace positions that somebody set; they replace the even ones. */
const BracePlaces = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const braces = plan.tables.bow?.places ?? []
  return (
    <div className="mt-3">
      <p className="pb-1 text-quiet text-small">
        {braces.length > 0 ? 'Brace positions you set (from the left, seen from the back):' : 'Or place each brace yourself:'}
      </p>
      <ul>
        {braces.map((one, at) => (
          <li key={one.id} className="flex min-h-10 items-center gap-2">
            <span className="flex-1">brace {at + 1}, its middle</span>
            <Typed
              look="cell"
              label={`Brace ${at + 1}, middle from the left`}
              pointer={`/frame/braces/${one.id}/u_mm`}
              text={one.text}
            />
            <Button
              look="remove"
              aria-label={`Remove brace ${at + 1}`}
              onClick={() => void edit([{ pointer: `/frame/braces/${one.id}`, value: null }])}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      <Add
        cells={[{ name: 'u_mm', label: 'Middle from the left', hint: 'from left' }]}
        button="Place a brace"
        edit={(typed) => ({ pointer: '/frame/braces/-', value: typed })}
      />
    </div>
  )
}

const BowTable = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const table = plan.tables.bow
  if (!table) return null
  return (
    <table className="mt-2 w-full text-small" aria-label="Bow of the rails by number of braces">
      <thead className="text-left text-fine text-quiet">
        <tr>
          <th className="font-medium">Braces</th>
          <th className="font-medium">Span</th>
          <th className="text-right font-medium">Bow, {table.allowed} allowed</th>
        </tr>
      </thead>
      <tbody>
        {table.rows.map((row) => (
          <tr key={row.braces} className={`border-seam border-t ${row.used ? 'bg-lift font-semibold' : ''}`}>
            <td>
              <button
                type="button"
                aria-pressed={row.used}
                onClick={() => void edit([{ pointer: '/frame/centre_bars', value: row.braces }])}
                className="min-h-9 w-full px-1 text-left"
              >
                {row.braces}
              </button>
            </td>
            <td>
              <Num text={row.span} />
            </td>
            <td className={`text-right ${row.enough ? '' : 'text-stop'}`}>
              {row.bow}
              {row.enough ? '' : ', too far'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** The cut list: each piece with its letter, as it is written on the board. */
export const Pieces = ({ plan }: StationProps) => (
  <table className="mt-2 w-full text-small" aria-label="Cut list">
    <tbody>
      {plan.tables.cut_list?.rows.map((row) => (
        <tr key={row.letter} className="border-seam border-t align-baseline">
          <td className="w-7 py-1 font-bold text-value">{row.letter}</td>
          <td>
            {row.name}
            <span className="block text-fine text-quiet">{row.ends}</span>
            {row.note && (
              <span className="block text-fine">
                <Rich text={row.note} />
              </span>
            )}
          </td>
          <td className="text-right">
            <Num text={row.length} className="text-value" />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)

const CELLS = [
  { name: 'length_mm', label: 'Length', hint: 'length' },
  { name: 'crook_mm', label: 'Crook', hint: 'crook', optional: true },
  { name: 'bow_mm', label: 'Bow', hint: 'bow', optional: true },
  { name: 'twist_mm', label: 'Twist', hint: 'twist', optional: true },
]

/** The boards that were bought, sighted along: the straightest for the rails, the bad ones back to the yard. */
export const Bought = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const rows = plan.tables.sighted?.rows ?? []
  return (
    <div className="mt-2">
      <TakeFrom kind="board" />
      <p className="pb-1 text-quiet text-small leading-snug">
        Sight along each board you bought: crook sideways, bow over its face, twist at its end.
      </p>
      <ul>
        {rows.map((row) => (
          <li key={row.id} className={`mb-1 border-l-4 pl-2 ${row.good ? 'border-seam' : 'border-stop'}`}>
            <span className="flex items-center gap-2">
              <span className={`flex-1 font-semibold ${row.good ? '' : 'text-stop'}`}>{row.verdict}</span>
              <Button
                look="remove"
                aria-label={`Remove board ${row.id}`}
                onClick={() => void edit([{ pointer: `/frame/bought/${row.id}`, value: null }])}
              >
                ×
              </Button>
            </span>
            <span className="block text-small">
              <Num text={row.length} /> · crook {row.crook}, bow {row.bow}, twist {row.twist}
            </span>
          </li>
        ))}
      </ul>
      <Add cells={CELLS} button="Add" edit={(typed) => ({ pointer: '/frame/bought/-', value: typed })} />
    </div>
  )
}
