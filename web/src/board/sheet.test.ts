import { expect, test } from 'vitest'
import type { Face } from '../api/client'
import { fitFace, LANE_PX, toMm, toPx } from './sheet'

const face = {
  left_mm: -20,
  right_mm: 4980,
  bottom_mm: -70,
  top_mm: 2510,
  lanes: { left: 2, right: 1, above: 2, below: 2 },
} as Face

test('pixels and millimetres are inverses, and the whole face lies inside its lanes', () => {
  const sheet = fitFace(face, 800, 560)
  const there = toPx(sheet, { xMm: 1234.5, yMm: 678.9 })
  const back = toMm(sheet, there)
  expect(back.xMm).toBeCloseTo(1234.5, 9)
  expect(back.yMm).toBeCloseTo(678.9, 9)
  const topLeft = toPx(sheet, { xMm: face.left_mm, yMm: face.top_mm })
  const bottomRight = toPx(sheet, { xMm: face.right_mm, yMm: face.bottom_mm })
  expect(topLeft.xPx).toBeGreaterThanOrEqual(2 * LANE_PX)
  expect(topLeft.yPx).toBeGreaterThanOrEqual(2 * LANE_PX)
  expect(bottomRight.xPx).toBeLessThanOrEqual(800 - LANE_PX)
  expect(bottomRight.yPx).toBeLessThanOrEqual(560 - 2 * LANE_PX)
})
