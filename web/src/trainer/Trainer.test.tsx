import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ask } from '../api/client'
import { Trainer } from './Trainer'

const PRACTICE = {
  name: '1 · Mill loft, turned',
  aspect: 2.39,
  picture: [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ],
  target: [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ],
  outside: [0, 0, 0, 0, 0, 0, 0, 0],
  worst_mm: 12.3,
  within_mm: 3,
  home: false,
  kinds: ['turn', 'ratio'],
  par: 2,
  next: 'Rear of the body 3.0 mm to the left: its nose turns right',
  why: 'One side edge is taller than the other.',
  readings: [{ name: 'top left', across: '3 mm', up: '−2 mm' }],
  worst: '12.3 mm',
  within: '3 mm',
  steps: { turn: '1 mm at the rear' },
  told: 'scene',
  photo: null,
}
let answers: object[] = []
const sent: { touches: { kind: string; steps: number }[] }[] = []

beforeEach(() => {
  answers = []
  sent.length = 0
  vi.spyOn(ask, 'get').mockResolvedValue([{ key: 'turned', name: '1 · Mill loft, turned' }] as never)
  vi.spyOn(ask, 'post').mockImplementation((async (_: unknown, init: { body: (typeof sent)[number] }) => {
    sent.push(init.body)
    return { ...PRACTICE, ...answers.shift() }
  }) as never)
})
afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
})

const open = async () => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Trainer />
      </MemoryRouter>
    </QueryClientProvider>,
  )
  await screen.findByText(/Farthest corner 12.3 mm off/)
}

test('touches of one kind after each other are one move, five steps with shift', async () => {
  await open()
  fireEvent.keyDown(window, { key: 'e' })
  fireEvent.keyDown(window, { key: 'E', shiftKey: true })
  fireEvent.keyDown(window, { key: '+' })
  await vi.waitFor(() =>
    expect(sent.at(-1)?.touches).toEqual([
      { kind: 'turn', steps: 6 },
      { kind: 'ratio', steps: 1 },
    ]),
  )
  expect(screen.getByText(/2 moves, the solver makes 2/)).toBeTruthy()
  fireEvent.keyDown(window, { key: 's' }) // nothing to tilt here
  expect(sent.at(-1)?.touches).toHaveLength(2)
})

test('why is told when it is asked for, and the end is counted', async () => {
  await open()
  expect(screen.queryByText(PRACTICE.why)).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: 'Show me why' }))
  expect(screen.getByText(PRACTICE.why)).toBeTruthy()
  answers.push({ home: true, worst_mm: 1.2 })
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Turn, E nose right' }))
  })
  expect(await screen.findByText(/^Home: 1 move in \d+ s, the solver makes/)).toBeTruthy()
  fireEvent.keyDown(window, { key: 'e' }) // home is home
  expect(sent.at(-1)?.touches).toEqual([{ kind: 'turn', steps: 1 }])
  fireEvent.click(screen.getByRole('button', { name: 'Again' }))
  await screen.findByText(/Farthest corner 12.3 mm off/)
  expect(sent.at(-1)?.touches).toEqual([])
})
