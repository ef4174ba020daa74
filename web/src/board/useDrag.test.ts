import { expect, test } from 'vitest'
import type { Handle } from '../api/client'
import { handleEdits, moveHandle } from './useDrag'

const frame = {
  key: 'frame-handle',
  origin: [2000, 2100],
  step_mm: 1.5875,
  y_pointer: '/height/wish_mm',
  x_pointer: null,
  x_stops: null,
  y_stops: [
    { at_mm: 1900, name: 'lowest allowed edge' },
    { at_mm: 2250, name: 'ceiling gap' },
  ],
  also: [{ pointer: '/height/wish', value: 'frame-top' }],
  scale: [1, 1],
} as unknown as Handle

test('a handle is held by its stop and says whose it is', () => {
  expect(moveHandle(frame, 50, 400)).toEqual({ x: 2000, y: 2250, hit: 'ceiling gap' })
  expect(moveHandle(frame, 0, -900).hit).toBe('lowest allowed edge')
})

test('between its stops it moves in whole tape steps and sets only its own axis', () => {
  const to = moveHandle(frame, 50, 10)
  expect((to.y / 1.5875) % 1).toBeCloseTo(0, 6)
  expect(handleEdits(frame, to).map((one) => one.pointer)).toEqual(['/height/wish', '/height/wish_mm'])
})

test('what is drawn many times over is set by its own size, and outward is plus on either side', () => {
  const corner = { ...frame, origin: [3, -2], step_mm: 1, x_pointer: '/x', y_pointer: '/y', y_stops: null, scale: [-20, 20] }
  expect(moveHandle(corner as unknown as Handle, 100, 60)).toEqual({ x: -2, y: 1, hit: '' })
})
