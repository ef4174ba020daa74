import type { Plan } from '../../api/client'

/** The order of going on: who does what, one act each. */
export const Acts = ({ plan }: { plan: Plan }) => {
  const table = plan.tables.hang
  if (!table) return null
  return (
    <div className="h-full overflow-auto px-4 py-2">
      <ol className="flex flex-wrap gap-x-6 gap-y-2">
        {table.acts.map((act, at) => (
          <li key={act} className="flex max-w-[30ch] gap-2 text-body leading-snug">
            <span className="font-semibold text-brass">{at + 1}</span>
            <span>{act}.</span>
          </li>
        ))}
      </ol>
      {table.caution && <p className="pt-2 font-semibold text-smallall">{table.caution}</p>}
    </div>
  )
}
