import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { ask, type DayOut, type DayStep, type Standing } from '../api/client'
import { keys } from '../api/keys'
import { Tape } from '../board/Tape'
import { hours } from '../parts/hours'
import { Num, Rich } from '../parts/Num'
import { Place } from './Place'
import { StepPhotos } from './StepPhotos'
import type { State } from './useDay'

type StepCardProps = {
  day: DayOut
  step: DayStep
  state: State
  standing?: Standing
  waits: readonly DayStep[]
  done: ReadonlySet<string>
  onTap: (mark: string) => void
}

const SMALL = 700 // px of height under which the tape gives way to the drawing

/** One step, to be read at arm's length: what, the number, where, and what is true afterward. */
export const StepCard = ({ day, step, state, standing, waits, done, onTap }: StepCardProps) => {
  const [wrong, setWrong] = useState(false)
  const caution = day.cautions.find((one) => one.key === step.caution)
  const stops = day.stops[step.station] ?? []
  const low = window.innerHeight < SMALL
  const lines = low ? (step.numbers.length > 2 ? 1 : 2) : 0
  return (
    <div className={`card flex min-h-0 flex-1 flex-col overflow-y-auto px-3 ${low ? 'gap-1' : 'gap-1.5'}`}>
      <p className={`flex shrink-0 items-baseline gap-x-3 text-body text-quiet ${low ? 'whitespace-nowrap' : 'flex-wrap'}`}>
        {step.face === 'back' && <strong className="text-ink">from the back</strong>}
        {step.lies && <span>{step.lies}</span>}
        <span>{step.people === 2 ? 'two people' : 'one person'}</span>
        {step.tools.length > 0 && (
          <span className="min-w-0 truncate">
            <Rich text={step.tools.join(', ')} />
          </span>
        )}
      </p>
      <h1 className="font-bold text-title leading-tight">
        <Rich text={step.text} />
      </h1>
      {stops.slice(0, 1).map((text) => (
        <Folded key={text} role="alert" look="border-stop bg-stop-ground" lines={lines}>
          <strong className="text-stop">Stop.</strong> <Rich text={text} />
        </Folded>
      ))}
      {waits.length > 0 && (
        <Folded role="status" look="border-brass bg-lift" lines={lines}>
          Waits for: {waits[0]?.text}
          {waits.length > 1 && `, and ${String(waits.length - 1)} more`}
        </Folded>
      )}
      {caution && (
        <details className="border-stop border-l-[6px] bg-stop-ground px-2 py-1 text-lead leading-snug">
          <summary className="min-h-7">
            <strong className="text-stop">{caution.name}.</strong>{' '}
            <span>{low && crowd(step, waits.length + stops.length) ? '' : firstOf(caution.text)}</span>
          </summary>
          {caution.text}
        </details>
      )}
      <Numbers day={day} step={step} low={low} crowded={low && (waits.length > 0 || caution !== undefined)} />
      {standing && <Told standing={standing} />}
      <Place day={day} step={step} done={done} onTap={onTap} />
      {step.readings.some((one) => one.name === 'seen') && (
        <a
          href={`/bench/${day.job_id}?tab=wrinkles`}
          className="inline-flex min-h-11 items-center text-lead underline decoration-dotted underline-offset-4"
        >
          Waves? Draw them, get causes and points
        </a>
      )}
      {step.why && !low && <p className="text-lead text-quiet leading-snug">{step.why}</p>}
      <div className={low ? 'flex shrink-0 items-center gap-3' : 'flex shrink-0 flex-col'}>
        <button
          type="button"
          aria-expanded={wrong}
          className={`min-h-11 text-left text-lead leading-snug ${low ? 'min-w-0 flex-1' : 'order-last'}`}
          onClick={() => setWrong(!wrong)}
        >
          {wrong && step.trouble ? (
            <span>{step.trouble}</span>
          ) : (
            <>
              {state !== 'open' && <span className="font-semibold text-brass">{SAID[state]}. </span>}
              {step.idle > 0 && <span className="font-semibold">Wait {hours(step.idle)} after it. </span>}
              {step.check ? (
                <>
                  <span className="text-quiet">Then: </span>
                  <Rich text={step.check} />
                </>
              ) : (
                <span className="text-quiet">{step.trouble ? 'What goes wrong here' : ''}</span>
              )}
            </>
          )}
        </button>
        <StepPhotos day={day} step={step} />
      </div>
    </div>
  )
}

