import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { JobOut, Plan } from '../../api/client'
import { JobContext } from '../../job/context'
import { ShownContext } from '../../job/shown'
import type { JobHandle } from '../../job/useJob'
import { RecordFiles } from '../common/RecordFiles'
import { ThrowStrip } from './ThrowStrip'

const cells = (...values: (number | null)[]) =>
  values.map((value) => ({ text: value === null ? '' : String(value), note: '', wanted: false, value }))
const row = (name: string, more: object) => ({
  key: name.toLowerCase(),
  name,
  category: 'hall',
  fits: true,
  chosen: false,
  judged: { severity: '', short: 'no warnings', reason: 'fits from here', also: [] },
  spare: '300 mm to and fro',
  spare_mm: [[-10, 10], [-100, 100], [-300, 300]],
  sizes: '2000 mm to 3000 mm',
  place: '4000 mm from the wall',
  place_mm: [2000, 4000],
  changes: [{ pointer: '/throw/lens_x_mm', value: 5 }],
  ...more,
}) // biome-ignore format: a row by hand
const stopped = { severity: 'stop', short: 'outside the throw window', reason: 'The lens is 570 mm too far.', also: [] }
const table = {
  here: '',
  floor_mm: [4000, 6000, 1000, 3000],
  measures: [
    { key: 'luminance', label: 'Luminance', short: '', unit: 'cd/m²', wanted: '', better: '', cells: cells(80, 250, 60) },
    {
      key: 'contrast-0',
      label: 'Contrast, dark',
      short: 'dark',
      unit: '',
      wanted: '',
      better: 'high',
      cells: cells(300, 400, 200),
    },
    { key: 'price', label: 'Price', short: 'Price', unit: '', wanted: '', better: 'low', cells: cells(900, 24500, null) },
  ],
  rows: [
    row('Tern', { chosen: true }),
    row('Godwit', { fits: false, judged: stopped, spare: '', spare_mm: [] }),
    row('Knot', { place: 'nowhere in this room', place_mm: null, changes: [] }),
  ],
}
const job = { id: 'j', version: 3, document: {} } as unknown as JobOut
const zoom = {
  aspect: '16:9',
  picture: '',
  zoom: '1.87 : 1',
  shift: '',
  light: '',
  spill: 'none',
  trouble: 'shift out of reach',
  id: 'a1',
}
const plan = { tables: { by_zoom: { window: 'no place serves all shapes', rows: [zoom] }, joists: null } } as unknown as Plan
const handle = { edit: vi.fn(async () => undefined), takeRecord: vi.fn(async () => undefined) }
const showShape = vi.fn()

const show = (node: React.ReactNode) =>
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <JobContext value={handle as unknown as JobHandle}>
          <ShownContext value={{ shape: '', showShape, looked: '', look: vi.fn(), corners: null }}>{node}</ShownContext>
        </JobContext>
      </QueryClientProvider>
    </MemoryRouter>,
  )

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

beforeEach(() => {
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => Response.json(table)),
  )
})

test('a projector is looked at with the keys, taken, or put where it could be; sorted by a tap, what has no price last', async () => {
  show(<ThrowStrip job={job} plan={plan} />)
  fireEvent.keyDown(await screen.findByRole('button', { name: 'Tern' }), { key: 'ArrowDown' })
  expect(screen.getByText(/The lens is 570 mm too far/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: /Take\s*Godwit/ }))
  expect(handle.takeRecord).toHaveBeenLastCalledWith('projector', 'godwit')
  fireEvent.click(screen.getByRole('button', { name: /Put\s*Godwit/ }))
  expect(handle.edit).toHaveBeenLastCalledWith([{ pointer: '/throw/lens_x_mm', value: 5 }])
  fireEvent.click(screen.getByRole('button', { name: 'Knot' }))
  expect(screen.queryByRole('button', { name: /Put\s*Knot/ })).toBeNull()
  const names = () => screen.getAllByRole('row').slice(1).map((one) => one.textContent?.match(/Tern|Godwit|Knot/)?.[0]) // biome-ignore format: a line
  fireEvent.click(screen.getByRole('button', { name: 'Price' }))
  expect(names()).toEqual(['Tern', 'Godwit', 'Knot'])
  fireEvent.click(screen.getByRole('button', { name: 'cd/m²' }))
  expect(names()).toEqual(['Godwit', 'Tern', 'Knot'])
})

test('a shape by zoom says what stops it and is shown on the wall', () => {
  show(<ThrowStrip job={job} plan={plan} />)
  fireEvent.mouseDown(screen.getByRole('tab', { name: 'Aspect ratios by zoom' }))
  expect(screen.getByText(/shift out of reach/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: /16:9\s*show light/ }))
  expect(showShape).toHaveBeenLastCalledWith('a1')
  fireEvent.mouseDown(screen.getByRole('tab', { name: 'Joists' }))
  expect(screen.getByText(/Survey the joists/)).toBeTruthy()
})

test('a refused file says line and field', async () => {
  const said = { errors: [{ pointer: '/line 3/shift_of', text: 'Say what the shift is a share of.', typed: '' }] }
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => Response.json(said, { status: 422, headers: { 'content-type': 'application/problem+json' } })),
  )
  show(<RecordFiles kind="projector" />)
  fireEvent.change(screen.getByLabelText('File of projector records'), { target: { files: [new File(['name'], 'a.csv')] } })
  await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('line 3, shift_of: Say what the shift is a share of.'))
})
