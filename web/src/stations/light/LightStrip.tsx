import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type JobOut, type Plan } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Cell, Line, Table } from '../../parts/Table'
import { StripTabs } from '../../parts/Tabs'

const NAMES = [
  ['seats', 'Seat by seat'],
  ['fabrics', 'Fabrics ranked'],
] as const

/** Light, seat by seat, and the shop's fabrics in this room. */
export const LightStrip = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const [tab, setTab] = useState<(typeof NAMES)[number][0]>('seats')
  return (
    <StripTabs label="Light tables" names={NAMES} shown={tab} show={setTab}>
      {tab === 'seats' ? <Seats plan={plan} /> : <Fabrics job={job} />}
    </StripTabs>
  )
}

const Seats = ({ plan }: { plan: Plan }) => {
  const seats = plan.tables.seats?.rows ?? []
  const states = plan.tables.light?.states ?? []
  if (seats.length === 0) return <p className="p-3 text-quiet">No seats yet. Add them at Survey, or drag them on the top face.</p>
  const light = new Map(plan.tables.light?.rows.map((row) => [row.id, row]))
  const heads = [
    'Seat',
    'Viewing angle',
    'Neck angle',
    'Far edge, gain',
    'cd/m² (fL)',
    'Left · right · top · bottom',
    'Uniformity',
  ]
  return (
    <Table label="Seats" className="text-fine [&_td]:px-1 [&_th]:px-1" heads={[...heads, ...states, 'Sight line']}>
      {seats.map((seat) => {
        const lit = light.get(seat.id)
        return (
          <Line key={seat.id} lit={seat.main} className={seat.main ? 'font-semibold' : ''}>
            <Cell>{seat.name}</Cell>
            <Cell>{seat.angle}</Cell>
            <Cell>{seat.top_neck}</Cell>
            <Cell className="whitespace-nowrap">
              {seat.far_edge}
              {lit && ` · ${lit.far_gain}`}
            </Cell>
            <Cell className="whitespace-nowrap">{lit ? `${lit.luminance} (${lit.foot_lamberts})` : ''}</Cell>
            <Cell className="whitespace-nowrap">{lit?.points.slice(1).join(' · ')}</Cell>
            <Cell className="whitespace-nowrap">{lit?.uniformity}</Cell>
            {states.map((state, at) => (
              <Cell key={state}>
                {lit?.contrasts[at]} <span className="font-normal text-fine text-quiet">{lit?.bands[at]}</span>
              </Cell>
            ))}
            <Cell>{seat.sight}</Cell>
          </Line>
        )
      })}
    </Table>
  )
}

const Fabrics = ({ job }: { job: JobOut }) => {
  const { takeRecord } = useThisJob()
  const table = useQuery({
    queryKey: keys.compared('fabrics', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/fabrics', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
  })
  if (!table.data) return null
  const rank = (
    <span key="rank" className="sr-only">
      Rank
    </span>
  )
  return (
    <Table label="Fabrics ranked" heads={[rank, 'Fabric', 'Lobe', 'cd/m²', 'Uniformity', ...table.data.states, 'Why']}>
      {table.data.rows.map((row) => (
        <Line key={row.key} lit={row.chosen}>
          <Cell className="font-semibold">{row.rank}</Cell>
          <Cell>
            <button
              type="button"
              disabled={row.chosen}
              onClick={() => void takeRecord('fabric', row.key)}
              className="min-h-9 text-left font-semibold"
            >
              {row.name}
              <span className="block font-normal text-fine text-quiet">{row.category}</span>
            </button>
          </Cell>
          <Cell>
            <Lobe points={row.lobe} name={row.name} />
          </Cell>
          <Cell>{row.luminance}</Cell>
          <Cell>{row.uniformity}</Cell>
          {row.contrasts.map((contrast, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the states never reorder within a table
            <Cell key={at}>
              {contrast} <span className="text-fine text-quiet">{row.bands[at]}</span>
            </Cell>
          ))}
          <Cell className="max-w-80 text-fine leading-tight">
            {row.stops.length > 0 && <strong className="text-stop">Stop · </strong>}
            {row.reason}
          </Cell>
        </Line>
      ))}
    </Table>
  )
}

/** The gain lobe as a polar curve: straight out is the axis. */
const Lobe = ({ points, name }: { points: readonly (readonly number[])[]; name: string }) => {
  const most = Math.max(0.01, ...points.map(([, gain = 0]) => gain))
  const at = (sign: number) =>
    points.map(
      ([angle = 0, gain = 0]) =>
        `${40 + (sign * 36 * gain * Math.sin((angle * Math.PI) / 180)) / most},${38 - (34 * gain * Math.cos((angle * Math.PI) / 180)) / most}`,
    )
  const curve = [...at(-1).reverse(), ...at(1)].join(' ')
  return (
    <svg viewBox="0 0 80 42" className="h-9 w-16" role="img" aria-label={`Gain lobe of ${name}, ${most.toFixed(2)} on its axis`}>
      <path d="M2 38H78" stroke="var(--seam)" strokeWidth="1.500" />
      <polyline points={curve} fill="none" stroke="var(--chalk)" strokeWidth="2" />
    </svg>
  )
}
