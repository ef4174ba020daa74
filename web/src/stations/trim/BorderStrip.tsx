import type { Plan } from '../../api/client'
import { Num } from '../../parts/Num'

type Row = NonNullable<Plan['tables']['border']>['rows'][number]
const TALL = 16

/** Each piece of border as it is cut: its length, its corners, the roll it comes from. */
export const BorderStrip = ({ plan }: { plan: Plan }) => {
  const table = plan.tables.border
  if (!table)
    return <p className="p-4 text-quiet">No border to cut. Choose felt tape or velvet, or set the border's faces at Size.</p>
  const longest = Math.max(...table.rows.map((row) => row.length_mm))
  return (
    <section aria-label="Border pieces" className="px-4 py-2">
      <ul className="flex flex-col gap-1">
        {table.rows.map((row) => (
          <li key={row.name} className="flex items-center gap-3">
            <span className="w-16 font-semibold">{row.name}</span>
            <Num text={row.length} className="w-28 text-right text-value" />
            <span className="min-w-0 flex-1">
              <TapeShape row={row} share={row.length_mm / longest} />
            </span>
            <span className="w-64 text-quiet text-small max-[820px]:hidden">{row.ends}</span>
            <span className="w-16 text-small">{row.roll ? `roll ${row.roll}` : 'joined'}</span>
          </li>
        ))}
      </ul>
      <p className="pt-1 text-small leading-snug">{table.how}</p>
    </section>
  )
}

/** The piece laid flat, its ends as they are cut. */
const TapeShape = ({ row, share }: { row: Row; share: number }) => {
  const inset = row.mitered ? TALL : 0
  const notch = row.notch_mm ? 7 : 0
  return (
    <svg viewBox={`0 0 400 ${TALL + 2}`} preserveAspectRatio="none" className="block h-5 w-full" aria-hidden="true">
      <path
        d={
          notch
            ? `M${notch} 1H${400 * share - notch}v${notch}h${notch}V${TALL}H0V${1 + notch}h${notch}Z`
            : `M0 1H${400 * share}L${400 * share - inset} ${TALL}H${inset}Z`
        }
        fill="var(--frame)"
        stroke="var(--chalk)"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}
