import { expect, test } from 'vitest'
import { apart, type Room } from './apart'

test('of two numbers that would run into each other the first stays, and neighbors with room stay both', () => {
  const at = (xPx: number, yPx = 0): Room => ({ xPx, yPx, widthPx: 20, heightPx: 16 })
  expect(apart([at(0), at(12), at(21), at(0, 16)], (one) => one)).toEqual([at(0), at(21), at(0, 16)])
})
