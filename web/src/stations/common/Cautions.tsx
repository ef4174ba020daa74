import type { Plan } from '../../api/client'

/** Cautions shown at the step they belong to, before the action. */
export const Cautions = ({ plan, station }: { plan: Plan; station: string }) => (
  <section className="border-seam border-t py-1">
    {plan.cautions
      .filter((one) => one.station === station)
      .map((one) => (
        <p key={one.key} className="mt-2 border-brass border-l-2 pl-3 text-small leading-snug">
          <strong>{one.name}.</strong> {one.text}
        </p>
      ))}
    {plan.panels.find((panel) => panel.station === station)?.home && (
      <p className="mt-2 pl-3 text-quiet text-small leading-snug">{plan.local_rules}</p>
    )}
  </section>
)
