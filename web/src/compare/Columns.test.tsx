import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import type { JobOut } from '../api/client'
import { Columns } from './Columns'
import { orderBy } from './order'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const cells = (...values: (number | null)[]) =>
  values.map((value) => ({ text: String(value ?? ''), note: '', wanted: value === 40, value }))
const measures = [
  {
    key: 'angle',
    label: 'Viewing angle',
    short: 'Angle',
    unit: '',
    wanted: '36 to 45°',
    better: '' as const,
    cells: cells(33, 40, 47),
  },
  { key: 'price', label: 'Price', short: 'Price', unit: '', wanted: '', better: 'low' as const, cells: cells(3, null, 1) },
]
const column = (key: string, severity: '' | 'stop', reason: string) => ({
  key, title: key, called: key, drawn: null, chosen: key === 'b', judged: { severity, short: 'short', reason, also: [] },
}) // biome-ignore format: a column by hand

const Shown = ({ onTake }: { onTake: (key: string) => void }) => {
  const [looked, look] = useState('')
  return (
    <QueryClientProvider client={new QueryClient()}>
      <Columns
        job={{ id: 'j', version: 1 } as JobOut}
        what="sizes"
        label="Sizes"
        leastPx={1}
        columns={[column('a', '', 'small'), column('b', '', 'fits'), column('c', 'stop', 'No height fits')]}
        measures={measures}
        otherwise="b is best"
        looked={looked}
        onLook={look}
        onTake={onTake}
      />
    </QueryClientProvider>
  )
}

test('keys go from one to the next, its reason is said, Enter takes it, two that are pinned are told apart in words', async () => {
  vi.stubGlobal('ResizeObserver', class { observe() {} disconnect() {} }) // biome-ignore format: a stub
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, value: 800 })
  vi.stubGlobal('fetch', async () => Response.json(['Price: 3 against 1.']))
  const onTake = vi.fn()
  render(<Shown onTake={onTake} />)
  const table = await screen.findByRole('table')
  expect(table.textContent).toContain('short')
  expect(screen.getByText('b is best')).toBeTruthy()
  const first = screen.getByRole('button', { name: 'a' })
  fireEvent.keyDown(first, { key: 'ArrowRight' })
  fireEvent.keyDown(screen.getByRole('button', { name: 'b' }), { key: 'ArrowRight' })
  expect(screen.getByText(/No height fits/)).toBeTruthy()
  fireEvent.keyDown(screen.getByRole('button', { name: 'c' }), { key: 'Enter' })
  expect(onTake).toHaveBeenCalledWith('c')
  fireEvent.click(screen.getByRole('button', { name: /Pin\s*c/ }))
  fireEvent.click(screen.getByRole('button', { name: 'a' }))
  fireEvent.click(screen.getByRole('button', { name: /Compare\s*a/ }))
  await waitFor(() => expect(screen.getByText('Price: 3 against 1.')).toBeTruthy())
  expect(screen.queryByRole('table')).toBeNull()
})

test('the better end comes first and what has no value last', () => {
  expect(orderBy(measures, 'price', 3)).toEqual([2, 0, 1])
  expect(orderBy(measures, 'angle', 3)).toEqual([2, 1, 0])
  expect(orderBy(measures, '', 3)).toEqual([0, 1, 2])
})
