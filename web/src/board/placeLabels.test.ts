import { expect, test } from 'vitest'
import { placeLabels } from './placeLabels'

const box = (key: string, xPx: number, yPx: number, widthPx: number, heightPx = 19) => ({ key, xPx, yPx, widthPx, heightPx })

test('a label that would cover another or a dot goes a line down or up, one that is clear stays', () => {
  const moved = placeLabels(
    [box('sofa', 100, 50, 60), box('main seat', 130, 55, 80), box('lamp', 400, 50, 60), box('lens', 600, 50, 30)],
    [box('ring', 610, 60, 12, 12), box('dot', 600, 75, 20, 20)],
  )
  expect(moved.get('sofa')).toBe(0)
  expect(moved.get('main seat')).toBe(19)
  expect(moved.get('lamp')).toBe(0)
  expect(moved.get('lens')).toBe(-19)
})
