import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import { type CastOut, type Plan, Refused } from '../../api/client'
import { Pattern } from '../../cast/Pattern'
import { JobContext } from '../../job/context'
import type { JobHandle } from '../../job/useJob'
import { Acts } from '../hang/Acts'
import { Hung } from '../hang/Hung'
import { Pictured } from '../hang/Pictured'
import { Corners } from './Corners'
import { Moves } from './Moves'

afterEach(cleanup)

const shown = (node: (props: never) => ReactNode, tables: object, refuse = false) => {
  const edit = vi.fn(async () => {
    if (refuse) throw new Refused({ detail: 'This length must be at most 24″.' } as never)
  })
  const Node = node as (props: Record<string, unknown>) => ReactNode
  render(
    <QueryClientProvider client={new QueryClient()}>
      <JobContext value={{ edit, saved: null } as unknown as JobHandle}>
        <Node plan={{ tables } as unknown as Plan} job={{}} station="align" />
      </JobContext>
    </QueryClientProvider>,
  )
  return edit
}

const ALIGN = { corners: [], moves: [], rounds: [], wanted: '5 mm', half_border: '40 mm', fits: true, done: false }
const corner = (key: string, more = {}) => ({
  key,
  name: key,
  across: '4 mm out',
  up: 'on it',
  doubted: false,
  within: false,
  line: 0,
  ...more,
})

test('a chip fills the number that was touched last, and a round keeps what was typed', async () => {
  const edit = shown(Corners, { align: ALIGN })
  const box = screen.getByRole('textbox', { name: 'Bottom left, down' })
  fireEvent.focus(box)
  fireEvent.click(screen.getByRole('button', { name: '½ border out' }))
  expect((box as HTMLInputElement).value).toBe('40 mm')
  fireEvent.change(screen.getByRole('textbox', { name: 'Top left, sideways' }), { target: { value: '-3' } })
  fireEvent.click(screen.getByRole('button', { name: 'Keep 2 of 8' }))
  const kept = { pointer: '/align/rounds/-', value: { bl_y_mm: '40 mm', tl_x_mm: '-3', day: expect.any(String) } }
  await vi.waitFor(() => expect(edit).toHaveBeenCalledWith([kept]))
  await vi.waitFor(() => expect((box as HTMLInputElement).value).toBe(''))
})

test('a refused round stays as it was typed, with the reason', async () => {
  shown(Corners, { align: ALIGN }, true)
  const box = screen.getByRole('textbox', { name: 'Top right, up' })
  fireEvent.change(box, { target: { value: '900' } })
  fireEvent.click(screen.getByRole('button', { name: 'Keep 1 of 8' }))
  expect(await screen.findByText(/This length must be at most/)).toBeTruthy()
  expect((box as HTMLInputElement).value).toBe('900')
})

test('a doubted corner asks to be read again, and rounds can be taken back', () => {
  const rounds = [{ id: 'r1', said: '8 of 8 read', by: 'Oda' }]
  const edit = shown(Corners, { align: { ...ALIGN, rounds, corners: [corner('tl', { doubted: true }), corner('tr')] } })
  expect(screen.getAllByText('Read again.')).toHaveLength(1)
  fireEvent.click(screen.getByRole('button', { name: 'Remove round 1' }))
  expect(edit).toHaveBeenCalledWith([{ pointer: '/align/rounds/r1', value: null }])
})

test('moves stand in order with what the corners read after each, and nothing moves a picture that sits', () => {
  const moves = [
    { text: 'Rear of the body 3.0 mm to the left', kind: 'turn', after: ['+1.0', '−2.0', '0', '0', '+3.0', '0', '0', '+4.0'] },
    { text: 'Lens shift up 1.0 %', kind: 'shift_v', after: ['0', '0', '0', '0', '0', '0', '0', '0'] },
  ]
  shown(Moves, { align: { ...ALIGN, corners: [corner('tl')], moves, fits: false } })
  expect(screen.getAllByRole('row')).toHaveLength(3)
  expect(screen.getByText('+1.0 · −2.0')).toBeTruthy()
  expect(screen.getByText('One reading does not fit.')).toBeTruthy()
  cleanup()
  shown(Moves, { align: { ...ALIGN, corners: [corner('tl')], done: true } })
  expect(screen.getByText(/Aligned: every corner is within tolerance/)).toBeTruthy()
  cleanup()
  shown(Moves, { align: ALIGN })
  expect(screen.getByText(/the moves appear here/)).toBeTruthy()
})

