import { useState } from 'react'
import type { DayOut, DayStep, Standing, StepTold } from '../api/client'
import { Rich } from '../parts/Num'

const KEY = 'min-h-14 rounded-lg border border-seam text-title font-semibold active:bg-lift'
const WIDE = 'min-h-16 rounded-lg px-4 text-lead font-bold'

type PadProps = {
  day: DayOut
  step: DayStep
  before?: Standing
  onKeep: (values: StepTold['values']) => void
  onClose: () => void
}

/** The step's readings, one after the other, on keys of our own: whole, then the fraction, and the sign where one is read. */
export const Pad = ({ day, step, before, onKeep, onClose }: PadProps) => {
  const [values, setValues] = useState<Record<string, string>>({})
  const [at, setAt] = useState(0)
  const reading = step.readings[at]
  if (!reading) return null
  const typed = values[reading.name] ?? ''
  const type = (text: string) => setValues({ ...values, [reading.name]: text })
  const last = at === step.readings.length - 1
  const given = Object.fromEntries(Object.entries(values).filter(([, text]) => text.trim() !== ''))
  const was = before?.readings.find((one) => one.name === reading.name)?.read
  const next = () => (last ? onKeep(given) : setAt(at + 1))
  return (
    <div className="flex h-full flex-col gap-2 p-3">
      <div className="flex items-start justify-between gap-2">
        <p className="text-body text-quiet">
          {at + 1} of {step.readings.length}
          {reading.instrument && `, ${reading.instrument}`}
        </p>
        <button type="button" className="-mt-2 min-h-11 px-3 text-body" onClick={onClose}>
          Close
        </button>
      </div>
      <h1 className="font-semibold text-lead leading-tight">{reading.label}</h1>
      <p className="text-body">
        {reading.told && (
          <>
            wanted <Rich text={reading.told} />
            {reading.allowed && (
              <>
                {' '}
                ± <Rich text={reading.allowed} />
              </>
            )}
          </>
        )}
        {was && (
          <span className="ml-3 text-quiet">
            read before <Rich text={was} />
          </span>
        )}
      </p>
      {reading.kind === 'word' ? (
        <div className="grid flex-1 content-start gap-2">
          {reading.words.map((word) => (
            <button
              key={word}
              type="button"
              aria-pressed={typed === word}
              className={`${WIDE} border ${typed === word ? 'border-brass bg-lift' : 'border-seam'}`}
              onClick={() => type(word)}
            >
              {word}
            </button>
          ))}
        </div>
      ) : (
        <>
          <output className="block min-h-14 rounded-lg bg-tape px-4 py-1 text-on-tape text-[2.4rem] leading-tight">
            {typed || '…'}
          </output>
          <Keys day={day} kind={reading.kind} typed={typed} onType={type} />
        </>
      )}
      <div className="mt-auto flex gap-2">
        <button type="button" className={`${WIDE} border border-seam`} disabled={at === 0} onClick={() => setAt(at - 1)}>
          Before
        </button>
        <button type="button" className={`${WIDE} flex-1 bg-brass text-on-brass`} onClick={next}>
          {last ? 'Keep' : typed ? 'Next' : 'Not read'}
        </button>
      </div>
    </div>
  )
}

const METRIC = /mm|cm|metric|m$/

type KeysProps = { day: DayOut; kind: DayStep['readings'][number]['kind']; typed: string; onType: (text: string) => void }

const Keys = ({ day, kind, typed, onType }: KeysProps) => {
  const plain = kind === 'number' || METRIC.test(day.unit)
  const feet = day.unit.includes('feet')
  const parts = [2, 4, 8, 16, 32].filter((part) => part <= day.denominator)
  const add = (text: string) => onType(`${typed}${text}`)
  return (
    <div className="grid grid-cols-4 gap-1.5">
      {['7', '8', '9'].map((digit) => (
        <Key key={digit} text={digit} onPress={() => add(digit)} />
      ))}
      <Key text="⌫" name="Delete the last" onPress={() => onType(typed.slice(0, -1))} />
      {['4', '5', '6'].map((digit) => (
        <Key key={digit} text={digit} onPress={() => add(digit)} />
      ))}
      <Key
        text="±"
        name="Other sign"
        off={kind !== 'signed'}
        onPress={() => onType(typed.startsWith('-') ? typed.slice(1) : `-${typed}`)}
      />
      {['1', '2', '3'].map((digit) => (
        <Key key={digit} text={digit} onPress={() => add(digit)} />
      ))}
      {plain ? <Key text="." onPress={() => add('.')} /> : <Key text="and" name="and a fraction" onPress={() => add(' ')} />}
      <Key text="0" onPress={() => add('0')} />
      {!plain && parts.slice(-3).map((part) => <Key key={part} text={`/${part}`} onPress={() => add(`/${part}`)} />)}
      {!plain && feet && <Key text="′" name="feet" onPress={() => add("' ")} />}
      {!plain && parts.slice(0, -3).map((part) => <Key key={part} text={`/${part}`} onPress={() => add(`/${part}`)} />)}
    </div>
  )
}

const Key = ({ text, name, onPress, off = false }: { text: string; name?: string; onPress: () => void; off?: boolean }) => (
  <button type="button" className={`${KEY} disabled:opacity-30`} aria-label={name} disabled={off} onClick={onPress}>
    {text}
  </button>
)
