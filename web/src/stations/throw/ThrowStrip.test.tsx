import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { JobOut, Plan } from '../../api/client'
import { JobContext } from '../../job/context'
import { ShownContext } from '../../job/shown'
import type { JobHandle } from '../../job/useJob'
import { RecordFiles } from '../common/RecordFiles'
import { ThrowStrip } from './ThrowStrip'

const row = (name: string, more: object) => ({
  key: name.toLowerCase(),
  name,
  category: 'hall',
  fits: true,
  chosen: false,
  verdict: '',
  margin: '300 mm to and fro',
  luminance: '80',
  contrasts: ['300', '8'],
  bands: [],
  pixels: '0.8',
  noise: '24 dB',
  price: '900',
  sizes: '2000 mm to 3000 mm',
  place: '4000 mm from the wall',
  changes: [{ pointer: '/throw/lens_x_mm', value: 5 }],
  sorts: { luminance: 80, price: 900, noise: 24 },
  ...more,
})
const table = {
  here: '',
  states: ['dark', 'evening'],
  rows: [
    row('Tern', { chosen: true }),
    row('Godwit', { fits: false, verdict: 'The lens is 570 mm too far.', sorts: { luminance: 250, price: 24500, noise: 41 } }),
    row('Knot', { place: 'nowhere in this room', changes: [], sorts: { luminance: 60, price: 300, noise: 35 } }),
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
    <QueryClientProvider client={new QueryClient()}>
      <JobContext value={handle as unknown as JobHandle}>
        <ShownContext value={{ shape: '', showShape }}>{node}</ShownContext>
      </JobContext>
    </QueryClientProvider>,
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

test('a projector is taken where it stands, or put where it could be, and the table sorts by price', async () => {
  show(<ThrowStrip job={job} plan={plan} />)
  fireEvent.click(await screen.findByRole('button', { name: /Take\s*Godwit/ }))
  expect(handle.takeRecord).toHaveBeenLastCalledWith('projector', 'godwit')
  fireEvent.click(screen.getByRole('button', { name: /Put\s*Godwit/ }))
  expect(handle.edit).toHaveBeenLastCalledWith([{ pointer: '/throw/lens_x_mm', value: 5 }])
  expect(screen.queryByRole('button', { name: /Put\s*Knot/ })).toBeNull()
  const names = () =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((one) => one.textContent?.match(/Tern|Godwit|Knot/)?.[0])
  expect(names()).toEqual(['Tern', 'Godwit', 'Knot'])
  fireEvent.click(screen.getByRole('button', { name: 'Price' }))
  expect(names()).toEqual(['Knot', 'Tern', 'Godwit'])
  fireEvent.click(screen.getByRole('button', { name: 'cd/m\u00b2' }))
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
