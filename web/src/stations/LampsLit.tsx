import type { JobOut } from '../api/client'
import { useThisJob } from '../job/context'

/** Which surveyed lamps are lit in which light state; a measured lux goes before them. */
export const LampsLit = ({ job }: { job: JobOut }) => {
  const { edit } = useThisJob()
  const lamps = job.document.survey.lamps ?? []
  if (lamps.length === 0)
    return <p className="py-1 text-[14px] text-quiet">Lamps added in the survey can be switched on here, state by state.</p>
  return (
    <ul aria-label="Lamps lit">
      {job.document.light.states.map((state, at) => (
        <li key={state.name} className="flex flex-wrap items-center gap-1 py-0.5">
          <span className="mr-auto text-[15px] text-quiet">lit in {state.name}</span>
          {lamps.map((lamp) => {
            const lit = (state.lamps ?? []).indexOf(lamp.name)
            const list = `/light/states/${at}/lamps`
            return (
              <button
                key={lamp.name}
                type="button"
                aria-pressed={lit >= 0}
                onClick={() =>
                  void edit([lit >= 0 ? { pointer: `${list}/${lit}`, value: null } : { pointer: `${list}/-`, value: lamp.name }])
                }
                className={`min-h-9 rounded border px-2 text-[14px] ${lit >= 0 ? 'border-brass font-semibold' : 'border-seam text-quiet'}`}
              >
                <span aria-hidden="true">{lit >= 0 ? '● ' : '○ '}</span>
                {lamp.name}
              </button>
            )
          })}
        </li>
      ))}
    </ul>
  )
}
