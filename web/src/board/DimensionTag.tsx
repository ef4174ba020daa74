import { type Dimension, toEdits } from '../api/client'
import { useThisJob } from '../job/context'
import { Num, Rich } from '../parts/Num'
import { useTyping } from '../parts/useTyping'
import type { DimensionPlace } from './dimensionLines'

type DimensionTagProps = { mark: Dimension; place: DimensionPlace; inside: boolean; widthPx: number }

const SHORT_PX = 52 // a shorter line would vanish behind its own number, so the number stands beside it
const FIELD_PX = 76

/** The number on a dimension line: a button where typing a length can set it. */
export const DimensionTag = ({ mark, place, inside, widthPx }: DimensionTagProps) => {
  const { edit } = useThisJob()
  const { typing, open, trouble, field } = useTyping({ text: mark.text, save: (typed) => edit(toEdits(mark.changes, typed)) })
  const beside = place.upright && place.lengthPx < SHORT_PX && !inside
  const turn = place.upright && !beside ? 'rotate(-90deg)' : ''
  const start = mark.side > 0 ? '8px' : 'calc(-100% - 8px)'
  const style = {
    left: place.xPx,
    top: place.yPx,
    transform: beside ? `translate(${start}, -50%)` : `translate(-50%, -50%) ${turn}`,
  }
  const fieldStyle = {
    left: Math.min(widthPx - FIELD_PX, Math.max(FIELD_PX, place.xPx)),
    top: place.yPx,
    transform: 'translate(-50%, -20px)',
  }
  const ground = inside ? 'bg-[var(--canvas)] text-[var(--on-canvas)]' : 'bg-velvet text-ink'
  const tag = `absolute grid min-h-7 place-items-center rounded px-1.5 text-[16px] ${ground}`
  if (typing)
    return (
      <div style={fieldStyle} className="absolute z-20 flex flex-col gap-1">
        <input
          {...field}
          aria-label={mark.name}
          className="w-32 rounded border-2 border-chalk bg-velvet px-2 py-1 text-center font-semibold text-[17px] text-ink"
        />
        {trouble && (
          <p role="alert" className="w-64 rounded border-stop border-l-4 bg-stop-ground p-2 text-[14px] text-ink">
            <Rich text={trouble} />
          </p>
        )}
      </div>
    )
  if (mark.changes.length === 0)
    return (
      <span style={style} className={tag} title={mark.name}>
        <span className="sr-only">{mark.name} </span>
        <Num text={mark.text} />
      </span>
    )
  return (
    <button
      type="button"
      style={style}
      title={mark.name}
      onClick={open}
      className={`${tag} border border-transparent border-b-chalk/60 hover:border-chalk`}
    >
      <span className="sr-only">{mark.name}: </span>
      <Num text={mark.text} />
    </button>
  )
}
