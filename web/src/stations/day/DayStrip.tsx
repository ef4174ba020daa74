import { useState } from 'react'
import type { DayOut, DayStep, JobOut } from '../../api/client'
import { hours } from '../../parts/hours'
import { Rich } from '../../parts/Num'
import { said, Trouble } from '../../parts/Trouble'
import { useDeskDay } from './useDeskDay'

const LEAST = 4 // percent: a stretch of a minute is still a target

/** The day along a line: stretches as long as they take, waits hatched, two people as a second bar; one stretch opened below. */
export const DayStrip = ({ job }: { job: JobOut }) => {
  const { day, standings, tell } = useDeskDay()
  const [chosen, setChosen] = useState('')
  const [trouble, setTrouble] = useState('')
  if (!day) return <p className="flex h-full items-center px-4 text-quiet">Making the steps of {job.document.name}…</p>
  const stateOf = (key: string) => standings.get(key)?.state ?? 'open'
  const next = day.steps.find((step) => step.key === day.next)
  const stretch = chosen || next?.phase || day.steps[0]?.phase || ''
  const labels = new Map(day.phases.map((phase) => [phase.key, phase.label]))
  const tick = async (step: DayStep) => {
    try {
      await tell(step.key, stateOf(step.key) === 'open' ? 'done' : 'undone')
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
    }
  }
  return (
    <div className="flex h-full flex-col gap-1.5 px-4 py-2">
      <div
        className="flex gap-1 max-[820px]:flex-wrap"
        role="tablist"
        aria-label="Stretches of the day: brass is done, blue is with two people"
      >
        {day.stretches.map((one, at) => (
          <Stretch
            key={one.key}
            label={labels.get(one.key) ?? one.key}
            stretch={one}
            begins={at > 0 && one.trip !== day.stretches[at - 1]?.trip}
            steps={day.steps.filter((step) => step.phase === one.key)}
            on={one.key === stretch}
            done={(step) => stateOf(step.key) !== 'open'}
            onTake={() => setChosen(one.key)}
          />
        ))}
      </div>
      <Trouble text={trouble} />
      <ol className="min-h-0 flex-1 columns-[22rem] gap-6 overflow-y-auto" aria-label="Steps of this stretch">
        {day.steps
          .filter((step) => step.phase === stretch)
          .map((step) => {
            const state = stateOf(step.key)
            return (
              <li key={step.key} className="flex break-inside-avoid items-start gap-2 py-0.5">
                <button
                  type="button"
                  aria-pressed={state !== 'open'}
                  aria-label={step.text}
                  onClick={() => void tick(step)}
                  className={`grid size-6 shrink-0 max-[820px]:size-11 place-items-center rounded border font-bold text-small ${state === 'open' ? 'border-seam' : 'border-brass bg-brass text-on-brass'}`}
                >
                  {state === 'open' ? '' : state === 'done' ? '✓' : '✕'}
                </button>
                <span className={`min-w-0 leading-snug ${state === 'open' ? '' : 'text-quiet'}`}>
                  <Rich text={step.text} />
                  {step.people === 2 && <span className="ml-1 whitespace-nowrap text-brass text-small">two</span>}
                  {step.numbers.slice(0, 2).map((number) => (
                    <span key={number.key} className="ml-2 whitespace-nowrap">
                      <Rich text={number.text} />
                    </span>
                  ))}
                  {step.idle > 0 && <span className="ml-2 text-quiet text-small">then {hours(step.idle)} of waiting</span>}
                </span>
              </li>
            )
          })}
      </ol>
    </div>
  )
}

type StretchProps = {
  label: string
  stretch: DayOut['stretches'][number]
  begins: boolean
  steps: readonly DayStep[]
  on: boolean
  done: (step: DayStep) => boolean
  onTake: () => void
}

const Stretch = ({ label, stretch, begins, steps, on, done, onTake }: StretchProps) => {
  const { minutes, two, idle, learnt } = stretch
  const ready = steps.filter(done).length
  return (
    <>
      {begins && <span className="self-center border-seam border-l-2 pl-1 text-fine text-quiet leading-tight">2nd trip</span>}
      <button
        type="button"
        role="tab"
        aria-selected={on}
        title={learnt || undefined}
        onClick={onTake}
        style={{ flexGrow: stretch.wide, flexBasis: `${LEAST}%` }}
        className={`min-w-[3.4rem] rounded-md border px-1 py-1 max-[820px]:min-h-11 text-left leading-tight ${on ? 'border-brass bg-lift' : 'border-seam'}`}
      >
        <span className="block truncate font-semibold text-small">{label}</span>
        <span className="block truncate text-fine text-quiet">
          {hours(minutes)}
          {learnt && ' ✓'}
        </span>
        <span className="mt-1 block h-2 rounded-sm border border-seam" aria-hidden="true">
          <span className="block h-full bg-brass" style={{ width: `${(100 * ready) / steps.length}%` }} />
        </span>
        <span className="mt-0.5 block h-1" aria-hidden="true">
          <span className="block h-full bg-chalk" style={{ width: `${minutes > 0 ? (100 * two) / minutes : 0}%` }} />
        </span>
        <span className="sr-only">
          {ready} of {steps.length} done, {hours(two)} with two people{idle > 0 && `, ${hours(idle)} of waiting`}
          {learnt && `, ${learnt}`}
        </span>
      </button>
    </>
  )
}
