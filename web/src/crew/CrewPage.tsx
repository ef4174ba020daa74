import { useCallback, useEffect, useMemo, useState } from 'react'
import { type DayOut, type DayStep, Refused } from '../api/client'
import { Updated } from '../shell/Updated'
import { Jump } from './Jump'
import { NotPossible } from './NotPossible'
import { Pad } from './Pad'
import { StepCard } from './StepCard'
import { type State, useDay } from './useDay'
import { useKeys } from './useKeys'
import { useLight } from './useLight'

type Over = '' | 'jump' | 'pad' | 'why'
const BAR = 'min-h-16 rounded-lg px-3 text-lead'

/** The page a crew holds in its hand: one step, one number, one wide key. */
export const CrewPage = ({ jobId }: { jobId: string }) => {
  const { day, error, standings, tell, trouble, away, held, waiting, clear } = useDay(jobId)
  const [light, turn] = useLight()
  const [chosen, setChosen] = useChosen()
  const [over, setOver] = useState<Over>('')
  const [looked, setLooked] = useState('')
  const keyOf = useCallback((state: string) => standings.get(state) ?? 'open', [standings])
  const step = useMemo(() => (day ? here(day, chosen, keyOf) : undefined), [day, chosen, keyOf])
  const at = day && step ? day.steps.indexOf(step) : -1
  const done = useMemo(() => doneMarks(day, keyOf), [day, keyOf])
  const go = useCallback(
    (key: string) => {
      setChosen(key)
      setOver('')
    },
    [setChosen],
  )
  const back = useCallback(() => {
    const before = day?.steps[at - 1]
    if (before) go(before.key)
  }, [day, at, go])
  const onward = useCallback(
    (from: DayStep) => {
      const next = day?.steps.slice(day.steps.indexOf(from) + 1).find((one) => keyOf(one.key) === 'open')
      go(next?.key ?? '')
    },
    [day, keyOf, go],
  )
  const finish = useCallback(() => {
    if (!step) return
    if (keyOf(step.key) === 'open') tell(step.key, 'done')
    onward(step)
  }, [step, keyOf, tell, onward])
  useKeys(finish, back, over === '')
  useEffect(() => {
    // a look that found something has brought its cure: it is next
    const after = looked ? day?.steps[day.steps.findIndex((one) => one.key === looked) + 1] : undefined
    if (!after?.key.includes('~cure') || keyOf(after.key) !== 'open') return
    setLooked('')
    go(after.key)
  }, [day, looked, keyOf, go])
  useEffect(() => {
    document.title = day ? `${day.name}, day` : 'Day'
  }, [day])
  // a day that is there stays, whatever becomes of asking for it anew
  if (!day) return <p className={`p-6 text-lead ${error ? '' : 'text-quiet'}`}>{error?.message ?? 'Looking for the day…'}</p>
  const closed = day.steps.filter((one) => keyOf(one.key) !== 'open').length
  if (!step) return <AllSaid day={day} closed={closed} onBack={() => go(day.steps.at(-1)?.key ?? '')} />
  const standing = day.standings.find((one) => one.key === step.key)
  const state: State = keyOf(step.key)
  const phase = day.phases.find((one) => one.key === step.phase)?.label ?? ''
  const waits = (day.waits_for[step.key] ?? [])
    .filter((key) => keyOf(key) === 'open')
    .map((key) => day.steps.find((one) => one.key === key))
    .filter((one) => one !== undefined)
  const said =
    trouble ||
    (away && `${away} ${waiting === 1 ? '1 step is' : `${String(waiting)} steps are`} kept in this phone.`) ||
    (error instanceof Refused ? error.message : '')
  return (
    <main className="flex h-dvh flex-col overflow-hidden bg-velvet text-ink" data-held={held || undefined}>
      {over === 'jump' ? (
        <Jump day={day} states={standings} now={step.key} onGo={go} onClose={() => setOver('')} />
      ) : over === 'pad' ? (
        <Pad
          day={day}
          step={step}
          before={standing}
          onClose={() => setOver('')}
          onKeep={(values) => {
            tell(step.key, 'done', values)
            setLooked('seen' in values ? step.key : '')
            onward(step)
          }}
        />
      ) : over === 'why' ? (
        <NotPossible
          onClose={() => setOver('')}
          onSay={(why) => {
            tell(step.key, 'impossible', {}, why)
            onward(step)
          }}
        />
      ) : (
        <>
          <Updated crew />
          <header className="flex items-center gap-1 px-1">
            <button
              type="button"
              className={`${BAR} shrink-0 text-title`}
              aria-label="Step before"
              disabled={at <= 0}
              onClick={back}
            >
              ◂
            </button>
            <button type="button" className={`${BAR} min-w-0 flex-1 text-left leading-tight`} onClick={() => setOver('jump')}>
              <span className="block truncate font-semibold first-letter:uppercase">{phase}</span>
              <span className="block text-body text-quiet">
                {at + 1} of {day.steps.length}, {closed} done
              </span>
            </button>
            <button type="button" className={`${BAR} shrink-0`} aria-label={`Light: ${light}. Change it`} onClick={turn}>
              ◐
            </button>
            <button
              type="button"
              className={`${BAR} shrink-0`}
              aria-label="Next step"
              disabled={at === day.steps.length - 1}
              onClick={() => go(day.steps[at + 1]?.key ?? '')}
            >
              ▸
            </button>
          </header>
          {said && (
            <button
              type="button"
              className="min-h-11 border-stop border-l-[6px] bg-stop-ground px-2 text-left text-lead leading-snug"
              onClick={clear}
            >
              {said}
            </button>
          )}
          <StepCard
            key={step.key}
            day={day}
            step={step}
            state={state}
            standing={standing}
            waits={waits}
            done={done}
            onTap={(mark) => {
              const other = day.steps.find((one) => one.marks.includes(mark))
              if (mark && other) go(other.key)
            }}
          />
          <footer className="flex gap-2 p-2">
            <button
              type="button"
              className={`${BAR} w-[5.6rem] shrink-0 border border-seam leading-tight`}
              onClick={() => setOver('why')}
            >
              Not possible
            </button>
            {step.readings.length > 0 && (
              <button type="button" className={`${BAR} shrink-0 border border-seam`} onClick={() => setOver('pad')}>
                Read
              </button>
            )}
            {state === 'open' ? (
              <button type="button" className={`${BAR} flex-1 bg-brass font-bold text-on-brass`} onClick={finish}>
                Done
              </button>
            ) : (
              <>
                <button type="button" className={`${BAR} shrink-0 border border-seam`} onClick={() => tell(step.key, 'undone')}>
                  Undo
                </button>
                <button type="button" className={`${BAR} flex-1 bg-brass font-bold text-on-brass`} onClick={() => onward(step)}>
                  Next
                </button>
              </>
            )}
          </footer>
        </>
      )}
    </main>
  )
}

