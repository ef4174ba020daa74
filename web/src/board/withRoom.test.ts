import { expect, test } from 'vitest'
import type { Label } from '../api/client'
import { withRoom } from './withRoom'

const SHEET = { leftPx: 0, basePx: 0, pxPerMm: 1, up: 1 } as const
const label = (key: string, x: number, role: string, text = 'four') =>
  ({ kind: 'label', key, role, text, at: [x, 0], anchor: 'middle', lift: 0 }) as unknown as Label

test('on a phone a word gives way to a number, to the size and to what forbids, and stands where there is room', () => {
  const tag = { xPx: 0, yPx: 0, widthPx: 40, heightPx: 20 }
  const all = [label('under', 10, 'load'), label('near', 105, 'load'), label('no', 110, 'hole-refused'), label('size', 210, 'picture'), label('on', 215, 'load'), label('free', 300, 'load')] // biome-ignore format: one list
  expect(withRoom(all, [tag], SHEET).map((one) => one.key)).toEqual(['no', 'size', 'free'])
})
