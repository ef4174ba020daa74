import type { Draft } from '../api/client'
import { Num, Rich } from '../parts/Num'
import { LittleWall } from './LittleWall'

const ROOM_PX = { wide: 330, high: 190 }

/** What comes of what is known so far, drawn: which size, whether it fits, what is missing. */
export const Answer = ({ draft }: { draft: Draft | undefined }) => {
  if (!draft) return <div className="min-h-[330px]" aria-busy="true" />
  const { front } = draft
  const scale = front
    ? Math.min(ROOM_PX.wide / (front.right_mm - front.left_mm), ROOM_PX.high / (front.top_mm - front.bottom_mm))
    : 1
  return (
    <div className="flex min-h-[330px] flex-col gap-2">
      <div className="grid h-[190px] place-items-center">{front && <LittleWall face={front} pxPerMm={scale} />}</div>
      <p>
        <Num text={draft.size} className="text-title" />
        <span className="block text-quiet">
          <Rich text={`${draft.diagonal} corner to corner`} />
        </span>
      </p>
      <p className="text-small leading-snug">
        <strong className={draft.fits ? '' : 'text-stop'}>{draft.fits ? '✓ It fits.' : '✕ It does not fit.'}</strong>{' '}
        <Rich text={draft.why} />
      </p>
      {draft.against.map((one) => (
        <p
          key={one.text}
          className={`border-l-4 pl-2 text-small leading-snug ${one.severity === 'stop' ? 'border-stop' : 'border-brass'}`}
        >
          <strong className={one.severity === 'stop' ? 'text-stop' : ''}>{one.severity === 'stop' ? 'Stop' : 'Check'}</strong> ·{' '}
          <Rich text={one.text} />
        </p>
      ))}
      {draft.missing.length > 0 && (
        <ul aria-label="Still missing" className="text-quiet text-small leading-snug">
          {draft.missing.map((one) => (
            <li key={one}>
              <Rich text={one} />
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
