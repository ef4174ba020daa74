import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ask, type FabricTable, type JobOut, type Plan } from '../api/client'
import { useThisJob } from '../job/context'
import { StripTabs } from '../parts/Tabs'

const NAMES = [
  ['seats', 'Seat by seat'],
  ['fabrics', 'Fabrics ranked'],
] as const

/** Light, seat by seat, and the shop's fabrics in this room. */
export const LightStrip = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const [tab, setTab] = useState<(typeof NAMES)[number][0]>('seats')
  return (
    <StripTabs label="Light tables" names={NAMES} shown={tab} show={setTab}>
      {tab === 'seats' ? <SeatTable plan={plan} /> : <Fabrics job={job} />}
    </StripTabs>
  )
}

const CELL = 'px-2 py-1.5'

const SeatTable = ({ plan }: { plan: Plan }) => {
  if (plan.seats.length === 0)
    return <p className="p-3 text-quiet">No seats yet: add them in the survey, or drag them on the top face.</p>
  const light = new Map(plan.seat_light.map((row) => [row.index, row]))
  return (
    <table className="w-full text-[14.5px]" aria-label="Seats">
      <thead className="sticky top-0 bg-velvet text-left text-[13px] text-quiet">
        <tr>
          {[
            'Seat',
            'Angle',
            'Neck',
            'Far edge, gain',
            'cd/m² (fL)',
            'Left · right · top · bottom',
            'Even',
            ...plan.light_states,
            'Sight',
          ].map((one) => (
            <th key={one} className={`${CELL} font-medium`}>
              {one}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {plan.seats.map((seat) => {
          const lit = light.get(seat.index)
          return (
            <tr key={seat.index} className={`border-seam border-t ${seat.main ? 'bg-lift font-semibold' : ''}`}>
              <td className={CELL}>{seat.name}</td>
              <td className={CELL}>{seat.angle}</td>
              <td className={CELL}>{seat.top_neck}</td>
              <td className={`${CELL} whitespace-nowrap`}>
                {seat.far_edge}
                {lit && ` · ${lit.far_gain}`}
              </td>
              <td className={`${CELL} whitespace-nowrap`}>{lit ? `${lit.luminance} (${lit.foot_lamberts})` : ''}</td>
              <td className={`${CELL} whitespace-nowrap`}>{lit?.points.slice(1).join(' · ')}</td>
              <td className={`${CELL} whitespace-nowrap`}>{lit?.evenness}</td>
              {plan.light_states.map((state, at) => (
                <td key={state} className={CELL}>
                  {lit?.contrasts[at]} <span className="font-normal text-[13px] text-quiet">{lit?.bands[at]}</span>
                </td>
              ))}
              <td className={CELL}>{seat.sight}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

const Fabrics = ({ job }: { job: JobOut }) => {
  const { takeRecord } = useThisJob()
  const table = useQuery({
    queryKey: ['fabrics', job.id, job.version],
    queryFn: () => ask<FabricTable>(api.GET('/api/jobs/{job_id}/fabrics', { params: { path: { job_id: job.id } } })),
    placeholderData: (before) => before,
  })
  if (!table.data) return null
  return (
    <table className="w-full text-[14.5px]" aria-label="Fabrics ranked">
      <thead className="sticky top-0 bg-velvet text-left text-[13px] text-quiet">
        <tr>
          {['', 'Fabric', 'Lobe', 'cd/m²', 'Even', ...table.data.states, 'Why'].map((one) => (
            <th key={one} className={`${CELL} font-medium`}>
              {one || <span className="sr-only">Rank</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.data.rows.map((row) => (
          <tr key={row.key} className={`border-seam border-t ${row.chosen ? 'bg-lift' : ''}`}>
            <td className={`${CELL} font-semibold`}>{row.rank}</td>
            <td className={CELL}>
              <button
                type="button"
                disabled={row.chosen}
                onClick={() => void takeRecord('fabric', row.key)}
                className="min-h-9 text-left font-semibold"
              >
                {row.name}
                <span className="block font-normal text-[13px] text-quiet">{row.sort}</span>
              </button>
            </td>
            <td className={CELL}>
              <Lobe points={row.lobe} name={row.name} />
            </td>
            <td className={CELL}>{row.luminance}</td>
            <td className={CELL}>{row.evenness}</td>
            {row.contrasts.map((contrast, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the states never reorder within a table
              <td key={at} className={CELL}>
                {contrast} <span className="text-[13px] text-quiet">{row.bands[at]}</span>
              </td>
            ))}
            <td className={`${CELL} max-w-80 text-[13.5px] leading-tight`}>
              {row.stops.length > 0 && <strong className="text-stop">Stop · </strong>}
              {row.reason}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
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
