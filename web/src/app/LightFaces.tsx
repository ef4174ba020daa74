import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ask, type Face, type FloorMap, type JobOut, type Plan, type SeatView } from '../api/client'
import { Board, SeatViewFace } from '../board'
import { Menu, MenuChoices } from '../parts/Menu'

const MEASURES = [
  { value: 'angle', label: 'viewing angle' },
  { value: 'brightness', label: 'brightness' },
  { value: 'evenness', label: 'evenness' },
  { value: 'contrast', label: 'contrast' },
  { value: 'sight', label: 'sight over heads' },
] as const
type Measure = (typeof MEASURES)[number]['value']
const PICK = 'min-h-10 rounded-md border border-seam px-3 hover:border-brass'

const useStates = (plan: Plan) => plan.light_states.map((label, at) => ({ value: String(at), label }))

/** The room from above, the floor coloured by where the picture is good. */
export const FloorFace = ({ job, plan, face }: { job: JobOut; plan: Plan; face: Face }) => {
  const [measure, setMeasure] = useState<Measure>('angle')
  const [state, setState] = useState('0')
  const states = useStates(plan)
  const map = useQuery({
    queryKey: ['floor', job.id, job.version, measure, state],
    queryFn: () =>
      ask<FloorMap | null>(
        api.GET('/api/jobs/{job_id}/floor', { params: { path: { job_id: job.id }, query: { measure, state: Number(state) } } }),
      ),
    placeholderData: (before) => before,
  })
  return (
    <div className="relative flex h-full flex-col">
      <div className="flex gap-2 px-2 pt-1">
        <Menu label="Measure" className={PICK} trigger={<>{MEASURES.find((one) => one.value === measure)?.label} ▾</>}>
          <MenuChoices value={measure} onChange={(next) => setMeasure(next as Measure)} choices={MEASURES} />
        </Menu>
        {measure !== 'angle' && measure !== 'sight' && (
          <Menu label="Light" className={PICK} trigger={<>{states[Number(state)]?.label} ▾</>}>
            <MenuChoices value={state} onChange={setState} choices={states} />
          </Menu>
        )}
        {map.data === null && <p className="self-center text-quiet">Brightness needs the projector's light and place.</p>}
      </div>
      <div className="min-h-0 flex-1">
        <Board face={face} station="survey" floor={map.data ?? undefined} />
      </div>
    </div>
  )
}

/** What a chosen seat sees in a chosen light. */
export const SeatFace = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const main = plan.seats.find((one) => one.main) ?? plan.seats[0]
  const [seat, setSeat] = useState(String(main?.index ?? 0))
  const [state, setState] = useState('0')
  const states = useStates(plan)
  const view = useQuery({
    queryKey: ['view', job.id, job.version, seat, state],
    queryFn: () =>
      ask<SeatView>(
        api.GET('/api/jobs/{job_id}/seats/{seat}/view', {
          params: { path: { job_id: job.id, seat: Number(seat) }, query: { state: Number(state) } },
        }),
      ),
    enabled: plan.seats.length > 0,
    placeholderData: (before) => before,
  })
  if (plan.seats.length === 0) return <p className="p-6 text-quiet">No seats yet: add them in the survey.</p>
  return (
    <div className="flex h-full flex-col">
      <div className="flex gap-2 px-2 pt-1">
        <Menu label="Seat" className={PICK} trigger={<>{plan.seats.find((one) => String(one.index) === seat)?.name} ▾</>}>
          <MenuChoices
            value={seat}
            onChange={setSeat}
            choices={plan.seats.map((one) => ({ value: String(one.index), label: one.name }))}
          />
        </Menu>
        <Menu label="Light" className={PICK} trigger={<>{states[Number(state)]?.label} ▾</>}>
          <MenuChoices value={state} onChange={setState} choices={states} />
        </Menu>
      </div>
      <div className="min-h-0 flex-1">{view.data && <SeatViewFace view={view.data} />}</div>
    </div>
  )
}
