import type { PointerEvent } from 'react'
import { useThisJob } from '../job/context'
import { useTap } from '../job/tap'
import { type Sheet, toMm } from './sheet'

/** While a place is asked for, every tap on the board is one. */
export const TapLayer = ({ sheet, face }: { sheet: Sheet; face: string }) => {
  const { tap } = useTap()
  const job = useThisJob()
  if (!tap || tap.face !== face) return null
  const take = (event: PointerEvent<HTMLDivElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const { xMm, yMm } = toMm(sheet, { xPx: event.clientX - box.left, yPx: event.clientY - box.top })
    void job.edit([tap.edit(Math.round(xMm), Math.round(yMm))])
  }
  return (
    <div data-tap="1" className="absolute inset-0 z-20 cursor-crosshair" onPointerUp={take}>
      <p
        role="status"
        className="absolute bottom-2 left-1/2 -translate-x-1/2 rounded bg-brass px-3 py-1.5 font-semibold text-on-brass"
      >
        Tap the wall: {tap.name}
      </p>
    </div>
  )
}
