import type { ReactNode } from 'react'
import type { Figure, Plan, StationKey } from '../api/client'
import { Field } from '../parts/Field'
import { FigureRow } from '../parts/FigureRow'
import { FindingNote } from '../parts/FindingNote'

type FiguresProps = { plan: Plan; keys: readonly string[] }

/** Named figures in order: fields to enter, or computed figures to read. */
export const Figures = ({ plan, keys }: FiguresProps) => {
  const found = keys.flatMap((key) => plan.figures.filter((one) => one.key === key))
  return (
    <>
      {found.map((figure) => (
        <Row key={figure.key} figure={figure} all={plan.figures} />
      ))}
    </>
  )
}

const Row = ({ figure, all }: { figure: Figure; all: readonly Figure[] }) =>
  figure.entry && figure.key !== 'frame_top' ? <Field figure={figure} all={all} /> : <FigureRow figure={figure} all={all} />

/** What is found out at a station, the worst first. */
export const Findings = ({ plan, station }: { plan: Plan; station: StationKey }) => {
  const own = plan.findings.filter((one) => one.station === station)
  if (own.length === 0) return null
  return (
    <div className="mb-3 flex flex-col gap-2" role="status" aria-label="Findings">
      {own.map((one) => (
        <FindingNote key={one.code} finding={one} />
      ))}
    </div>
  )
}

/** Cautions shown at the step they belong to, before the action. */
export const Cautions = ({ plan, station }: { plan: Plan; station: StationKey }) => (
  <>
    {plan.cautions
      .filter((one) => one.station === station)
      .map((one) => (
        <p key={one.key} className="mt-2 border-brass border-l-2 pl-3 text-[14px] leading-snug">
          <strong>{one.name}.</strong> {one.text}
        </p>
      ))}
    {station === 'wall' && <p className="mt-2 pl-3 text-[14px] text-quiet leading-snug">{plan.local_rules}</p>}
  </>
)

export const Part = ({ title, children }: { title?: string; children: ReactNode }) => (
  <section className="border-seam border-t py-2 first-of-type:border-t-0">
    {title && <h3 className="pt-1 pb-1 font-semibold text-quiet text-sm">{title}</h3>}
    {children}
  </section>
)
