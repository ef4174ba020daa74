import { type Finding, toEdits } from '../api/client'
import { useThisJob } from '../job/context'
import { Rich } from './Num'

const WORD = { stop: 'Stop', mind: 'Mind', note: 'Note' } as const
const LOOK = {
  stop: 'border-l-[6px] border-stop bg-stop-ground',
  mind: 'border-l-[6px] border-brass bg-lift',
  note: 'border-l-2 border-seam',
} as const

/** A finding with the cures that would work; a cure is one tap. */
export const FindingNote = ({ finding }: { finding: Finding }) => {
  const { edit } = useThisJob()
  return (
    <div className={`rounded-r px-3 py-2 text-[14.5px] leading-snug ${LOOK[finding.severity]}`}>
      <strong className={finding.severity === 'stop' ? 'text-stop' : ''}>{WORD[finding.severity]}</strong>
      {' · '}
      <Rich text={finding.text} />
      {finding.cures.length > 0 && (
        <ul className="mt-1.5 flex flex-col gap-1.5">
          {finding.cures.map((one) => (
            <li key={one.text}>
              {one.changes.length > 0 ? (
                <button
                  type="button"
                  onClick={() => void edit(toEdits(one.changes))}
                  className="min-h-9 w-full rounded border border-seam bg-bench px-2.5 py-1 text-left hover:border-brass"
                >
                  <Rich text={one.text} />
                </button>
              ) : (
                <Rich text={one.text} />
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