/** The step that was gone to stands in the address: a phone that drops the page, or loads it anew, comes back to it. */
const useChosen = () => {
  const [chosen, setChosen] = useState(() => new URLSearchParams(window.location.hash.slice(1)).get('step') ?? '')
  const choose = useCallback((key: string) => {
    setChosen(key)
    window.history.replaceState(null, '', key ? `#${new URLSearchParams({ step: key })}` : window.location.pathname)
  }, [])
  return [chosen, choose] as const
}

const here = (day: DayOut, chosen: string, stateOf: (key: string) => State): DayStep | undefined =>
  day.steps.find((one) => one.key === chosen) ?? day.steps.find((one) => stateOf(one.key) === 'open')

const doneMarks = (day: DayOut | undefined, stateOf: (key: string) => State): ReadonlySet<string> =>
  new Set(day?.steps.filter((one) => stateOf(one.key) === 'done').flatMap((one) => one.marks))

const AllSaid = ({ day, closed, onBack }: { day: DayOut; closed: number; onBack: () => void }) => (
  <main className="flex h-dvh flex-col justify-center gap-4 bg-velvet p-6 text-ink">
    <h1 className="font-bold text-title">Everything is said.</h1>
    <p className="text-lead">
      {day.name}: {closed} of {day.steps.length} steps.
    </p>
    <button type="button" className={`${BAR} border border-seam`} onClick={onBack}>
      Back to the last step
    </button>
    <a className={`${BAR} flex items-center justify-center border border-seam`} href={`/jobs/${day.job_id}/day`}>
      The record
    </a>
  </main>
)
