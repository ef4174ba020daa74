import { useQuery } from '@tanstack/react-query'
import { ask } from '../api/client'
import { keys } from '../api/keys'

/** Said only when it matters: no backup of the last week is there. */
export const BackupNote = () => {
  const { data } = useQuery({ queryKey: keys.backups, queryFn: () => ask.get('/api/backups'), staleTime: 600_000 })
  if (!data?.late) return null
  return (
    <p role="status" className="mb-4 max-w-3xl border-brass border-l-[6px] bg-lift px-3 py-2">
      <strong>No backup is younger than a week.</strong>{' '}
      {data.trouble
        ? `The last one did not succeed: ${data.trouble}`
        : data.nightly
          ? 'Leave Gantline running for a night, or make one: gantline backup FILE.'
          : 'Backups at night are switched off. Make one: gantline backup FILE.'}
    </p>
  )
}
