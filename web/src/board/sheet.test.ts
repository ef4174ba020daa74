import { expect, test } from 'vitest'
import type { Dimension, Face } from '../api/client'
import { fitFace, LANE_PX, sideLanes, toPx } from './sheet'

const face = {
  left_mm: -20,
  right_mm: 4980,
  bottom_mm: -70,
  top_mm: 2510,
  lanes: { left: 2, right: 1, above: 2, below: 2 },
} as Face

test('the whole face lies inside its lanes, to one scale', () => {
  const sheet = fitFace(face, 800, 560)
  const topLeft = toPx(sheet, { xMm: face.left_mm, yMm: face.top_mm })
  const bottomRight = toPx(sheet, { xMm: face.right_mm, yMm: face.bottom_mm })
  expect(topLeft.xPx).toBeGreaterThanOrEqual(2 * LANE_PX)
  expect(topLeft.yPx).toBeGreaterThanOrEqual(2 * LANE_PX)
  expect(bottomRight.xPx).toBeLessThanOrEqual(800 - LANE_PX)
  expect((bottomRight.xPx - topLeft.xPx) / (bottomRight.yPx - topLeft.yPx)).toBeCloseTo(5000 / 2580, 9)
  expect(bottomRight.yPx).toBeLessThanOrEqual(560 - 2 * LANE_PX)
})

test('on a phone a side without dimensions gives its lanes to the drawing', () => {
  const left = { axis: 'y', side: -1 } as Dimension
  const inside = { axis: 'y', side: 1, inside: true } as Dimension
  expect(sideLanes(face, [left, inside, { axis: 'x', side: 1 } as Dimension])).toEqual({ ...face.lanes, right: 0 })
  const wide = (lanes: Face['lanes']) => fitFace(face, 390, 560, lanes).pxPerMm
  expect(wide(sideLanes(face, [left])) * 5000).toBeCloseTo(wide(face.lanes) * 5000 + LANE_PX, 6)
})
