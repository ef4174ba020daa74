import { useThisJob } from '../job/context'
import { Button } from '../parts/Button'

/** What the whole page must know: the server is away, or someone else saved. */
export const Notices = () => {
  const { away, waiting, conflict, resolve } = useThisJob()
  if (conflict)
    return (
      <div role="alert" className="flex items-center gap-4 border-brass border-l-[6px] bg-lift px-4 py-2">
        <p className="flex-1">
          <strong>Saved meanwhile.</strong> {conflict.who} saved version {conflict.version} ({conflict.what}) while you changed
          something. Nothing is lost.
        </p>
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
        <strong className="text-stop">The server does not answer.</strong>{' '}
        {waiting > 0
          ? `What you typed is kept here (${waiting} to save) and saved as soon as it is back.`
          : 'The page tries again by itself.'}
      </div>
    )
  return null
}
