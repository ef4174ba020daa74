import type { Figure, PanelPart } from '../api/client'
import { useAddressed } from '../job/useAddressed'
import { Field } from '../parts/Field'
import { FigureRow } from '../parts/FigureRow'
import { Folded } from '../parts/Folded'
import { Findings } from './common/Findings'
import type { StationProps } from './props'
import { WIDGETS } from './widgets'

/** A station's panel as the plan orders it: what leads, what is entered, and detail folded under its gist. */
export const StationPanel = (props: StationProps) => {
  const { plan, station } = props
  const panel = plan.panels.find((one) => one.station === station)
  const addressed = useAddressed(station)
  return (
    <>
      <h2 className="mb-2 font-bold text-title">{plan.stations.find((one) => one.key === station)?.label}</h2>
      <Findings plan={plan} station={station} />
      {panel?.parts.map((part) => (
        <Part key={part.title + part.widget + part.weight} part={part} addressed={addressed} {...props} />
      ))}
    </>
  )
}

const Part = ({ part, addressed, ...props }: StationProps & { part: PanelPart; addressed: string }) => {
  const Widget = WIDGETS[part.widget]
  const figures = part.rows.flatMap((key) => props.plan.figures.find((one) => one.key === key) ?? [])
  const inner = (
    <>
      {part.widget.startsWith('take-') && Widget && <Widget {...props} />}
      {figures.map((figure) => (
        <div
          key={figure.key}
          id={`figure-${figure.key}`}
          className={figure.key === addressed ? 'rounded outline-2 outline-brass' : ''}
        >
          <Row figure={figure} lead={part.weight === 'lead'} refused={props.plan.refused_marks.includes(figure.key)} />
        </div>
      ))}
      {!part.widget.startsWith('take-') && Widget && <Widget {...props} />}
    </>
  )
  if (part.weight === 'detail')
    return (
      <Folded name={`${props.station}.${part.title}`} title={part.title} gist={part.gist} named={part.rows.includes(addressed)}>
        {inner}
      </Folded>
    )
  return (
    <section className="border-seam border-t py-1.5 first-of-type:border-t-0">
      {part.title && <h3 className="pt-1 font-semibold text-quiet text-small">{part.title}</h3>}
      {inner}
    </section>
  )
}

// the top of the frame is worked out; it is moved on the board, or by its target
const Row = ({ figure, lead, refused }: { figure: Figure; lead: boolean; refused: boolean }) =>
  figure.entry && figure.key !== 'frame_top' ? (
    <Field figure={figure} lead={lead} />
  ) : (
    <FigureRow figure={figure} lead={lead} refused={refused} />
  )
