import { useState } from 'react'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { said, Trouble } from '../../parts/Trouble'
import type { StationProps } from '../props'
import { useDeskDay } from './useDeskDay'

const INPUT = 'min-h-9 min-w-0 rounded border border-seam bg-velvet px-2 text-body'

/** What the crew adds to the day: wiring, wall covering, curtains, each before a stretch of it, with a date where it has one. */
export const OwnSteps = ({ job }: StationProps) => {
  const { edit } = useThisJob()
  const { day } = useDeskDay()
  const [text, setText] = useState('')
  const [date, setDate] = useState('')
  const [stretch, setStretch] = useState('wall')
  const [trouble, setTrouble] = useState('')
  const own = job.document.day?.own ?? []
  const add = async () => {
    if (!text.trim()) return setTrouble('Say what is to be done.')
    try {
      await edit([
        { pointer: '/day/own/-', value: { text: text.trim(), stretch, ...(date.trim() ? { date: date.trim() } : {}) } },
      ])
      setText('')
      setDate('')
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
    }
  }
  return (
    <div className="flex flex-col gap-2 pt-1">
      <p className="text-quiet text-small">Own steps: wiring, wall covering, curtains</p>
      {own.map((step) => (
        <p key={step.id} className="flex items-center gap-2">
          <span className="min-w-0 flex-1">
            {step.text}
            <span className="block text-fine text-quiet">
              before {day?.phases.find((phase) => phase.key === step.stretch)?.label ?? step.stretch}
              {step.date && `, on ${step.date}`}
            </span>
          </span>
          <Button
            look="remove"
            aria-label={`Remove ${step.text}`}
            onClick={() => void edit([{ pointer: `/day/own/${step.id}`, value: null }])}
          >
            ×
          </Button>
        </p>
      ))}
      <input
        aria-label="What to do"
        placeholder="what to do"
        maxLength={120}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && void add()}
        className={INPUT}
      />
      <div className="flex gap-2">
        <select
          aria-label="Before which stretch"
          value={stretch}
          onChange={(event) => setStretch(event.target.value)}
          className={`${INPUT} flex-1`}
        >
          {(day?.phases ?? []).map((phase) => (
            <option key={phase.key} value={phase.key}>
              before {phase.label}
            </option>
          ))}
        </select>
        <input
          aria-label="On which date"
          placeholder="date"
          value={date}
          onChange={(event) => setDate(event.target.value)}
          className={`${INPUT} w-24`}
        />
        <Button onClick={() => void add()}>Add</Button>
      </div>
      <Trouble text={trouble} />
    </div>
  )
}
