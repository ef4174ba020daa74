import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import type { FloorMap } from '../api/client'
import { FloorLegend, FloorMapLayer } from './FloorMapLayer'

afterEach(cleanup)

const map = {
  left_mm: 0,
  right_mm: 400,
  near_mm: 0,
  far_mm: 200,
  columns: 4,
  rows: 2,
  classes: [0, 1, 1, 2, 0, 0, 1, 2],
  words: ['too far', 'main row', 'too near'],
  ranks: [1, 2, 0],
  at: 'eye 1100 mm above the floor',
} as FloorMap
const sheet = { leftPx: 0, basePx: 0, pxPerMm: 1, up: -1 } as const

test('neighbors of a class are one strip, and only the best bears dots', () => {
  const { container } = render(
    <svg role="img" aria-label="floor">
      <FloorMapLayer map={map} sheet={sheet} />
    </svg>,
  )
  const strips = [...container.querySelectorAll('rect')]
  const dotted = strips.filter((one) => one.getAttribute('fill') === 'url(#best-dots)')
  expect(strips.length - dotted.length).toBe(6)
  expect(dotted.map((one) => [one.getAttribute('x'), one.getAttribute('y')])).toEqual([
    ['100', '0'],
    ['200', '100'],
  ])
  const shades = strips.slice(0, 3).map((one) => Number(one.getAttribute('fill-opacity')))
  expect(shades[1]).toBeGreaterThan(shades[0] ?? 1)
  expect(shades[0]).toBeGreaterThan(shades[2] ?? 1)
})

test('the legend names every class and stresses the best', () => {
  render(<FloorLegend map={map} />)
  expect(screen.getAllByRole('listitem')).toHaveLength(4)
  expect(screen.getByText('main row').className).toContain('semibold')
  expect(screen.getByText('too near').className).not.toContain('semibold')
})
