import { expect, test } from 'vitest'
import type { JobCard } from '../api/client'
import { scaleOf } from './Yard'

const card = (wide: number) => ({ front: { left_mm: 0, right_mm: wide } }) as JobCard
const jobs = [card(4724), card(3454), card(6840), card(3810)]

test('all walls stand in one row at one scale where that is possible', () => {
  const scale = scaleOf(jobs, 1232)
  const row = jobs.reduce((sum, one) => sum + Math.max(232, (one.front?.right_mm ?? 0) * scale) + 40, -40)
  expect(row).toBeLessThanOrEqual(1232)
  expect(scaleOf(jobs, 1900)).toBeGreaterThan(scale)
})

test('many walls wrap at a scale at which they can still be read', () => {
  expect(scaleOf(Array(30).fill(card(6000)), 1232)).toBeGreaterThanOrEqual(0.048)
})
