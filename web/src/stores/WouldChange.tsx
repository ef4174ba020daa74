import { useMutation } from '@tanstack/react-query'
import { Link } from 'react-router'
import { ask, type RecordKind } from '../api/client'
import { Button } from '../parts/Button'
import { Rich } from '../parts/Num'
import { said, Trouble } from '../parts/Trouble'
import type { LengthStyle } from '../parts/units'
import type { Said } from './Entry'

type Props = { kind: RecordKind; record: string; name: string; typed: Said; style: LengthStyle }

/** Which jobs would plan otherwise if they took the record as it is typed now. None changes by itself. */
export const WouldChange = ({ kind, record, name, typed, style }: Props) => {
  const asked = useMutation({
    mutationFn: () =>
      ask.post('/api/stores/{kind}/{key}/change', {
        params: { path: { kind, key: record } },
        body: { name, said: typed, units: { style, denominator: 16 } },
      }),
  })
  return (
    <section aria-label="What it would change" className="border-seam border-t pt-2">
      <Button size="tall" disabled={asked.isPending} onClick={() => asked.mutate()}>
        {asked.isPending ? 'Planning them again' : 'Which jobs would plan otherwise?'}
      </Button>
      <p className="py-1 text-quiet text-small">No job changes by itself: each keeps the copy it took.</p>
      <Trouble text={said(asked.error)} />
      {asked.data && (
        <>
          <p className="font-semibold text-small">
            {asked.data.jobs.length} of the {asked.data.took} that took it would read otherwise
          </p>
          <ul>
            {asked.data.jobs.map((job) => (
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
