import { useThisJob } from '../job/context'
import { Button } from './Button'
import { Rich } from './Num'

type KeptProps = { list: string; noun: string; rows: readonly { id: string; said: string; by?: string }[] }

/** What was read round by round, each to be taken back. list: the pointer it stands under. */
export const Kept = ({ list, noun, rows }: KeptProps) => {
  const { edit } = useThisJob()
  return (
    <ul className="pt-2">
      {rows.map((row, at) => (
        <li key={row.id} className="flex min-h-9 items-center gap-2 text-small">
          <span className="flex-1">
            {at + 1}. <Rich text={row.said} /> {row.by && <span className="text-quiet">{row.by}</span>}
          </span>
          <Button
            look="remove"
            aria-label={`Remove ${noun} ${at + 1}`}
            onClick={() => void edit([{ pointer: `${list}/${row.id}`, value: null }])}
          >
            ×
          </Button>
        </li>
      ))}
    </ul>
  )
}
