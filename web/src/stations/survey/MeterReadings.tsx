import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type JobOut } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { useNews } from '../../job/useNews'
import { Button } from '../../parts/Button'
import { FilePick } from '../../parts/FilePick'
import { Num, Rich } from '../../parts/Num'
import { said, Trouble } from '../../parts/Trouble'

const SHOWN = 8
const USABLE = new Set([
  'ceiling',
  'floor',
  'wall-width',
  'room-depth',
  'datum',
  'stud-edge',
  'stud-center',
  'stud-magnet',
  'stud-nothing',
])

/** What a distance meter or a CSV file delivered, to be put into the survey. */
export const MeterReadings = ({ job }: { job: JobOut }) => {
  const client = useQueryClient()
  const { putReadings } = useThisJob()
  useNews(job.id)
  const params = { path: { job_id: job.id } }
  const [after, setAfter] = useState(0)
  const list = useQuery({
    queryKey: [...keys.readings(job.id), after],
    queryFn: () => ask.get('/api/jobs/{job_id}/readings', { params: { ...params, query: { after, most: SHOWN + 1 } } }),
    placeholderData: (before) => before,
  })
  const remove = useMutation({
    mutationFn: ({ source, seq }: { source: string; seq: number }) =>
      ask.delete('/api/jobs/{job_id}/readings/{source}/{seq}', { params: { path: { job_id: job.id, source, seq } } }),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: keys.readings(job.id) })
      void client.invalidateQueries({ queryKey: keys.job(job.id) }) // a number that came from it says so
    },
  })
  const send = useMutation({
    mutationFn: (chosen: File) =>
      ask.post('/api/jobs/{job_id}/readings/csv', {
        params,
        body: '',
        bodySerializer: () => chosen,
        headers: { 'content-type': 'text/csv' },
      }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.readings(job.id) }),
  })
  const rows = list.data ?? []
  const usable = rows.slice(0, SHOWN).filter((row) => USABLE.has(row.what) && !row.removed_at)
  return (
    <div>
      {rows.length === 0 && after === 0 && (
        <p className="pb-1 text-quiet text-small">
          None yet. A meter sends them over the feed; a file has the columns what, x, value.
        </p>
      )}
      <ul>
        {rows.slice(0, SHOWN).map((row) => (
          <li key={`${row.source} ${row.seq}`} className="flex min-h-10 items-center gap-2">
            <span className="flex-1 leading-tight">
              {row.what.replace('-', ' ')}
              <span className="block text-fine text-quiet">
                {row.x && <Rich text={`at ${row.x}, `} />}
                {row.source} {row.seq}
              </span>
            </span>
            {row.removed_at ? (
              <span className="text-fine text-quiet">removed by {row.removed_by}</span>
            ) : (
              <Num text={row.value} className="text-body" />
            )}
            {USABLE.has(row.what) && !row.removed_at && (
              <Button
                aria-label={`Use ${row.what} ${row.seq}`}
                onClick={() => void putReadings([{ source: row.source, seq: row.seq }])}
              >
                Use
              </Button>
            )}
            {!row.removed_at && (
              <Button look="remove" aria-label={`Remove reading ${row.source} ${row.seq}`} onClick={() => remove.mutate(row)}>
                ×
              </Button>
            )}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <FilePick label="Readings file" accept=".csv,text/csv" onPick={send.mutate}>
          Import CSV
        </FilePick>
        {usable.length > 1 && (
          <Button onClick={() => void putReadings(usable.map(({ source, seq }) => ({ source, seq })))}>Use all shown</Button>
        )}
        {after > 0 && <Button onClick={() => setAfter(Math.max(0, after - SHOWN))}>Newer</Button>}
        {rows.length > SHOWN && <Button onClick={() => setAfter(after + SHOWN)}>Older</Button>}
      </div>
      <Trouble text={said(send.error ?? remove.error)} />
    </div>
  )
}
