import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import type { JobOut, Plan, StepRow, ThingList as Things } from '../api/client'
import { JobContext } from '../job/context'
import type { JobHandle } from '../job/useJob'
import { StationPanel } from './StationPanel'
import { ThingList } from './survey/ThingList'
import { StepStrip } from './tension/StepStrip'
import { ToMeasure } from './wall/ToMeasure'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const within = (children: ReactNode, edit = vi.fn(async () => undefined)) => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  render(
    <MemoryRouter>
      <QueryClientProvider client={client}>
        <JobContext value={{ edit, saved: { id: 'j', version: 1 }, look: { current: { open: [] } } } as unknown as JobHandle}>
          {children}
        </JobContext>
      </QueryClientProvider>
    </MemoryRouter>,
  )
  return edit
}

test('a step says where, which points, what the tape reads; the last one is done too, and a look over the face follows', () => {
  const steps = [
    { number: 1, part: 'Corners', place: 'top left corner', action: 'hook', numbers: [1, 60], said: '1, 60', partners: [], partner_place: '', tapes: [{ edge: 'top rail', numbers: [1], readings: ['50\u00a0mm'], run: false }, { edge: 'left stile', numbers: [60], readings: ['50\u00a0mm'], run: false }], who: '', reason: 'why' },
    { number: 2, part: 'Fill', place: 'bottom', action: 'staple', numbers: [9, 8, 7], partners: [21, 22, 23], said: '7 to 9 with 21 to 23', partner_place: 'top', tapes: [{ edge: 'bottom rail', numbers: [9, 7], readings: ['300\u00a0mm', '360\u00a0mm'], run: true }], who: 'both at once', reason: '' },
  ] // biome-ignore format: two steps by hand
  const onDone = vi.fn()
  const strip = (at: number) => (
    <StepStrip steps={steps as unknown as StepRow[]} after="Two lift the frame." at={at} onStep={vi.fn()} onDone={onDone} />
  )
  const { rerender } = render(strip(0))
  expect(screen.getByText(/top left corner/).textContent).toContain('1, 60')
  expect((screen.getByRole('button', { name: 'Step before' }) as HTMLButtonElement).disabled).toBe(true)
  fireEvent.click(screen.getByRole('button', { name: 'Done, next' }))
  expect(onDone).toHaveBeenCalledTimes(1)
  rerender(strip(1))
  expect(screen.getByText(/bottom and top/).textContent).toContain('7 to 9 with 21 to 23')
  fireEvent.click(screen.getByRole('button', { name: 'Done, look over' }))
  expect(onDone).toHaveBeenCalledTimes(2)
  rerender(strip(2))
  expect(screen.getByText('Look over the face').parentElement?.textContent).toContain('Two lift the frame.')
})

test('a thing of the survey is removed by its own id and the main seat is marked', () => {
  const cell = (field: string, label: string, text: string) => ({ field, label, text, known: 'measured' })
  const row = {
    id: 's7',
    name: 'Sofa',
    kind: '',
    main: false,
    pointer: '/survey/seats/s7',
    cells: [cell('x_mm', 'from left', '5′'), cell('eye_mm', 'eye', '')],
  }
  const list = { pointer: '/survey/seats', title: 'Seats', add: 'Add a seat', rows: [row], additions: [{ kind: '', changes: [{ pointer: '/survey/seats/-', value: { x_mm: 5 }, known: 'assumed' }] }] } // biome-ignore format: a list by hand
  const edit = within(<ThingList list={list as unknown as Things} />)
  fireEvent.click(screen.getByRole('button', { name: 'main' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/survey/seats/s7/main', value: true }])
  fireEvent.click(screen.getByRole('button', { name: 'Remove Sofa' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/survey/seats/s7', value: null }])
  fireEvent.click(screen.getByRole('button', { name: 'Add a seat' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/survey/seats/-', value: { x_mm: 5 }, known: 'assumed' }])
  expect(screen.getByRole('button', { name: /Sofa, eye:\s*usual/ })).toBeTruthy()
})

test('a panel shows what leads, folds detail under its gist, and remembers what was opened', () => {
  const figure = (key: string, label: string) => ({ key, label, text: '7″', known: 'computed', rests_on: [], entry: null })
  const part = (weight: string, title: string, key: string) => ({
    weight,
    title,
    rows: [key],
    widget: '',
    gist: weight === 'detail' ? 'play 4″' : '',
  })
  const plan = {
    stations: [{ key: 'wall', label: 'Wall' }], findings: [], refused: [], refused_marks: [], figures: [figure('upper', 'Upper holes'), figure('play', 'Side play')],
    panels: [{ station: 'wall', parts: [part('lead', '', 'upper'), part('detail', 'More', 'play')] }],
  } as unknown as Plan // biome-ignore format: a plan by hand
  const show = () => within(<StationPanel job={{} as JobOut} plan={plan} station="wall" />)
  show()
  expect(screen.getByText('Upper holes')).toBeTruthy()
  expect(screen.queryByText('Side play')).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: /More.*play 4″/ }))
  expect(screen.getByText('Side play')).toBeTruthy()
  cleanup()
  show()
  expect(screen.getByText('Side play')).toBeTruthy()
})

test('nothing to measure says nothing; else the most telling leads, with the chance of one trip', async () => {
  const rows = [
    { pointer: '/survey/stud_spacing_mm', effect: 'Moves the holes up to 246\u00a0mm.' },
    { pointer: '/wall/drop_mm', effect: 'Moves the upper holes 1:1.' },
  ]
  vi.stubGlobal('fetch', async () =>
    Response.json({
      rows,
      off: [],
      chance: '2 %',
      advice: '2 % chance; spacing measured, 87 %.',
      common: [],
      unlit: '',
      leads: '',
    }),
  )
  const open = [
    { label: 'Drop', text: '30\u00a0mm', effect: '', pointer: '/wall/drop_mm' },
    { label: 'Stud spacing', text: '406\u00a0mm', effect: '', pointer: '/survey/stud_spacing_mm' },
  ]
  within(<ToMeasure plan={{ to_measure: [] } as unknown as Plan} />)
  expect(screen.queryByRole('region')).toBeNull()
  cleanup()
  within(<ToMeasure plan={{ to_measure: open, figures: [{ key: 'drop', station: 'wall' }] } as unknown as Plan} />)
  const region = screen.getByRole('region', { name: 'Measure before you drill' })
  await waitFor(() => expect(region.textContent).toContain('spacing measured, 87'))
  expect(screen.getAllByRole('listitem').map((one) => one.textContent?.slice(0, 4))).toEqual(['Stud', 'Drop'])
})
