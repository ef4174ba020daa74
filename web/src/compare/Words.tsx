import { useQuery } from '@tanstack/react-query'
import { ask } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { Rich } from '../parts/Num'

export type What = 'sizes' | 'fabrics' | 'projectors'

type WordsProps = { what: What; jobId: string; version: number; pins: readonly string[]; onClose: () => void }

/** Two pinned candidates in words, in place of the table. */
export const Words = ({ what, jobId, version, pins, onClose }: WordsProps) => {
  const [first = '', second = ''] = pins
  const said = useQuery({
    queryKey: keys.words(what, jobId, version, first, second),
    queryFn: () =>
      ask.get('/api/jobs/{job_id}/{what}/words', { params: { path: { job_id: jobId, what }, query: { first, second } } }),
  })
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <ul
        aria-label="Two compared"
        className="min-h-0 flex-1 columns-2 gap-6 overflow-y-auto text-small leading-snug max-[820px]:columns-1"
      >
        {(said.data ?? []).map((one) => (
          <li key={one} className="break-inside-avoid pb-1.5">
            <Rich text={one} />
          </li>
        ))}
      </ul>
      <div className="flex justify-end py-1">
        <Button onClick={onClose}>Back to all of them</Button>
      </div>
    </div>
  )
}
