import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { ask, type RecordKind } from '../api/client'
import { keys } from '../api/keys'

/** The jobs that took a record, each with its own copy. */
export const Uses = ({ kind, record }: { kind: RecordKind; record: string }) => {
  const uses = useQuery({
    queryKey: keys.uses(kind, record),
    queryFn: () => ask.get('/api/stores/{kind}/{key}/uses', { params: { path: { kind, key: record } } }),
  })
  if (!uses.data) return null
  const { count, jobs } = uses.data
  return (
    <section aria-label="Used in" className="border-seam border-t pt-2">
      <h3 className="font-semibold text-small">
        {count === 0 ? 'No job took it.' : `Taken by ${count} ${count === 1 ? 'job' : 'jobs'}`}
      </h3>
      <ul>
        {jobs.map((job) => (
          <li key={job.id}>
            <Link to={`/jobs/${job.id}`} className="flex min-h-8 items-center gap-2 underline max-[820px]:min-h-11">
              {job.name}
              <span className="text-quiet">{job.place}</span>
            </Link>
          </li>
        ))}
        {count > jobs.length && <li className="text-quiet">and {count - jobs.length} more</li>}
      </ul>
    </section>
  )
}
