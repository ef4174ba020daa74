import { useEffect, useRef } from 'react'
import type { Mark } from '../api/client'
import { type Sheet, toPx } from './sheet'

const SLOT = { wide: 168, high: 82, off: 14 }
const BESIDE = ['picture', 'picture-now'] // a corner under a box could not be taken hold of

type SlotsProps = {
  marks: readonly Mark[]
  sheet: Sheet
  size: { width: number; height: number }
  onSlots: (slots: Record<string, HTMLElement> | null) => void
}

/** Places beside the four corners of the picture, inside the board, for what is read there. */
export const CornerSlots = ({ marks, sheet, size, onSlots }: SlotsProps) => {
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const slots = [...(box.current?.querySelectorAll<HTMLElement>('[data-corner]') ?? [])]
    onSlots(Object.fromEntries(slots.map((slot) => [slot.dataset.corner ?? '', slot])))
    return () => onSlots(null)
  }, [onSlots])
  const seen = marks.flatMap((mark) => (mark.kind === 'area' && BESIDE.includes(mark.key) ? mark.points : []))
  if (seen.length === 0) return null
  const points = seen.map(([x = 0, y = 0]) => toPx(sheet, { xMm: x, yMm: y }))
  const xs = points.map((point) => point.xPx)
  const ys = points.map((point) => point.yPx)
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const x = (value: number) => Math.max(4, Math.min(size.width - SLOT.wide - 4, value))
  const y = (value: number) => Math.max(2, Math.min(size.height - SLOT.high - 2, value))
  const spots = {
    tl: [x(left - SLOT.off - SLOT.wide), y(top - SLOT.high / 2)],
    tr: [x(right + SLOT.off), y(top - SLOT.high / 2)],
    bl: [x(left - SLOT.off - SLOT.wide), y(bottom - SLOT.high / 2)],
    br: [x(right + SLOT.off), y(bottom - SLOT.high / 2)],
  }
  return (
    <div ref={box}>
      {Object.entries(spots).map(([key, [leftPx, topPx]]) => (
        <div
          key={key}
          data-corner={key}
          className="absolute z-10 rounded bg-bench/95"
          style={{ left: leftPx, top: topPx, width: SLOT.wide }}
        />
      ))}
    </div>
  )
}
