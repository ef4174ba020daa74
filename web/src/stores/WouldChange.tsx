import { Link } from 'react-router'
import type { RecordKind } from '../api/client'
import { Button } from '../parts/Button'
import { Rich } from '../parts/Num'
import { Trouble } from '../parts/Trouble'
import type { LengthStyle } from '../parts/units'
import type { Said } from './Entry'
import { useChange } from './useChange'

type Props = { kind: RecordKind; record: string; name: string; typed: Said; style: LengthStyle }

/** Which jobs would plan otherwise if they took the record as it is typed now. None changes by itself. */
export const WouldChange = ({ kind, record, name, typed, style }: Props) => {
  const { change, look } = useChange({ kind, record, name, typed, style })
  const busy = change !== null && !change.done
  return (
    <section aria-label="What it would change" className="border-seam border-t pt-2">
      <Button size="tall" disabled={busy} onClick={() => void look()}>
        {busy ? 'Planning them again' : 'Which jobs would plan otherwise?'}
      </Button>
      <p className="py-1 text-quiet text-small">No job changes by itself: each keeps the copy it took.</p>
      <Trouble text={change?.trouble ?? ''} />
      {change && change.took !== null && (
        <>
          <p className="font-semibold text-small" role="status">
            {busy
              ? `${change.took} took it; ${change.jobs.length} would read otherwise so far`
              : `${change.jobs.length} of the ${change.took} that took it would read otherwise`}
          </p>
          <ul>
            {change.jobs.map((job) => (
              <li key={job.id} className="border-seam border-t py-1 text-small leading-snug">
                <Link to={`/jobs/${job.id}`} className="underline">
                  {job.name}
                </Link>
                {job.stops.map((stop) => (
                  <p key={stop} className="text-stop">
                    <strong>Stop</strong> · <Rich text={stop} />
                  </p>
                ))}
                {job.said.map((line) => (
                  <p key={line}>
                    <Rich text={line} />
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
