import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ask, Refused } from '../../api/client'
import { JobContext } from '../../job/context'
import type { JobHandle } from '../../job/useJob'
import { Photo } from './Photo'
import { Projector } from './Projector'
import { Remote } from './Remote'

const CAST = {
  job_id: 'j1',
  job_name: 'Loft',
  code: 'ABCDEF',
  pattern: 'cross',
  u: 0.5,
  v: 0.5,
  markers: [],
  table: { outlines: [], wall: [], why: '', warnings: [], points: [] as string[], aspect: 16 / 9 },
  joined: true,
  window: [] as string[],
}
const edit = vi.fn(async () => undefined)
let put: ReturnType<typeof vi.fn>

beforeEach(() => {
  edit.mockClear()
  put = vi.spyOn(ask, 'put').mockResolvedValue(CAST as never) as never
})
afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
})

const within = (node: ReactNode) =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <JobContext value={{ edit, saved: { id: 'j1', version: 3 } } as unknown as JobHandle}>{node}</JobContext>
    </QueryClientProvider>,
  )
const sent = () => put.mock.lastCall?.[1]

test('a pattern is chosen, the cross goes by its step and never out of the light', async () => {
  vi.spyOn(ask, 'get').mockResolvedValue({ ...CAST, u: 0.98 } as never)
  within(<Remote />)
  fireEvent.click(await screen.findByRole('button', { name: 'Grid' }))
  await vi.waitFor(() => expect(sent()).toMatchObject({ body: { pattern: 'grid', u: 0.98, v: 0.5 } }))
  fireEvent.click(screen.getByRole('button', { name: 'Cross right' }))
  await vi.waitFor(() => expect(sent()).toMatchObject({ body: { pattern: 'cross', u: 1, v: 0.5 } }))
  fireEvent.click(screen.getByRole('button', { name: 'fine' }))
  fireEvent.click(screen.getByRole('button', { name: 'Cross up' }))
  await vi.waitFor(() => expect(sent()).toMatchObject({ body: { pattern: 'cross', u: 0.98, v: 0.4995 } }))
})

test('a point of the cross is kept where it is lit, with what the tape reads there', async () => {
  vi.spyOn(ask, 'get').mockResolvedValue(CAST as never)
  within(<Remote />)
  const keep = await screen.findByRole('button', { name: 'Keep' })
  expect((keep as HTMLButtonElement).disabled).toBe(true)
  fireEvent.change(screen.getByRole('textbox', { name: /from the left wall end/ }), { target: { value: '100' } })
  fireEvent.change(screen.getByRole('textbox', { name: /above the floor/ }), { target: { value: '5 ft' } })
  fireEvent.click(keep)
  const point = { pointer: '/align/cast_points/-', value: { u: 0.5, v: 0.5, x_mm: '100', y_mm: '5 ft' } }
  await vi.waitFor(() => expect(edit).toHaveBeenCalledWith([point]))
})

test('with four points read, none is asked for, and the wall says what is not to be trusted', async () => {
  const table = { ...CAST.table, points: ['1', '2', '3', '4'], warnings: ['Hole heights still need the level.'] }
  vi.spyOn(ask, 'get').mockResolvedValue({ ...CAST, pattern: 'wall', table } as never)
  within(<Remote />)
  expect(await screen.findByText('Hole heights still need the level.')).toBeTruthy()
  expect(screen.queryByRole('textbox')).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: 'Read the cross anew' }))
  expect(edit).toHaveBeenCalledWith([{ pointer: '/align/cast_points', value: [] }])
})

const READ = {
  trouble: '',
  outside: { tl_x_mm: -3.2, tl_y_mm: 4 },
  typed: { tl_x_mm: '-3.2 mm', tl_y_mm: '4 mm' },
  said: '0.4 mm',
  sigma_mm: 0.4,
  sigma_up_mm: 0.2,
  width_px: 400,
  height_px: 300,
  frame_px: [
    [10, 10],
    [390, 10],
    [390, 290],
    [10, 290],
  ],
  picture_px: [
    [12, 12],
    [388, 12],
    [388, 288],
    [12, 288],
  ],
  markers: 11,
  possible: [] as object[],
}
const picked = () =>
  fireEvent.change(screen.getByLabelText('Photo of the lit screen'), {
    target: { files: [new File(['x'], 'screen.jpg', { type: 'image/jpeg' })] },
  })

test('a photo fills the numbers with their unit, and a corner moved by hand is read again', async () => {
  vi.spyOn(ask, 'post').mockResolvedValue({ id: 'p1' } as never)
  const get = vi.spyOn(ask, 'get').mockResolvedValue(READ as never)
  const onRead = vi.fn()
  within(<Photo onRead={onRead} />)
  picked()
  await vi.waitFor(() => expect(onRead).toHaveBeenCalledWith({ tl_x_mm: '-3.2 mm', tl_y_mm: '4 mm' }, 'p1'))
  expect(screen.getByText(/Read to ± 0.4 mm, 11 of 12 markers seen/)).toBeTruthy()
  const image = screen.getByRole('img', { name: 'The photo with the corners found in it' })
  const corners = image.querySelectorAll('circle')
  expect(corners).toHaveLength(4)
  Object.assign(image, { setPointerCapture: () => undefined })
  fireEvent.pointerDown(corners[0] as Element, { pointerId: 1 })
  fireEvent.pointerUp(image)
  await vi.waitFor(() => expect(get.mock.lastCall?.[1]).toMatchObject({ params: { query: { frame: READ.frame_px.flat() } } }))
})

