import type { Dimension } from '../api/client'
import { LANE_PX, type Sheet, toPx } from './sheet'

export type DimensionPlace = {
  d: string
  xPx: number
  yPx: number
  lengthPx: number
  upright: boolean
}

const TICK = 5

/** Where a dimension's line, ticks and text lie, in pixels. */
export const placeDimension = (mark: Dimension, sheet: Sheet): DimensionPlace => {
  const off = LANE_PX * (mark.lane - 0.5) + 4
  if (mark.axis === 'x') {
    const a = toPx(sheet, { xMm: mark.a_mm, yMm: mark.base_mm })
    const b = toPx(sheet, { xMm: mark.b_mm, yMm: mark.base_mm })
    const y = a.yPx - sheet.up * mark.side * off
    return {
      d: `M${a.xPx} ${y}H${b.xPx}M${a.xPx - TICK} ${y + TICK}l${2 * TICK} ${-2 * TICK}M${b.xPx - TICK} ${y + TICK}l${2 * TICK} ${-2 * TICK}`,
      xPx: (a.xPx + b.xPx) / 2,
      yPx: y,
      lengthPx: Math.abs(b.xPx - a.xPx),
      upright: false,
    }
  }
  const a = toPx(sheet, { xMm: mark.base_mm, yMm: mark.a_mm })
  const b = toPx(sheet, { xMm: mark.base_mm, yMm: mark.b_mm })
  const x = a.xPx + mark.side * off
  return {
    d: `M${x} ${a.yPx}V${b.yPx}M${x - TICK} ${a.yPx + TICK}l${2 * TICK} ${-2 * TICK}M${x - TICK} ${b.yPx + TICK}l${2 * TICK} ${-2 * TICK}`,
    xPx: x,
    yPx: (a.yPx + b.yPx) / 2,
    lengthPx: Math.abs(b.yPx - a.yPx),
    upright: true,
  }
}
