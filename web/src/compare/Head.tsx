import type { ReactNode } from 'react'
import type { Verdict } from '../api/client'
import { Button, buttonLook } from '../parts/Button'
import { Rich } from '../parts/Num'
import type { What } from './Words'

type HeadProps = {
  title: string
  verdict?: Verdict | undefined
  otherwise: ReactNode
  chosen: boolean
  pinned: boolean
  pins: number
  onTake: () => void
  onPin: () => void
  more?: ReactNode
  what: What
  jobId: string
}

/** What is said of the candidate that is looked at, and what can be done with it; before one is, what to take and why. */
export const Head = ({ title, verdict, otherwise, chosen, pinned, pins, onTake, onPin, more, what, jobId }: HeadProps) => (
  <div className="flex min-h-11 items-center gap-2 py-0.5">
    <p aria-live="polite" className="line-clamp-2 min-w-0 flex-1 text-small leading-snug">
      {verdict ? (
        <>
          <strong>
            <Rich text={title} />
          </strong>
          {verdict.severity && (
            <strong className={verdict.severity === 'stop' ? 'text-stop' : 'text-brass'}>
              {verdict.severity === 'stop' ? ' · Stop' : ' · Check'}
            </strong>
          )}
          {' · '}
          <Rich text={[verdict.reason, ...verdict.also].join(' ')} />
        </>
      ) : (
        otherwise
      )}
    </p>
    {verdict && more}
    {verdict && (
      <>
        <Button look={chosen ? 'plain' : 'main'} disabled={chosen} onClick={onTake}>
          {chosen ? 'Taken' : 'Take'}
          <span className="sr-only"> {title}</span>
        </Button>
        <Button aria-pressed={pinned} onClick={onPin}>
          {pinned ? 'Unpin' : pins === 1 ? 'Compare' : 'Pin'}
          <span className="sr-only"> {title}</span>
        </Button>
      </>
    )}
    {!verdict && (
      <a href={`/api/jobs/${jobId}/${what}/file`} download className={`grid place-items-center ${buttonLook('plain')}`}>
        As CSV
      </a>
    )}
  </div>
)
