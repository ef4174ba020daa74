import type { Plan } from '../../api/client'
import { KnownMark } from '../../parts/KnownMark'
import { Num } from '../../parts/Num'

/** What must be measured before anything is drilled, and what moves with it. */
export const ToMeasure = ({ plan }: { plan: Plan }) => {
  if (plan.to_measure.length === 0) return null
  return (
    <section className="mb-2 border-brass border-l-[6px] bg-lift px-3 py-2" aria-label="Measure before you drill">
      <h3 className="font-bold">Measure before you drill</h3>
      <ul>
        {plan.to_measure.map((one) => (
          <li key={one.pointer} className="mt-1.5 flex gap-2.5">
            <span className="pt-0.5">
              <KnownMark known="assumed" />
            </span>
            <span className="flex-1 leading-tight">
              {one.label}
              <span className="block text-fine text-quiet">{one.effect}</span>
            </span>
            <Num text={one.text} className="text-body" />
          </li>
        ))}
      </ul>
    </section>
  )
}
