import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import type { Practice } from '../api/client'
import { NumbersScene } from './NumbersScene'
import { PhotoScene } from './PhotoScene'

afterEach(cleanup)

const square = (by: number): [number, number][] => [
  [0.1 + by, 0.1 + by],
  [0.9 - by, 0.1 + by],
  [0.9 - by, 0.4 - by],
  [0.1 + by, 0.4 - by],
]

test('a photo has its screen once and each corner once more, enlarged about that corner, and says what to read by', () => {
  const photo = { high: 0.5, outer: square(0), inner: square(0.02), picture: square(0.03), border: '60\u00a0mm' }
  const { container } = render(<PhotoScene photo={photo as never} />)
  const views = [...container.querySelectorAll('svg svg')].map((one) => one.getAttribute('viewBox')?.split(' ').map(Number) ?? [])
  expect(views).toHaveLength(4)
  const middles = views.map(([x = 0, y = 0, wide = 0, high = 0]) => [x + wide / 2, y + high / 2])
  const [a, b, c, d] = photo.inner
  ;[a, b, d, c].forEach((corner, at) => {
    expect(middles[at]?.[0]).toBeCloseTo(corner?.[0] ?? Number.NaN)
    expect(middles[at]?.[1]).toBeCloseTo(corner?.[1] ?? Number.NaN)
  })
  expect(container.querySelectorAll('text')).toHaveLength(4)
  expect(container.textContent).toContain('The border is 60')
})

test('numbers stand at their corners, upper ones first, and no picture is drawn', () => {
  const readings = ['top left', 'top right', 'bottom right', 'bottom left'].map((name, at) => ({
    name,
    across: `${at} mm sideways`,
    up: `${at} mm up`,
  }))
  render(<NumbersScene practice={{ aspect: 1.78, readings } as unknown as Practice} />)
  const names = [...document.querySelectorAll('.grid > div > span')].map((one) => one.textContent)
  expect(names).toEqual(['top left', 'top right', 'bottom left', 'bottom right'])
  expect(screen.queryByRole('img')).toBeNull()
})
