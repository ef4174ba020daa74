import { expect, test } from 'vitest'
import type { JobCard } from '../api/client'
import { rowsOf } from './Yard'

const card = (id: number, wide: number) =>
  ({ id: String(id), front: { left_mm: 0, right_mm: wide, bottom_mm: 0, top_mm: 2500 } }) as unknown as JobCard

test('every card stands once, in order, in rows that are no wider than the page', () => {
  const cards = Array.from({ length: 500 }, (_, at) => card(at, 2400 + ((at * 791) % 6000)))
  const scale = 0.06
  const rows = rowsOf(cards, scale, 1200)
  expect(rows.flat()).toEqual(cards)
  for (const row of rows) {
    const wide = row.reduce((sum, one) => sum + Math.max(232, (one.front?.right_mm ?? 0) * scale), 0) + 40 * (row.length - 1)
    expect(row.length === 1 || wide <= 1200).toBe(true)
  }
  expect(rowsOf([card(1, 90_000)], scale, 1200)).toHaveLength(1)
  expect(rowsOf([], scale, 1200)).toEqual([])
})
