import { type Dimension, toEdits } from '../api/client'
import { useThisJob } from '../job/context'
import { Num } from '../parts/Num'
import { Trouble } from '../parts/Trouble'
import { Meant } from '../parts/Typed'
import { useTyping } from '../parts/useTyping'
import type { Room } from './apart'
import type { DimensionPlace } from './dimensionLines'
import { textPx } from './measure'
import type { PointPx } from './sheet'

type DimensionTagProps = { mark: Dimension; place: DimensionPlace; widthPx: number; shift: PointPx }

const SHORT_PX = 52 // a shorter line would vanish behind its own number, so the number stands beside it
const FIELD_PX = 76
/** How wide a number stands on its line [px], with the ground under it. */
const roomPx = (text: string) => 14 + textPx(text, 15.5, 600)

/** Where a number stands, about. */
export const tagRoom = (mark: Dimension, place: DimensionPlace, widthPx: number): Room & { upright: boolean } => {
  const beside = place.upright && place.lengthPx < SHORT_PX && !mark.inside
  const long = roomPx(mark.text)
  const { upright } = place
  if (!beside) return { ...place, widthPx: upright ? 28 : long, heightPx: upright ? long : 28 }
  const outer = mark.side > 0 ? place.xPx < widthPx - long : place.xPx < long
  return { xPx: place.xPx + (outer ? 1 : -1) * (8 + long / 2), yPx: place.yPx, widthPx: long, heightPx: 28, upright }
}

/** The number on a dimension line: a button where typing a length can set it. */
export const DimensionTag = ({ mark, place, widthPx, shift }: DimensionTagProps) => {
  const { inside } = mark
  const { edit } = useThisJob()
  const open_ = mark.changes.find((one) => one.value === null)?.pointer ?? ''
  const { typing, open, back, take, trouble, choices, id, field } = useTyping({
    text: mark.text,
    save: (typed) => edit(toEdits(mark.changes, typed)),
    choices: (refused) => refused.choicesFor(open_),
  })
  const beside = place.upright && place.lengthPx < SHORT_PX && !inside
  const turn = place.upright && !beside ? 'rotate(-90deg)' : ''
  // beside a short line on its outer side, unless the number would be cut off there
  const outer = mark.side > 0 ? place.xPx < widthPx - roomPx(mark.text) : place.xPx < roomPx(mark.text)
  const start = outer ? '8px' : 'calc(-100% - 8px)'
  const style = {
    left: place.xPx + shift.xPx,
    top: place.yPx + shift.yPx,
    transform: beside ? `translate(${start}, -50%)` : `translate(-50%, -50%) ${turn}`,
  }
  const fieldStyle = {
    left: Math.min(widthPx - FIELD_PX, Math.max(FIELD_PX, place.xPx)),
    top: place.yPx,
    transform: 'translate(-50%, -20px)',
  }
  const ground = inside ? 'bg-canvas text-on-canvas' : 'bg-velvet text-ink'
  const tag = `board-tag absolute grid min-h-7 place-items-center whitespace-nowrap rounded px-1.5 text-body ${ground}`
  if (typing)
    return (
      <div style={fieldStyle} className="absolute z-20 flex flex-col gap-1">
        <input
          {...field}
          aria-label={mark.name}
          className="w-32 rounded border-2 border-chalk bg-velvet px-2 py-1 text-center font-semibold text-value text-ink"
        />
        {trouble && (
          <div className="w-64 rounded bg-stop-ground">
            <Trouble text={trouble} id={id} />
            <Meant texts={choices} onTake={take} />
          </div>
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
      // biome-ignore lint/a11y/noAutofocus: the keyboard goes on from the field it has just closed
      autoFocus={back}
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
