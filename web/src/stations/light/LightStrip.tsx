import { type ReactNode, useState } from 'react'
import type { JobOut, LitRow, Plan, SeatRow } from '../../api/client'
import { StripTabs } from '../../parts/Tabs'
import { Fabrics } from './Fabrics'

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

type SeatSeen = { seat: SeatRow; lit: LitRow | undefined }
type SeatLine = { label: string; cell: (seen: SeatSeen, alike: Alike) => ReactNode }
type Alike = { names: string[]; main: boolean; seen: SeatSeen; points: Set<string> }

/** Seats that read the same are one column, under all their names. */
const grouped = (seats: readonly SeatSeen[]): Alike[] => {
  const told = ({ seat, lit }: SeatSeen) =>
    JSON.stringify([seat.angle, seat.top_neck, seat.far_edge, seat.sight, lit?.luminance, lit?.uniformity, lit?.contrasts])
  const groups = new Map<string, Alike>()
  for (const seen of seats) {
    const key = told(seen)
    const own = groups.get(key) ?? { names: [], main: false, seen, points: new Set<string>() }
    own.names.push(seen.seat.name)
    if (seen.lit) own.points.add(seen.lit.points.slice(1).join(' · '))
    own.main ||= seen.seat.main
    groups.set(key, own)
  }
  return [...groups.values()]
}

const linesOf = (states: readonly string[]): SeatLine[] => [
  { label: 'Viewing angle', cell: ({ seat }) => seat.angle },
  { label: 'Neck angle, top', cell: ({ seat }) => seat.top_neck },
  { label: 'Far edge, gain there', cell: ({ seat, lit }) => `${seat.far_edge}${lit ? ` · ${lit.far_gain}` : ''}` },
  { label: 'Luminance, cd/m² (fL)', cell: ({ lit }) => (lit ? `${lit.luminance} (${lit.foot_lamberts})` : '') },
  { label: 'Left · right · top · bottom', cell: (_, { points }) => [...points].join(' or ') },
  { label: 'Uniformity', cell: ({ lit }) => lit?.uniformity },
  ...states.map((state, at) => ({
    label: `Contrast, ${state}`,
    cell: ({ lit }: SeatSeen) => (
      <>
        {lit?.contrasts[at]} <span className="text-quiet">{lit?.bands[at]}</span>
      </>
    ),
  })),
  { label: 'Sight line', cell: ({ seat }) => seat.sight },
]

const Seats = ({ plan }: { plan: Plan }) => {
  const seats = plan.tables.seats?.rows ?? []
  if (seats.length === 0) return <p className="p-3 text-quiet">No seats yet. Add them at Survey, or drag them on the top face.</p>
  const light = new Map(plan.tables.light?.rows.map((row) => [row.id, row]))
  const columns = grouped(seats.map((seat) => ({ seat, lit: light.get(seat.id) })))
  return (
    <table aria-label="Seats" className="w-full text-small leading-tight">
      <thead>
        <tr>
          <td />
          {columns.map(({ names, main }) => (
            <th key={names[0]} scope="col" className={`px-1 py-1 text-left align-bottom ${main ? 'font-bold' : 'font-semibold'}`}>
              {names.join(', ')}
              {main && <span className="font-normal text-quiet"> · main</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {linesOf(plan.tables.light?.states ?? []).map((line) => (
          <tr key={line.label} className="border-seam/60 border-t">
            <th scope="row" className="py-1 pr-2 text-left font-normal text-quiet">
              {line.label}
            </th>
            {columns.map((alike) => (
              <td key={alike.names[0]} className={`px-1 py-1 ${alike.main ? 'font-semibold' : ''}`}>
                {line.cell(alike.seen, alike)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
