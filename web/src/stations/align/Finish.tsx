import { useShown } from '../../job/shown'
import { Button, Pick } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import type { StationProps } from '../props'
import { useProjector } from './useProjector'

/** How focus is found: by no number, by looking. */
export const Focus = () => (
  <p className="py-1 text-small leading-snug">
    Lights off, cast “Focus”. Turn focus past sharp both ways and stop where single pixels are sharpest at the center and in all
    corners. Then check the picture size again; focusing changes it slightly.
  </p>
)

/** Which lens memory shows which aspect ratio, drawn on the board by a tap; recalled where a projector answers. */
export const Memories = ({ plan }: StationProps) => {
  const { shape, showShape } = useShown()
  const { now, act } = useProjector()
  const table = plan.tables.memories
  if (!table) return null
  return (
    <ul className="flex flex-col">
      {table.rows.map((row) => {
        const [first = ''] = row.ids
        const there = now?.power === 'on' && now.memories.includes(String(row.number))
        return (
          <li key={row.number} className="flex items-center gap-2 border-seam border-b py-1.5">
            <span className="grid size-9 shrink-0 place-items-center rounded border border-seam font-bold">{row.number}</span>
            <p className="min-w-0 flex-1 text-small leading-snug">
              <strong>{row.aspects.join(', ')}</strong>: <Rich text={row.picture} />
              <span className="block text-quiet">
                <Rich text={`zoom ${row.zoom}, shift ${row.shift}, ${row.light} of the light`} />
              </span>
            </p>
            <Pick on={shape === first} onClick={() => showShape(shape === first ? '' : first)}>
              draw<span className="sr-only"> memory {row.number}</span>
            </Pick>
            {there && (
              <Button
                disabled={act.isPending}
                onClick={() => act.mutate({ name: now.name, set: { what: 'memory', value: String(row.number) } })}
              >
                Take<span className="sr-only"> memory {row.number}</span>
              </Button>
            )}
          </li>
        )
      })}
    </ul>
  )
}
