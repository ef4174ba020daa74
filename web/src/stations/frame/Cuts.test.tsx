import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import type { Bench, CutGroup } from '../../api/client'
import { JobContext } from '../../job/context'
import type { JobHandle } from '../../job/useJob'
import { Cuts } from './Cuts'

afterEach(cleanup)

const cut = (name: string, from_mm: number, to_mm: number) => ({
  key: `${name}, ${to_mm - from_mm} mm`,
  name,
  length: `${to_mm - from_mm} mm`,
  from_text: `${from_mm} mm`,
  to_text: `${to_mm} mm`,
  from_mm,
  to_mm,
})
const group = (more: Partial<CutGroup>): CutGroup => ({
  board: '1×3',
  name: 'frame',
  boards: [
    {
      stock: 'x',
      length: '3050 mm',
      length_mm: 3050,
      price: 7.9,
      cuts: [cut('C', 10, 1410), cut('D', 1413, 2813)],
      offcut: '234 mm',
      offcut_mm: 234,
    },
  ],
  price: 7.9,
  priced: true,
  proven: true,
  gap: 0,
  trouble: '',
  others: [
    { length: '2440 mm', boards: 0, price: null, more: null },
    { length: '3050 mm', boards: 1, price: 7.9, more: 0 },
  ],
  ...more,
})
const shown = (groups: CutGroup[], done: string[] = []) => {
  const edit = vi.fn(async () => undefined)
  const cutting: Bench['cutting'] = { groups, masks: [], kerf: '3 mm', end_trim: '10 mm', price: 7.9 }
  render(
    <JobContext value={{ edit } as unknown as JobHandle}>
      <Cuts cutting={cutting} done={done} />
    </JobContext>,
  )
  return edit
}

test('a piece is ticked off by its letter and length, and back', () => {
  const edit = shown([group({})], ['C, 1400 mm'])
  const [first, second] = ['C, 1400 mm', 'D, 1400 mm'].map((name) => screen.getByRole('button', { name: new RegExp(`^${name}`) }))
  expect(first?.getAttribute('aria-pressed')).toBe('true')
  expect(second?.getAttribute('aria-label')).toBe('D, 1400 mm, mark at 2813 mm')
  if (second) fireEvent.click(second)
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/frame/cut', value: ['C, 1400 mm', 'D, 1400 mm'] }])
  if (first) fireEvent.click(first)
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/frame/cut', value: [] }])
})

test('what is not proven, not priced or cannot be cut is said', () => {
  shown([
    group({ proven: false, gap: 0.021 }),
    group({ name: 'masks', priced: false, others: [] }),
    group({ name: 'x', trouble: 'No board holds A', boards: [] }),
  ])
  expect(screen.getByText('may be 2.1 % too dear')).toBeTruthy()
  expect(screen.getByText(/no price for this board/)).toBeTruthy()
  expect(screen.getByText('No board holds A')).toBeTruthy()
  expect(screen.getAllByText(/too short/).length).toBeGreaterThan(0)
})

test('a kit has nothing to cut', () => {
  shown([])
  expect(screen.getByText(/Nothing to cut/)).toBeTruthy()
})
