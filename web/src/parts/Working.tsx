import type { Figure } from '../api/client'
import { Rich } from './Num'

type Rest = { key: string; label: string }

/** How a figure came about, to be checked by hand in half a minute. */
export const Working = ({ figure, rests }: { figure: Figure; rests: readonly Rest[] }) => {
  const { formula, substituted, result, rounding, source } = figure.working
  const lines: [string, string][] = [
    ['how', formula],
    ['with', substituted],
    ['gives', [result, rounding].filter(Boolean).join(', ')],
    ['from', source],
    ['rests on', rests.map((one) => `${one.label.toLowerCase()}, assumed`).join('; ')],
  ]
  return (
    <dl className="grid grid-cols-[4rem_1fr] gap-x-2 gap-y-0.5 pb-2 pl-7 text-[13.5px]">
      {lines
        .filter(([, text]) => text)
        .map(([word, text]) => (
          <div key={word} className="contents">
            <dt className="text-quiet">{word}</dt>
            <dd className={word === 'rests on' ? 'text-brass' : ''}>
              <Rich text={text} />
            </dd>
          </div>
        ))}
    </dl>
  )
}
