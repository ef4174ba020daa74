import { Link } from 'react-router'
import type { Plan } from '../../api/client'
import { useThisJob } from '../../job/context'
import { usePayoff } from '../../job/usePayoff'
import { KnownMark } from '../../parts/KnownMark'
import { Num, Rich } from '../../parts/Num'

/** What to measure before anything is drilled, the most telling first, and the chance that one trip is enough. */
export const ToMeasure = ({ plan }: { plan: Plan }) => {
  const payoff = usePayoff()
  const { shown } = useThisJob()
  const known = new Map(payoff?.rows.map((one, at) => [one.pointer, { ...one, at }]))
  const rows = plan.to_measure
    .map((one) => ({
      ...one,
      effect: known.get(one.pointer)?.effect ?? one.effect,
      at: known.get(one.pointer)?.at ?? 0,
      station: plan.figures.find((figure) => figure.key === one.key)?.station,
    }))
    .sort((a, b) => a.at - b.at)
  if (rows.length === 0)
    return payoff?.advice ? (
      <p className="mb-2 text-quiet text-small">
        <Rich text={payoff.advice} />
      </p>
    ) : null
  return (
    <section className="mb-2 border-brass border-l-[6px] bg-lift px-3 py-2" aria-label="Measure before you drill">
      <h3 className="font-bold">Measure before you drill</h3>
      <ul>
        {rows.map((one) => (
          <li key={one.pointer} className="mt-1.5 flex gap-2.5">
            <span className="pt-0.5">
              <KnownMark known="assumed" />
            </span>
            <span className="flex-1 leading-tight">
              {one.station && shown ? (
                <Link to={`/jobs/${shown.id}/${one.station}#figure-${one.key}`} className="underline underline-offset-2">
                  {one.label}
                </Link>
              ) : (
                one.label
              )}
              <span className="block text-fine text-quiet">
                <Rich text={one.effect} />
              </span>
            </span>
            {/\d/.test(one.text) ? (
              <Num text={one.text} className="text-body" />
            ) : (
              <span className="max-w-[45%] text-right font-semibold text-small leading-tight">{one.text}</span>
            )}
          </li>
        ))}
      </ul>
      {payoff?.advice && (
        <p className="mt-2 border-seam border-t pt-1.5 text-small leading-snug">
          <Rich text={payoff.advice} />
        </p>
      )}
    </section>
  )
}