type FoldedProps = { role: 'alert' | 'status'; look: string; lines: 0 | 1 | 2; children: ReactNode }

const CLAMP = { 0: '', 1: 'line-clamp-1', 2: 'line-clamp-2' }

/** What must be known before the step; on a low screen so many lines of it, and the whole at a tap. */
const Folded = ({ role, look, lines, children }: FoldedProps) => {
  const [whole, setWhole] = useState(false)
  const css = `border-l-[6px] px-2 py-1 text-left text-lead leading-snug ${look}`
  if (lines === 0)
    return (
      <p role={role} className={css}>
        {children}
      </p>
    )
  return (
    <div role={role} className="shrink-0">
      <button type="button" aria-expanded={whole} className={`min-h-11 w-full ${css}`} onClick={() => setWhole(!whole)}>
        <span className={whole ? '' : CLAMP[lines]}>{children}</span>
      </button>
    </div>
  )
}

const LONG = 70 // letters: three lines on a phone

/** Whether a low screen has no room for a caution's sentence: its name stands, and a tap opens it. */
const crowd = (step: DayStep, before: number) => before > 0 || step.numbers.length > 2 || step.text.length > LONG

const SAID: Record<State, string> = { open: '', done: 'Done', impossible: 'Not possible', skipped: 'Left out' }
const firstOf = (text: string) => `${text.split('. ')[0]?.replace(/\.$/, '') ?? ''}.`

type NumbersProps = { day: DayOut; step: DayStep; low: boolean; crowded: boolean }

const Numbers = ({ day, step, low, crowded }: NumbersProps) => {
  const tape = useQuery({
    queryKey: keys.tape(day.job_id, day.version, step.key),
    queryFn: () =>
      ask.get('/api/jobs/{job_id}/day/tape', { params: { path: { job_id: day.job_id }, query: { step: step.key } } }),
    enabled: step.numbers.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
  })
  if (step.numbers.length === 0) return null
  const few = step.numbers.length <= 2
  return (
    <div className={`grid gap-2 ${step.numbers.length > 1 ? 'grid-cols-2' : ''}`}>
      {step.numbers.map((number, at) => {
        const piece = tape.data?.[at]
        return (
          <figure key={number.key} className="min-w-0">
            <figcaption className="flex flex-col leading-tight">
              <Num text={number.text} className={few ? 'text-[min(13vw,3.6rem)] leading-none' : 'text-[min(8vw,2.1rem)]'} />
              <span className="text-body">{number.label}</span>
            </figcaption>
            {few && piece && !crowded && (!low || step.numbers.length === 1) && (
              <Tape piece={piece} className="mt-0.5 max-h-20 w-full" />
            )}
          </figure>
        )
      })}
    </div>
  )
}

/** What was read here, and what no longer agrees. */
const Told = ({ standing }: { standing: Standing }) => {
  const off = standing.disagrees
  if (standing.readings.length === 0 && off.length === 0 && standing.apart.length === 0 && !standing.reason) return null
  return (
    <div className="text-lead leading-snug">
      {standing.reason && <p>Not possible: {standing.reason}</p>}
      {standing.readings.slice(0, 2).map((one) => (
        <p key={one.name}>
          {one.label}: read <Rich text={one.read} />
          {one.error && one.error !== '0' && (
            <>
              {', '}
              <Rich text={one.error} /> {one.within === false ? 'too much' : ''}
            </>
          )}
        </p>
      ))}
      {standing.apart.map((text) => (
        <p key={text} className="border-brass border-l-[6px] bg-lift px-2">
          <Rich text={text} />
        </p>
      ))}
      {off.map((one) => (
        <p key={one.label} className={`border-l-[6px] px-2 ${one.fault ? 'border-stop bg-stop-ground' : 'border-brass bg-lift'}`}>
          done at <Rich text={one.was} />, now wanted <Rich text={one.now} />
          {one.fault ? '' : ': not a fault within its play'}
        </p>
      ))}
    </div>
  )
}
