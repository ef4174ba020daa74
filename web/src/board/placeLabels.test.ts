import { expect, test } from 'vitest'
import { placeLabels } from './placeLabels'

test('a label that would cover another goes a line down, one that is clear stays', () => {
  const moved = placeLabels([
    { key: 'sofa', xPx: 100, yPx: 50, widthPx: 60 },
    { key: 'main seat', xPx: 130, yPx: 55, widthPx: 80 },
    { key: 'lamp', xPx: 400, yPx: 50, widthPx: 60 },
  ])
  expect(moved.get('sofa')).toBe(0)
  expect(moved.get('main seat')).toBe(19)
  expect(moved.get('lamp')).toBe(0)
})