test('a photo that is not trusted says why, fills nothing, and a refused file says so too', async () => {
  const post = vi.spyOn(ask, 'post').mockResolvedValue({ id: 'p1' } as never)
  vi.spyOn(ask, 'get').mockResolvedValue({ ...READ, trouble: 'The photo is too dark.', outside: {} } as never)
  const onRead = vi.fn()
  within(<Photo onRead={onRead} />)
  picked()
  expect(await screen.findByText('The photo is too dark.')).toBeTruthy()
  expect(onRead.mock.calls.every(([read, key]) => key === '' && Object.keys(read).length === 0)).toBe(true)
  // the corners can be set by hand, from where the markers have them
  expect(screen.getByRole('img', { name: 'The photo with the corners found in it' }).querySelectorAll('circle')).toHaveLength(4)
  post.mockRejectedValue(new Refused({ detail: 'A JPEG or a PNG is wanted here.' } as never))
  picked()
  expect(await screen.findByText('A JPEG or a PNG is wanted here.')).toBeTruthy()
})

test('a second photo of the same state is read together with the first, and one is left out by a tap', async () => {
  const WHOLE = {
    trouble: '',
    typed: { tl_x_mm: '-3.0 mm' },
    outside: {},
    sigma_mm: 0.2,
    sigma_up_mm: 0.1,
    said: '0.2 mm',
    photos: 2,
  }
  let kept = 0
  const post = vi.spyOn(ask, 'post').mockImplementation((async (path: string) => {
    if (path.endsWith('/together')) return WHOLE
    kept += 1
    return { id: `p${kept}` }
  }) as never)
  vi.spyOn(ask, 'get').mockImplementation((async (path: string) => (path.endsWith('/reading') ? READ : [])) as never)
  const onRead = vi.fn()
  within(<Photo onRead={onRead} />)
  picked()
  fireEvent.change(await screen.findByLabelText('One more photo of the same state'), {
    target: { files: [new File(['y'], 'aside.jpg', { type: 'image/jpeg' })] },
  })
  expect(await screen.findByText(/2 photos together read to ± 0.2 mm/)).toBeTruthy()
  expect(onRead).toHaveBeenLastCalledWith(WHOLE.typed, 'p2')
  expect(post.mock.lastCall?.[1]).toMatchObject({ body: { photos: [{ photo: 'p1' }, { photo: 'p2' }] } })
  fireEvent.click(screen.getByRole('button', { name: 'Leave photo 1 out' }))
  expect(await screen.findByText(/Read to ± 0.4 mm/)).toBeTruthy()
  expect(onRead).toHaveBeenLastCalledWith(READ.typed, 'p2')
})

const PROJECTOR = {
  name: 'Loft',
  model: 'P',
  power: 'on',
  light: true,
  input: 'HDMI 1',
  inputs: ['HDMI 1', 'HDMI 2'],
  memory: null,
  memories: ['1'],
  zoom: 1.6,
  zoom_range: [1.3, 2.1],
  shift_h: 0,
  shift_h_range: [-24, 24],
  shift_v: 12,
  shift_v_range: [-60, 60],
  lamp_h: 412,
  errors: ['filter full'],
}

test('a projector is asked only by a tap; its light goes off by one more, and its no is said', async () => {
  const get = vi
    .spyOn(ask, 'get')
    .mockImplementation((async (path: string) => (path === '/api/projectors' ? ['Loft'] : PROJECTOR)) as never)
  within(<Projector />)
  const first = await screen.findByRole('button', { name: 'Ask Loft' })
  expect(get).toHaveBeenCalledTimes(1)
  fireEvent.click(first)
  const off = await screen.findByRole('button', { name: 'Light off' })
  expect(screen.getByText('filter full')).toBeTruthy()
  put.mockResolvedValue({ ...PROJECTOR, light: false } as never)
  fireEvent.click(off)
  await vi.waitFor(() => expect(sent()).toMatchObject({ body: { settings: [{ what: 'light', value: 'off' }] } }))
  expect(await screen.findByText(/It answered that its light is off. See that the wall is dark/)).toBeTruthy()
  put.mockRejectedValue(new Refused({ detail: 'The projector says no: it is cooling.' } as never))
  fireEvent.click(screen.getByRole('button', { name: 'Power off' }))
  expect(await screen.findByText(/The projector says no: it is cooling. Nothing is known of its light/)).toBeTruthy()
  expect(screen.queryByText(/its light is off\. See/)).toBeNull() // the tap may have been obeyed, its answer lost
})
