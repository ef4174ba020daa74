import type { Difference } from '../api/client'
import { useThisJob } from '../job/context'
import { Button } from '../parts/Button'
import { Rich } from '../parts/Num'

/** What the whole page must know: the server is away, or someone else saved. */
export const Notices = () => {
  const { away, waiting, conflict, resolve } = useThisJob()
  if (conflict)
    return (
      <div role="alert" className="flex flex-wrap items-center gap-x-4 gap-y-2 border-brass border-l-[6px] bg-lift px-4 py-2">
        <div className="min-w-[20rem] flex-1">
          <p>
            <strong>Saved meanwhile.</strong> {conflict.who} saved version {conflict.version} ({conflict.what}). What you typed is
            kept until you choose.
          </p>
          {conflict.differences.length > 0 && <Both of={conflict.differences} />}
        </div>
        <Button look="main" size="bar" onClick={() => void resolve(true)}>
          Apply mine on top
        </Button>
        <Button size="bar" onClick={() => void resolve(false)}>
          Keep theirs
        </Button>
      </div>
    )
  if (away)
    return (
      <div role="alert" className="border-stop border-l-[6px] bg-stop-ground px-4 py-2">
        <strong className="text-stop">{away}</strong>{' '}
        {waiting > 0
          ? `What you typed is kept here (${waiting} to save) and is saved as soon as it can be.`
          : 'The page tries again by itself.'}
      </div>
    )
  return null
}

/** Both sides of a conflict, field by field. */
const Both = ({ of }: { of: readonly Difference[] }) => (
  <table className="mt-1.5">
    <thead>
      <tr className="text-left text-quiet">
        <th className="pr-6 font-normal">Field</th>
        <th className="pr-6 font-normal">Before</th>
        <th className="pr-6 font-normal">Theirs</th>
        <th className="font-normal">Mine</th>
      </tr>
    </thead>
    <tbody>
      {of.map((one) => (
        <tr key={one.label + one.mine}>
          <td className="pr-6">{one.label}</td>
          {[one.was, one.theirs].map((text, at) => (
            <td key={at === 0 ? 'was' : 'theirs'} className="pr-6">
              <Rich text={text} />
            </td>
          ))}
          <td className="font-bold">
            <Rich text={one.mine} />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)
