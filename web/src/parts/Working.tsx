import { useState } from 'react'
import type { Figure } from '../api/client'
import { useThisJob } from '../job/context'
import { usePayoff } from '../job/usePayoff'
import { Button } from './Button'
import { Rich } from './Num'

const MOST = 4 // named of what a figure rests on

/** The figure's own address, to be sent to somebody. */
const Address = ({ figure }: { figure: Figure }) => {
  const { shown } = useThisJob()
  const [copied, setCopied] = useState(false)
  if (!shown?.id) return null
  const address = `${window.location.origin}/jobs/${shown.id}/${figure.station}#figure-${figure.key}`
  return (
    <Button
      look="quiet"
      className="!px-0 underline"
      onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}
    >
      {copied ? 'Address copied' : 'Copy its address'}
    </Button>
  )
}

/** How a figure came about, to be checked by hand in half a minute. */
export const Working = ({ figure }: { figure: Figure }) => {
  const { shown } = useThisJob()
  const off = usePayoff()?.off.find((one) => one.key === figure.key)
  const { formula, substituted, result, rounding, source } = figure.working
  const known = new Map(shown?.plan.assumptions.map((one) => [one.key, one]))
  const named = (keys: readonly string[]) => {
    const all = words(keys)
    return all.length > MOST + 1 ? `${all.slice(0, MOST).join('; ')}; and ${all.length - MOST} more` : all.join('; ')
  }
  const words = (keys: readonly string[]) =>
    keys
      .filter((key) => key !== figure.key)
      .flatMap((key) => {
        const one = known.get(key)
        return one ? [`${one.label.charAt(0).toLowerCase()}${one.label.slice(1)} ${one.text}`.trim()] : []
      })
  const lines: [string, string][] = [
    ['how', formula],
    ['with', substituted],
    ['gives', [result, rounding].filter(Boolean).join(', ')],
    ['from', source],
    ['off by', off ? `${off.text}, from ${off.rests}` : ''],
    ['assumes', named(figure.rests_on)],
    ['usual', named(figure.usual)],
  ]
  return (
    <dl className="grid grid-cols-[4rem_1fr] gap-x-2 gap-y-0.5 pb-2 pl-7 text-fine">
      {lines
        .filter(([, text]) => text)
        .map(([word, text]) => (
          <div key={word} className="contents">
            <dt className="text-quiet">{word}</dt>
            <dd className={word === 'assumes' ? 'text-brass' : ''}>
              <Rich text={text} />
            </dd>
          </div>
        ))}
      <dt className="sr-only">address</dt>
      <dd className="col-span-2">
        <Address figure={figure} />
      </dd>
    </dl>
  )
}
