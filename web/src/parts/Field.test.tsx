import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { type Edit, type Figure, Refused } from '../api/client'
import { keys } from '../api/keys'
import { JobContext } from '../job/context'
import type { JobHandle } from '../job/useJob'
import { Field } from './Field'
import { FigureRow } from './FigureRow'

afterEach(cleanup)

const working = { formula: 'entered', terms: [], substituted: '', result: '', rounding: '', source: 'entered for this job' }
const figure = (more: Partial<Figure>): Figure => ({
  key: 'ceiling',
  station: 'survey',
  label: 'Ceiling',
  value: 2440,
  unit: 'mm',
  text: '96\u00a01⁄16″',
  known: 'measured',
  rests_on: [],
  usual: [],
  working,
  entry: { pointer: '/survey/ceiling_mm', kind: 'length', choices: [], given: true, fact: true, source: '' },
  ...more,
})

const known = new QueryClient()
known.setQueryData(keys.fields, [{ key: 'ceiling', label: 'Ceiling', says: 'From the finished floor up.' }])

const show = (one: Figure, edit: (edits: Edit[]) => Promise<void>) =>
  render(
    <QueryClientProvider client={known}>
      <JobContext value={{ edit, markKnown: vi.fn() } as unknown as JobHandle}>
        <Field figure={one} />
      </JobContext>
    </QueryClientProvider>,
  )

test('a value is typed as people type it and sent as it was typed', async () => {
  const edit = vi.fn(async () => undefined)
  show(figure({}), edit)
  fireEvent.click(screen.getByRole('button', { name: /^Ceiling:\s*96/ }))
  const input = screen.getByRole('textbox', { name: 'Ceiling' })
  expect((input as HTMLInputElement).value).toBe('96 1/16"')
  expect(screen.getByText('From the finished floor up.')).toBeTruthy() // what it is stands by while it is typed
  fireEvent.change(input, { target: { value: '8\' 2 1/2"' } })
  fireEvent.keyDown(input, { key: 'Enter' })
  await waitFor(() => expect(screen.queryByRole('textbox')).toBeNull())
  expect(edit).toHaveBeenCalledWith([{ pointer: '/survey/ceiling_mm', value: '8\' 2 1/2"' }])
})

test('what is refused stays, with its reason, until it is put right or let go', async () => {
  const problem = {
    detail: '“high” is not a unit',
    errors: [{ pointer: '/survey/ceiling_mm', text: '“high” is not a unit', typed: 'high' }],
  }
  const edit = vi.fn(() => Promise.reject(new Refused(problem as never)))
  show(figure({}), edit)
  fireEvent.click(screen.getByRole('button', { name: /^Ceiling:\s*96/ }))
  const input = screen.getByRole('textbox', { name: 'Ceiling' })
  fireEvent.change(input, { target: { value: 'high' } })
  fireEvent.keyDown(input, { key: 'Enter' })
  expect((await screen.findByRole('alert')).textContent).toBe('“high” is not a unit')
  expect((screen.getByRole('textbox') as HTMLInputElement).value).toBe('high')
  fireEvent.keyDown(input, { key: 'Escape' })
  expect(screen.queryByRole('textbox')).toBeNull()
  expect(screen.queryByRole('alert')).toBeNull()
})

test('a save that comes back late leaves the focus where it went meanwhile', async () => {
  let answer = () => {}
  const edit = vi.fn(() => new Promise<void>((resolve) => (answer = resolve)))
  const floor = figure({ key: 'floor', label: 'Floor', entry: { ...figure({}).entry, pointer: '/floor' } as Figure['entry'] })
  render(
    <QueryClientProvider client={known}>
      <JobContext value={{ edit, markKnown: vi.fn() } as unknown as JobHandle}>
        <Field figure={figure({})} />
        <Field figure={floor} />
      </JobContext>
    </QueryClientProvider>,
  )
  fireEvent.click(screen.getByRole('button', { name: /^Ceiling:\s*96/ }))
  fireEvent.change(screen.getByRole('textbox'), { target: { value: '97' } })
  fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' })
  fireEvent.click(screen.getByRole('button', { name: /^Floor:\s*96/ }))
  const next = screen.getByRole('textbox', { name: 'Floor' })
  expect(document.activeElement).toBe(next)
  answer()
  await waitFor(() => expect(screen.queryByRole('textbox', { name: 'Ceiling' })).toBeNull())
  expect(document.activeElement).toBe(next)
})

