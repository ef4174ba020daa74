import { useQueries, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type Face, type JobOut, type Measure, type Panel, type Plan, type SeatView } from '../../api/client'
import { keys } from '../../api/keys'
import { Board, SeatViewFace } from '../../board'
import { buttonLook } from '../../parts/Button'
import { Menu, MenuChoices } from '../../parts/Menu'

const MEASURES: readonly { value: Measure; label: string }[] = [
  { value: 'angle', label: 'viewing angle' },
  { value: 'brightness', label: 'brightness' },
  { value: 'uniformity', label: 'uniformity' },
  { value: 'contrast', label: 'contrast' },
  { value: 'sight', label: 'sight over heads' },
]

const statesOf = (plan: Plan) => (plan.tables.light?.states ?? []).map((label, at) => ({ value: String(at), label }))

type PickProps = {
  label: string
  value: string
  choices: readonly { value: string; label: string }[]
  onPick: (value: string) => void
}

const PickOne = ({ label, value, choices, onPick }: PickProps) => (
  <Menu
    label={label}
    className={buttonLook('plain', 'bar')}
    trigger={<>{choices.find((one) => one.value === value)?.label ?? choices[0]?.label} ▾</>}
  >
    <MenuChoices value={value} onChange={onPick} choices={choices} />
  </Menu>
)

/** The room from above, the floor shaded by where the picture is good. */
export const FloorFace = ({ job, plan, face, panel }: { job: JobOut; plan: Plan; face: Face; panel: Panel }) => {
  const [measure, setMeasure] = useState<Measure>('angle')
  const [state, setState] = useState('0')
  const map = useQuery({
    queryKey: keys.floor(job.id, job.version, measure, state),
    queryFn: () =>
      ask.get('/api/jobs/{job_id}/floor', { params: { path: { job_id: job.id }, query: { measure, state: Number(state) } } }),
    placeholderData: (before) => before,
  })
  return (
    <div className="relative flex h-full flex-col">
      <div className="flex gap-2 px-2 pt-1">
        <PickOne label="Measure" value={measure} choices={MEASURES} onPick={(next) => setMeasure(next as Measure)} />
        {measure !== 'angle' && measure !== 'sight' && (
          <PickOne label="Light" value={state} choices={statesOf(plan)} onPick={setState} />
        )}
        {map.data === null && <p className="self-center text-quiet">Brightness needs the projector's light and place.</p>}
      </div>
      <div className="min-h-0 flex-1">
        <Board face={face} panel={panel} floor={map.data ?? undefined} />
      </div>
    </div>
  )
}

/** What a chosen seat sees in every light of the room, side by side. */
export const SeatFace = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const seats = plan.tables.seats?.rows ?? []
  const states = statesOf(plan)
  const [chosen, setSeat] = useState('')
  const seat = (seats.find((one) => one.id === chosen) ?? seats.find((one) => one.main) ?? seats[0])?.id ?? ''
  const views = useQueries({
    queries: states.map(({ value }) => ({
      queryKey: keys.view(job.id, job.version, seat, value),
      queryFn: () =>
        ask.get('/api/jobs/{job_id}/seats/{seat}/view', {
          params: { path: { job_id: job.id, seat }, query: { state: Number(value) } },
        }),
      enabled: seat !== '',
      placeholderData: (before: SeatView | undefined) => before,
    })),
  })
  if (seat === '') return <p className="p-6 text-quiet">No seats yet. Add them at Survey.</p>
  const across = states.length > 4 ? 3 : states.length
  return (
    <div className="flex h-full flex-col">
      <div className="flex gap-2 px-2 pt-1">
        <PickOne label="Seat" value={seat} choices={seats.map((one) => ({ value: one.id, label: one.name }))} onPick={setSeat} />
      </div>
      <ul
        aria-label="In every light"
        className="grid min-h-0 flex-1 gap-2 p-2"
        style={{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}
      >
        {views.map((view, at) => (
          <li key={states[at]?.value} className="min-h-0">
            {view.data && <SeatViewFace view={view.data} />}
          </li>
        ))}
      </ul>
    </div>
  )
}
