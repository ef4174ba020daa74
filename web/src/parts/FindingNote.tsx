import { type Finding, toEdits } from '../api/client'
import { useThisJob } from '../job/context'
import { Button } from './Button'
import { Rich } from './Num'

export const SEVERITY = { stop: 'Stop', check: 'Check', note: 'Note' } as const
const LOOK = {
  stop: 'border-l-[6px] border-stop bg-stop-ground',
  check: 'border-l-[6px] border-brass bg-lift',
  note: 'border-l-2 border-seam',
} as const

/** A finding with the cures that would work; a cure is one tap. from: the station that found it, where it is another one. */
export const FindingNote = ({ finding, from = '' }: { finding: Finding; from?: string }) => {
  const { edit } = useThisJob()
  return (
    <div className={`rounded-r px-3 py-2 text-small leading-snug ${LOOK[finding.severity]}`}>
      <strong className={finding.severity === 'stop' ? 'text-stop' : ''}>{SEVERITY[finding.severity]}</strong>
      {from ? ` · ${from}. ` : ' · '}
      <Rich text={finding.text} />
      {finding.by_hand && (
        <span className="mt-1 block text-quiet">
          <Rich text={finding.by_hand} />
        </span>
      )}
      {finding.cures.length > 0 && (
        <ul className="mt-1.5 flex flex-col gap-1.5">
          {finding.cures.map((one) => (
            <li key={one.text}>
              {one.changes.length > 0 ? (
                <Button className="w-full bg-bench py-1 text-left" onClick={() => void edit(toEdits(one.changes))}>
                  <Rich text={one.text} />
                </Button>
              ) : (
                <>
                  <Rich text={one.text} />
                  {one.but && (
                    <span className="block text-small text-quiet">
                      <Rich text={`But then: ${one.but}`} />
                    </span>
                  )}
                </>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
