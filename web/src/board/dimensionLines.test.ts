import { expect, test } from 'vitest'
import type { Dimension, Mark, Panel } from '../api/client'
import { placeDimension } from './dimensionLines'
import { isShown } from './layers'
import { LANE_PX } from './sheet'

const sheet = { leftPx: 100, basePx: 500, pxPerMm: 0.1, up: 1 as const }
const across = { kind: 'dimension', axis: 'x', a_mm: 0, b_mm: 2000, base_mm: 0, side: -1, lane: 1, layer: 'size' } as Dimension

test('a dimension lies in its lane, at scale, on its side of what it measures', () => {
  const below = placeDimension(across, sheet)
  expect(below.lengthPx).toBeCloseTo(200)
  expect(below.yPx).toBeGreaterThan(500)
  const farther = placeDimension({ ...across, lane: 2 }, sheet)
  expect(farther.yPx - below.yPx).toBeCloseTo(LANE_PX)
  expect(placeDimension({ ...across, side: 1 }, sheet).yPx).toBeLessThan(500)
  const upright = placeDimension({ ...across, axis: 'y' }, sheet)
  expect([upright.upright, upright.lengthPx]).toEqual([true, 200])
  expect(upright.xPx).toBeLessThan(100)
})

test('a station shows its own dimensions and handles, what a wall consists of, and the shape that is looked at', () => {
  const panel = (station: string, own: string) =>
    ({
      station,
      shape: station === 'throw' ? 'light' : 'mask',
      lit: { layers: ['size'], dimensions: [own], handles: [own], texts: true, hides: [] },
    }) as unknown as Panel
  const [size, wall] = [panel('size', 'size'), panel('wall', 'wall')]
  expect([isShown(across, size, ''), isShown(across, wall, '')]).toEqual([true, false])
  const stud = { kind: 'area', role: 'stud', layer: 'survey' } as Mark
  const lens = { kind: 'handle', layer: 'throw' } as Mark
  expect(isShown(stud, size, '')).toBe(true)
  expect([isShown(lens, panel('throw', 'throw'), ''), isShown(lens, size, '')]).toEqual([true, false])
  const mask = { kind: 'area', role: 'mask', layer: 'content', of: 'a1' } as Mark
  expect([isShown(mask, size, 'a1'), isShown(mask, size, 'a2'), isShown(mask, panel('throw', 'x'), 'a1')]).toEqual([
    true,
    false,
    false,
  ])
})
