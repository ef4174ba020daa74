import { useInfiniteQuery } from '@tanstack/react-query'
import { ask, type JobOut } from '../api/client'
import { keys } from '../api/keys'
import { Menu, MenuHeading, MenuItem } from '../parts/Menu'

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

/** Which version this is; opened, all versions before it. */
export const History = ({ job }: { job: JobOut }) => (
  <Menu
    label=""
    className="ml-auto min-h-10 rounded px-2 text-small text-quiet hover:text-ink"
    trigger={
      <>
        <span className="whitespace-nowrap">version {job.version},</span> <span className="whitespace-nowrap">saved ▾</span>
      </>
    }
  >
    <MenuHeading>Versions, newest first</MenuHeading>
    <Versions job={job} />
  </Menu>
)

const PAGE = 40

const Versions = ({ job }: { job: JobOut }) => {
  const list = useInfiniteQuery({
    queryKey: keys.versions(job.id, job.version),
    queryFn: ({ pageParam }) =>
      ask.get('/api/jobs/{job_id}/versions', {
        params: { path: { job_id: job.id }, query: { before: pageParam, most: PAGE } },
      }),
    initialPageParam: job.version + 1,
    getNextPageParam: (last) => (last.length === PAGE ? last[PAGE - 1]?.number : undefined),
  })
  return (
    <>
      <table className="mx-3 mb-2 text-small">
        <tbody>
          {list.data?.pages.flat().map((one) => (
            <tr key={one.number} className="align-baseline">
              <td className="pr-4 text-right font-semibold">{one.number}</td>
              <td className="max-w-80 py-1 sm:pr-6">
                {one.what}
                <p className="text-quiet sm:hidden">
                  {one.who}, {when.format(new Date(one.saved_at))}
                </p>
              </td>
              <td className="pr-4 text-quiet max-sm:hidden">{one.who}</td>
              <td className="whitespace-nowrap text-quiet max-sm:hidden">{when.format(new Date(one.saved_at))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {list.hasNextPage && (
        <MenuItem stays onSelect={() => void list.fetchNextPage()}>
          Older versions
        </MenuItem>
      )}
    </>
  )
}
