import type { Dimension, Face } from '../api/client'

export type PointMm = { readonly xMm: number; readonly yMm: number }
export type PointPx = { readonly xPx: number; readonly yPx: number }

/** One immutable transform between a face's millimeters and pixels; y turns over unless the face grows downwards. */
export type Sheet = { readonly leftPx: number; readonly basePx: number; readonly pxPerMm: number; readonly up: 1 | -1 }

export const LANE_PX = 31
const EDGE_PX = 8

/** A phone has no width to give away: lanes beside the drawing are kept where a dimension stands in them. */
export const sideLanes = ({ lanes }: Face, dimensions: readonly Dimension[]): Face['lanes'] => {
  const stands = (side: number) => dimensions.some((one) => one.axis === 'y' && one.side === side && !one.inside)
  return { ...lanes, left: stands(-1) ? lanes.left : 0, right: stands(1) ? lanes.right : 0 }
}

/** Fit a face with its dimension lanes into a box. */
export const fitFace = (face: Face, widthPx: number, heightPx: number, lanes = face.lanes): Sheet => {
  const pad = (count: number) => count * LANE_PX + EDGE_PX
  const { left, right, above, below } = lanes
  const across = face.right_mm - face.left_mm
  const high = face.top_mm - face.bottom_mm
  const freeX = Math.max(40, widthPx - pad(left) - pad(right))
  const freeY = Math.max(40, heightPx - pad(above) - pad(below))
  const pxPerMm = Math.min(freeX / across, freeY / high)
  const leftPx = pad(left) + (freeX - across * pxPerMm) / 2 - face.left_mm * pxPerMm
  const up = face.y_down ? -1 : 1
  const highest = face.y_down ? -face.bottom_mm : face.top_mm
  const basePx = pad(above) + (freeY - high * pxPerMm) / 2 + highest * pxPerMm
  return { leftPx, basePx, pxPerMm, up }
}

export const toMm = (s: Sheet, p: PointPx): PointMm => ({
  xMm: (p.xPx - s.leftPx) / s.pxPerMm,
  yMm: (s.up * (s.basePx - p.yPx)) / s.pxPerMm,
})

export const toPx = (s: Sheet, p: PointMm): PointPx => ({
  xPx: s.leftPx + p.xMm * s.pxPerMm,
  yPx: s.basePx - s.up * p.yMm * s.pxPerMm,
})
