import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef } from 'react'
import { api, ask, type JobOut, type ReadingOut, Refused } from '../api/client'
import { useThisJob } from '../job/context'
import { Num, Rich } from '../parts/Num'

const SHOWN = 8
const EVERY_MS = 4000
const USABLE = new Set(['ceiling', 'floor', 'wall-width', 'room-depth', 'datum'])

/** What a distance meter or a CSV file delivered, to be put into the survey. */
export const MeterReadings = ({ job }: { job: JobOut }) => {
  const client = useQueryClient()
  const { putReadings } = useThisJob()
  const file = useRef<HTMLInputElement>(null)
  const key = ['readings', job.id]
  const list = useQuery({
    queryKey: key,
    queryFn: () => ask<ReadingOut[]>(api.GET('/api/jobs/{job_id}/readings', { params: { path: { job_id: job.id } } })),
    refetchInterval: EVERY_MS,
  })
  const send = useMutation({
    mutationFn: (chosen: File) =>
      ask<unknown>(
        api.POST('/api/jobs/{job_id}/readings/csv', {
          params: { path: { job_id: job.id } },
          body: '',
          bodySerializer: () => chosen,
          headers: { 'content-type': 'text/csv' },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: key }),
  })
  const rows = list.data ?? []
  const usable = rows.filter((row) => USABLE.has(row.what)).slice(0, SHOWN)
  return (
    <div>
      {rows.length === 0 && (
        <p className="pb-1 text-[14px] text-quiet">
          None yet. A meter sends them over the feed; a file has the columns what, x, value.
        </p>
      )}
      <ul>
        {rows.slice(0, SHOWN).map((row) => (
          <li key={`${row.source} ${row.seq}`} className="flex min-h-10 items-center gap-2">
            <span className="flex-1 leading-tight">
              {row.what.replace('-', ' ')}
              <span className="block text-[13px] text-quiet">
                {row.x && <Rich text={`at ${row.x}, `} />}
                {row.source} {row.seq}
              </span>
            </span>
            <Num text={row.value} className="text-[16px]" />
            {USABLE.has(row.what) && (
              <button
                type="button"
                aria-label={`Use ${row.what} ${row.seq}`}
                onClick={() => void putReadings([{ source: row.source, seq: row.seq }])}
                className="min-h-9 rounded border border-seam px-2 hover:border-brass"
              >
                Use
              </button>
            )}
          </li>
        ))}
      </ul>
      <div className="flex gap-2">
        <button
          type="button"
          onClick={() => file.current?.click()}
          className="min-h-10 rounded border border-seam px-3 hover:border-brass"
        >
          Read a CSV file
        </button>
        {usable.length > 1 && (
          <button
            type="button"
            onClick={() => void putReadings(usable.map(({ source, seq }) => ({ source, seq })))}
            className="min-h-10 rounded border border-seam px-3 hover:border-brass"
          >
            Use all shown
          </button>
        )}
      </div>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        aria-label="Readings file"
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => event.target.files?.[0] && send.mutate(event.target.files[0])}
      />
      {send.error && (
        <p role="alert" className="mt-1 border-stop border-l-4 pl-2 text-[14px] text-stop">
          {send.error instanceof Refused
            ? (send.error.problem.errors ?? []).map((one) => `${one.pointer.slice(1)}: ${one.text}`).join(' ') ||
              send.error.message
            : 'The server does not answer.'}
        </p>
      )}
    </div>
  )
}
