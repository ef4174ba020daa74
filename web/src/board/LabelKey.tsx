import { Rich } from '../parts/Num'
import type { Room } from './apart'
import type { Placed } from './labelPlaces'

/** The texts that have no room in the drawing, by the numbers that stand there for them. */
export const LabelKey = ({ keyed, room }: { keyed: readonly Placed[]; room: Room }) => (
  <ol
    aria-label="Key to the numbers"
    className="-translate-1/2 pointer-events-none absolute z-10 rounded border border-seam bg-bench/95 px-2 py-1 text-fine leading-[19px]"
    style={{ left: room.xPx, top: room.yPx, width: room.widthPx }}
  >
    {keyed.map(({ mark, number }) => (
      <li key={mark.key} className="flex gap-2 whitespace-nowrap">
        <span className="w-4 shrink-0 font-semibold">{number}</span>
        <Rich text={mark.text} />
      </li>
    ))}
  </ol>
)
