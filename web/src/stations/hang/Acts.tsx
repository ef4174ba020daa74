import type { Plan } from '../../api/client'
import { Rich } from '../../parts/Num'

/** The order of going on: who does what, one act each. */
export const Acts = ({ plan }: { plan: Plan }) => {
  const table = plan.tables.hang
  if (!table) return null
  return (
    <div className="h-full overflow-auto px-4 py-2">
      <p className="pb-2 text-quiet text-small">{table.people}</p>
      <ol className="grid grid-cols-[repeat(auto-fill,minmax(14rem,1fr))] gap-x-5 gap-y-1.5">
        {table.acts.map((act, at) => (
          <li key={act} className="flex gap-2 text-body leading-snug">
            <span className="font-semibold text-brass">{at + 1}</span>
            <span>
              <Rich text={`${act}.`} />
            </span>
          </li>
        ))}
      </ol>
      {table.caution && <p className="pt-2 font-semibold text-small">{table.caution}</p>}
    </div>
  )
}
