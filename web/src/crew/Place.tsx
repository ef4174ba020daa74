import type { DayOut, DayStep } from '../api/client'
import { fitFace, type Sheet, toPx } from '../board/sheet'
import { useSize } from '../board/useSize'

const DOT = 3
const DONE = 5
const NOW = 8
const FINGER_PX = 30
const LEAST_PX = 32 // lower than that a drawing shows nothing

type PlaceProps = { day: DayOut; step: DayStep; done: ReadonlySet<string>; onTap: (mark: string) => void }

/** Where the step is: its marks bright, the rest faint; a tap on a mark goes to its step. */
export const Place = ({ day, step, done, onTap }: PlaceProps) => {
  const [box, size] = useSize<HTMLDivElement>()
  const face = step.face === 'back' ? day.back : day.front
  const sheet = fitFace(face, size.width, size.height)
  const now = new Set(step.marks)
  const path = (points: readonly (readonly number[])[]) =>
    points
      .map(([x = 0, y = 0]) => toPx(sheet, { xMm: x, yMm: y }))
      .map(({ xPx, yPx }) => `${xPx.toFixed(1)} ${yPx.toFixed(1)}`)
      .join('L')
  return (
    <div ref={box} className="board relative min-h-0 flex-1 overflow-hidden">
      {size.width > 0 && size.height >= LEAST_PX && (
        // biome-ignore lint/a11y/useKeyWithClickEvents: with keys the list of steps goes everywhere
        <svg
          width={size.width}
          height={size.height}
          role="img"
          aria-label={`${face.summary} ${step.marks.length} marks of this step are bright.`}
          onClick={(event) => onTap(nearest(event, face, sheet))}
        >
          {face.marks.map((mark) =>
            mark.kind === 'area' ? (
              <path
                key={mark.key}
                className={`mark ${mark.role} ${now.has(mark.key) ? 'now-area' : now.size > 0 ? 'faint' : ''}`}
                d={`M${path(mark.points)}Z`}
              />
            ) : mark.kind === 'line' ? (
              <path key={mark.key} className={`mark ${mark.role} faint`} d={`M${path(mark.points)}`} />
            ) : null,
          )}
          {face.marks.map((mark) => {
            if (mark.kind !== 'dot') return null
            const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0], yMm: mark.at[1] })
            const lit = now.has(mark.key)
            return (
              <circle
                key={mark.key}
                className={`mark ${mark.role} ${lit ? 'now' : done.has(mark.key) ? 'done' : 'faint'}`}
                cx={xPx}
                cy={yPx}
                r={lit ? NOW : done.has(mark.key) ? DONE : DOT}
              />
            )
          })}
        </svg>
      )}
    </div>
  )
}

const nearest = (event: React.MouseEvent<SVGSVGElement>, face: DayOut['front'], sheet: Sheet): string => {
  const box = event.currentTarget.getBoundingClientRect()
  let found = ''
  let best = FINGER_PX
  for (const mark of face.marks) {
    if (mark.kind !== 'dot') continue
    const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0], yMm: mark.at[1] })
    const far = Math.hypot(event.clientX - box.left - xPx, event.clientY - box.top - yPx)
    if (far < best) {
      best = far
      found = mark.key
    }
  }
  return found
}
