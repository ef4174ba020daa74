import { useEffect, useState } from 'react'
import { useThisJob } from '../../job/context'
import { useTap } from '../../job/tap'
import { Add } from '../../parts/Add'
import { Button } from '../../parts/Button'
import { Num, Rich } from '../../parts/Num'
import { Typed } from '../../parts/Typed'
import type { StationProps } from '../props'

const GAPS = '/survey/gaps/-'
const CELLS = [
  { name: 'x_mm', label: 'Gap: place from the left wall end', hint: 'from left' },
  { name: 'y_mm', label: 'Gap: place above the floor', hint: 'off floor' },
  { name: 'gap_mm', label: 'Gap: reading', hint: 'gap' },
]

/** Gaps to a plumb reference, typed or tapped, and the shim behind each support. */
export const FlatWall = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const { tap, setTap } = useTap()
  const [gap, setGap] = useState('')
  const table = plan.tables.flat
  useEffect(() => () => setTap(null), [setTap])
  if (!table) return null
  const tapping = () =>
    setTap(
      tap
        ? null
        : { name: `gap ${gap}`, face: 'front', edit: (x_mm, y_mm) => ({ pointer: GAPS, value: { x_mm, y_mm, gap_mm: gap } }) },
    )
  return (
    <div>
      {table.shims.length > 0 && (
        <table className="mt-1 w-full text-small" aria-label="Shims">
          <tbody>
            {table.shims.map((one) => (
              <tr key={one.name} className="border-seam border-t">
                <th scope="row" className="py-1 text-left font-normal text-quiet">
                  {one.name}
                </th>
                <td className="text-right">
                  <Num text={one.thick} className="text-value" />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="py-2 text-quiet text-small leading-snug">
        Hold a plumb straightedge or laser before the wall. Read the gap at four places or more, spread over the screen.
      </p>
      <Add cells={CELLS} button="Add" edit={(typed) => ({ pointer: GAPS, value: typed })} />
      <div className="flex items-center gap-2 py-2">
        <input
          aria-label="Gap to tap"
          placeholder="gap"
          value={gap}
          onChange={(event) => {
            setGap(event.target.value)
            setTap(null)
          }}
          className="min-h-9 w-20 rounded border border-seam bg-velvet px-2 text-body"
        />
        <Button disabled={!gap.trim()} aria-pressed={tap !== null} onClick={tapping}>
          {tap ? 'Stop tapping' : 'Tap where it is'}
        </Button>
      </div>
      <ul>
        {table.gaps.map((row, at) => (
          <li key={row.id} className="flex min-h-9 flex-wrap items-center gap-x-1 text-small">
            <Typed look="cell" label={`Gap ${at + 1}, from left`} pointer={`/survey/gaps/${row.id}/x_mm`} text={row.x} />
            <Typed look="cell" label={`Gap ${at + 1}, off floor`} pointer={`/survey/gaps/${row.id}/y_mm`} text={row.y} />
            <Typed look="cell" label={`Gap ${at + 1}`} pointer={`/survey/gaps/${row.id}/gap_mm`} text={row.gap} />
            <span className="flex-1 text-fine text-quiet">
              <Rich text={row.belly} />
            </span>
            <Button
              look="remove"
              aria-label={`Remove gap ${at + 1}`}
              onClick={() => void edit([{ pointer: `/survey/gaps/${row.id}`, value: null }])}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
    </div>
  )
}