const HANG = {
  people: 'One at each end.',
  pictures: [],
  acts: ['Hook the top rail over every bracket', 'Pull at every bracket and latch'],
  caution: 'Nothing holds the bottom.',
  checks: [
    {
      key: 'level',
      name: 'Level',
      stands: 'right end 4 mm high',
      within: false,
      line: 0,
      move: 'Right bracket 3 mm down in its slot.',
    },
    { key: 'center', name: 'Center', stands: 'on its mark', within: true, move: '' },
  ],
  readings: [{ id: 'h1', said: 'right end over left 4 mm', by: '' }],
}

test('any reading of the hung screen is kept by itself, each check says its move', async () => {
  const edit = shown(Hung, { hang: HANG })
  expect(screen.getByText('Right bracket 3 mm down in its slot.')).toBeTruthy()
  expect(screen.getByText(/within tolerance/)).toBeTruthy()
  const box = screen.getByRole('textbox', { name: 'Frame to the left wall end' })
  fireEvent.change(box, { target: { value: '500' } })
  fireEvent.keyDown(box, { key: 'Enter' })
  const kept = { pointer: '/hang/readings/-', value: { gap_left_mm: '500', day: expect.any(String) } }
  await vi.waitFor(() => expect(edit).toHaveBeenCalledWith([kept]))
  fireEvent.click(screen.getByRole('button', { name: 'Remove reading 1' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/hang/readings/h1', value: null }])
  cleanup()
  shown(Acts, { hang: HANG })
  expect(screen.getAllByRole('listitem')).toHaveLength(2)
  expect(screen.getByText('Nothing holds the bottom.')).toBeTruthy()
})

const CAST = {
  job_id: 'j',
  job_name: 'Loft',
  code: 'ABCDEF',
  pattern: 'cross',
  u: 0.5,
  v: 0.25,
  markers: [],
  picture: [],
  table: { outlines: [], wall: [], why: '', warnings: [], points: [], aspect: 16 / 9 },
}
const cast = (more: object) => render(<Pattern cast={{ ...CAST, ...more } as unknown as CastOut} />).container

test('the cross stands at its share of the window, on a half pixel', () => {
  const path = cast({}).querySelector('path')?.getAttribute('d') ?? ''
  const x = Math.round(window.innerWidth / 2) + 0.5
  const y = Math.round(window.innerHeight / 4) + 0.5
  expect(path).toContain(` ${y}h`)
  expect(path).toContain(`M${x} `)
})

test('every pattern draws something but white and black, and wall marks bear their names', () => {
  for (const pattern of ['corners', 'grid', 'focus', 'greys', 'lines']) {
    expect(cast({ pattern }).querySelectorAll('path, rect').length).toBeGreaterThan(4)
    cleanup()
  }
  for (const pattern of ['white', 'black']) {
    expect(cast({ pattern }).querySelectorAll('path, rect')).toHaveLength(0)
    cleanup()
  }
  const wall = [
    {
      points: [
        [0.1, 0.2],
        [0.3, 0.2],
      ],
      closed: false,
      text: 'upper left',
      thin: false,
      line: 0,
    },
  ]
  expect(cast({ pattern: 'wall', table: { ...CAST.table, wall } }).textContent).toBe('upper left')
  cleanup()
  const cells = Array.from({ length: 6 }, (_, row) => Array.from({ length: 6 }, (_, at) => row === 2 && at === 3))
  const markers = [
    {
      corners: [
        [0.1, 0.1],
        [0.2, 0.1],
        [0.2, 0.3],
        [0.1, 0.3],
      ],
      cells,
    },
  ]
  expect(cast({ pattern: 'markers', markers }).querySelectorAll('rect')).toHaveLength(2) // the black square, one white cell
})

test('a picture taped on the wall is kept with all eight readings, none less', async () => {
  const edit = shown(Pictured, { hang: { pictures: [] } })
  const boxes = screen.getAllByRole('textbox').slice(0, 8) // the ninth, the lens, may stay empty
  const keep = screen.getByRole('button', { name: 'Keep these corners' }) as HTMLButtonElement
  for (const [at, box] of boxes.entries()) {
    expect(keep.disabled).toBe(true)
    fireEvent.change(box, { target: { value: String(at) } })
  }
  fireEvent.click(keep)
  const value = { tl_x_mm: '0', tl_y_mm: '1', tr_x_mm: '2', tr_y_mm: '3', br_x_mm: '4', br_y_mm: '5', bl_x_mm: '6', bl_y_mm: '7' }
  const kept = { pointer: '/hang/picture/-', value: { ...value, day: expect.any(String) } }
  await vi.waitFor(() => expect(edit).toHaveBeenCalledWith([kept]))
})
