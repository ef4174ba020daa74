import type { DayOut } from '../api/client'
import { Rich } from '../parts/Num'
import type { State } from './useDay'

const SIGNS: Record<State, string> = { open: '', done: '✓', impossible: '✕', skipped: '–' }
const SAID: Record<State, string> = { open: 'open', done: 'done', impossible: 'not possible', skipped: 'left out' }

type JumpProps = {
  day: DayOut
  states: ReadonlyMap<string, State>
  now: string
  onGo: (key: string) => void
  onClose: () => void
}

/** Every step by its name, stretch by stretch. */
export const Jump = ({ day, states, now, onGo, onClose }: JumpProps) => (
  <div className="flex h-full flex-col">
    <div className="flex items-center justify-between px-3">
      <h1 className="font-bold text-lead">The day</h1>
      <button type="button" className="min-h-16 px-3 text-body" onClick={onClose}>
        Close
      </button>
    </div>
    <div className="min-h-0 flex-1 overflow-y-auto px-3 pb-3">
      {day.phases.map((phase) => {
        const steps = day.steps.filter((step) => step.phase === phase.key)
        if (steps.length === 0) return null
        const done = steps.filter((step) => (states.get(step.key) ?? 'open') !== 'open').length
        return (
          <details key={phase.key} open={steps.some((step) => step.key === now)}>
            <summary className="flex min-h-16 items-center justify-between border-seam border-t text-lead">
              <span className="font-semibold">{phase.label}</span>
              <span className="text-quiet">
                {done} of {steps.length}
              </span>
            </summary>
            {steps.map((step) => {
              const state = states.get(step.key) ?? 'open'
              return (
                <button
                  key={step.key}
                  type="button"
                  aria-current={step.key === now}
                  className={`flex min-h-16 w-full items-center gap-3 border-seam border-t py-1 text-left text-lead leading-snug ${step.key === now ? 'bg-lift' : ''}`}
                  onClick={() => onGo(step.key)}
                >
                  <span className="w-5 shrink-0 text-center text-brass" role="img" aria-label={SAID[state]}>
                    {SIGNS[state]}
                  </span>
                  <span className="min-w-0">
                    <Rich text={step.text} />
                  </span>
                </button>
              )
            })}
          </details>
        )
      })}
    </div>
  </div>
)
