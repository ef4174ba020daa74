import type { Verdict } from '../api/client'

const MARK = { stop: '✕', check: '!', '': '✓' } as const
const COLOR = { stop: 'text-stop font-semibold', check: 'text-brass font-semibold', '': '' } as const

/** A verdict in at most four words, its severity by a mark and a word for readers. */
export const Judged = ({ verdict }: { verdict: Verdict }) => (
  <span className={COLOR[verdict.severity]}>
    <span aria-hidden="true">{MARK[verdict.severity]} </span>
    {verdict.severity && <span className="sr-only">{verdict.severity}: </span>}
    {verdict.short}
  </span>
)
