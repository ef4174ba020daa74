import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import type { FloorMap } from '../api/client'
import { FloorLegend, FloorMapLayer, FloorNumbers } from './FloorMapLayer'

afterEach(cleanup)

const square = (from: number, to: number) => [[[from, 0], [to, 0], [to, 100], [from, 100], [from, 0]]] // biome-ignore format: a ring
const map = {
  bands: [
    { word: 'too far', rank: 1, rings: square(0, 100) },
    { word: 'main row', rank: 2, rings: square(100, 200) },
    { word: 'too near', rank: 0, rings: square(200, 400) },
  ],
  levels: [
    { text: '36°', points: [[100, 0], [100, 100]], at: [100, 50] },
    { text: '45°', points: [[200, 0], [200, 100]], at: [200, 50] },
  ],
  seats: [{ name: 'Sofa', main: true, at: [100, 24], text: '40°' }],
  at: 'eye 1100 mm above the floor',
} as unknown as FloorMap // biome-ignore format: a map by hand
const sheet = { leftPx: 0, basePx: 0, pxPerMm: 1, up: -1 } as const

test('the better a band the brighter, and only the best bears dots', () => {
  const { container } = render(
    <svg role="img" aria-label="floor">
      <FloorMapLayer map={map} sheet={sheet} />
    </svg>,
  )
  const bands = [...container.querySelectorAll('path[fill-rule]')]
  const dotted = bands.filter((one) => one.getAttribute('fill') === 'url(#best-dots)')
  expect(dotted.map((one) => one.getAttribute('d')?.slice(0, 10))).toEqual(['M100.0 0.0'])
  const [far = 0, main = 0, near = 0] = bands
    .filter((one) => !dotted.includes(one))
    .map((one) => Number(one.getAttribute('fill-opacity')))
  expect(main).toBeGreaterThan(far)
  expect(far).toBeGreaterThan(near)
})

test('a seat has its number, and a line whose number would stand on it has none', () => {
  render(<FloorNumbers map={map} sheet={sheet} />)
  expect(screen.getByText('40°').textContent).toContain('Sofa')
  expect(screen.queryByText('36°')).toBeNull()
  expect(screen.getByText('45°')).toBeTruthy()
})

test('the legend names every class and stresses the best', () => {
  render(<FloorLegend map={map} />)
  expect(screen.getAllByRole('listitem')).toHaveLength(4)
  expect(screen.getByText('main row').className).toContain('semibold')
})