test('an emptied field goes back to the default; leaving it untouched sends nothing', () => {
  const edit = vi.fn(async () => undefined)
  show(figure({}), edit)
  fireEvent.click(screen.getByRole('button', { name: /^Ceiling:\s*96/ }))
  fireEvent.blur(screen.getByRole('textbox'))
  expect(edit).not.toHaveBeenCalled()
  fireEvent.click(screen.getByRole('button', { name: /^Ceiling:\s*96/ }))
  fireEvent.change(screen.getByRole('textbox'), { target: { value: '  ' } })
  fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' })
  expect(edit).toHaveBeenCalledWith([{ pointer: '/survey/ceiling_mm', value: null }])
})

test('a switch says its state and turns it', () => {
  const edit = vi.fn(async () => undefined)
  show(
    figure({
      value: false,
      text: 'no',
      entry: { pointer: '/throw/hung', kind: 'switch', choices: [], given: true, fact: false, source: '' },
    }),
    edit,
  )
  const turn = screen.getByRole('switch', { name: 'Ceiling' })
  expect(turn.getAttribute('aria-checked')).toBe('false')
  fireEvent.click(turn)
  expect(edit).toHaveBeenCalledWith([{ pointer: '/throw/hung', value: true }])
})

test('a figure opens its working, with what it rests on and what is usual', () => {
  const assumption = (key: string, label: string, text: string) => ({ key, label, text, pointer: '', fact: true })
  const assumptions = [assumption('drop', 'Drop', '30\u00a0mm'), assumption('fill', 'Fill pitch', '70\u00a0mm')]
  const row = figure({
    key: 'upper', label: 'Upper holes', known: 'computed', rests_on: ['drop'], usual: ['fill'], entry: null,
    working: { ...working, formula: 'frame top − drop', substituted: '83.875 in − 1.181 in', source: 'marked from the datum' },
  }) // biome-ignore format: one line a thought
  const look = { current: { open: [] as string[] } }
  const job = { look, shown: { plan: { assumptions } }, saved: { id: 'j', version: 1 } } as unknown as JobHandle
  const client = new QueryClient()
  client.setQueryData(keys.compared('payoff', 'j', 1), {
    rows: [],
    off: [{ key: 'upper', text: '± 10\u00a0mm', rests: 'drop ± 10\u00a0mm' }],
  })
  render(
    <QueryClientProvider client={client}>
      <JobContext value={job}>
        <FigureRow figure={row} />
      </JobContext>
    </QueryClientProvider>,
  )
  expect(screen.getByRole('img', { name: 'computed, rests on an assumption' })).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: /Upper holes/ }))
  expect(screen.getByText('frame top − drop')).toBeTruthy()
  expect(screen.getByText(/drop 30/)).toBeTruthy()
  expect(screen.getByText(/fill pitch 70/)).toBeTruthy()
  expect(screen.getByText(/± 10.*from drop ± 10/)).toBeTruthy()
  expect(look.current.open).toEqual(['upper'])
  fireEvent.click(screen.getByRole('button', { name: /Upper holes/ }))
  expect(look.current.open).toEqual([])
})

test('a list of lines comes from a file whole, and one that is refused stays to be put right', async () => {
  const entry = { pointer: '/tension/own_order', kind: 'lines' as const, choices: [], given: false, fact: false, source: '' }
  const edit = vi.fn(async () => undefined)
  edit.mockImplementationOnce(() => Promise.reject(new Refused({ detail: 'too long', errors: [] } as never)))
  show(figure({ key: 'own_order', label: 'Own order of points', text: '', entry }), edit)
  const pick = screen.getByLabelText('Own order of points, from a file')
  fireEvent.change(pick, { target: { files: [new File(['1+31\n16+46\n'], 'order.csv')] } })
  const written = await screen.findByRole('textbox', { name: 'Own order of points' })
  await waitFor(() => expect(written.getAttribute('aria-invalid')).toBe('true'))
  expect((written as HTMLTextAreaElement).value).toBe('1+31\n16+46\n')
  fireEvent.keyDown(written, { key: 'Enter' })
  expect(edit).toHaveBeenCalledTimes(1) // Enter begins a line
  fireEvent.keyDown(written, { key: 'Enter', ctrlKey: true })
  await waitFor(() => expect(screen.queryByRole('textbox')).toBeNull())
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/tension/own_order', value: '1+31\n16+46' }])
})
