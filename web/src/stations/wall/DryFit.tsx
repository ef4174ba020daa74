import { Add } from '../../parts/Add'
import { Kept } from '../../parts/Kept'
import { Rich } from '../../parts/Num'
import type { StationProps } from '../props'

const ENDS = [
  { name: 'left_mm', label: 'Top left, too high by (minus: too low)', hint: 'left' },
  { name: 'right_mm', label: 'Top right, too high by (minus: too low)', hint: 'right' },
  { name: 'gap_left_mm', label: 'Gap to the left reference', hint: 'gap l', optional: true },
  { name: 'gap_right_mm', label: 'Gap to the right reference', hint: 'gap r', optional: true },
  { name: 'who', label: 'Who reads', hint: 'who', optional: true },
]

const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

/** The empty frame hung and read: what each bracket must move. */
export const DryFit = ({ plan }: StationProps) => {
  const table = plan.tables.ways
  return (
    <div>
      <p className="pb-2 text-quiet text-small leading-snug">
        Hang the empty frame. Read its top against the target line at both ends, minus where it stands too low; then the side
        gaps.
      </p>
      <Add
        cells={ENDS}
        button="Add"
        edit={(typed) => ({ pointer: '/wall/dry/-', value: { ...typed, day: day.format(new Date()) } })}
      />
      <Kept list="/wall/dry" noun="dry fit" rows={table?.dry ?? []} />
      {table?.moves && (
        <p className="font-semibold">
          <Rich text={table.moves} />
        </p>
      )}
    </div>
  )
}
