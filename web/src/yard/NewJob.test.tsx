import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { NewJob } from './NewJob'

afterEach(() => {
  cleanup()
  localStorage.clear()
  vi.unstubAllGlobals()
})

const DRAFT = {
  size: '93 × 52',
  diagonal: '107',
  starts: 'a viewing angle',
  why: 'Chosen for the main seat: it fills 40°.',
  fits: false,
  against: [{ severity: 'stop', text: 'The frame is wider than the wall.' }],
  missing: ['Projector: throw and brightness wait for it.'],
  front: null,
}
const problem = (errors: object[]) =>
  Response.json({ type: '/problems/bad-document', title: 'x', status: 422, detail: 'Refused.', errors }, { status: 422, headers: { 'content-type': 'application/problem+json' } }) // biome-ignore format: one answer

const shown = (answers: (path: string, body: Record<string, unknown>) => Response | undefined) => {
  const sent: [string, Record<string, unknown>][] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    const body =
      request.method === 'POST'
        ? ((await request
            .clone()
            .json()
            .catch(() => ({}))) as Record<string, unknown>)
        : {}
    sent.push([path, body])
    return answers(path, body) ?? (path.startsWith('/api/stores') ? Response.json([]) : Response.json(DRAFT))
  })
  const onMade = vi.fn()
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <NewJob onClose={vi.fn()} onMade={onMade} />
    </QueryClientProvider>,
  )
  return { sent, onMade }
}

test('the name has the first focus, and what is typed is answered beside it with what speaks against it', async () => {
  const { sent } = shown(() => undefined)
  await waitFor(() => expect(document.activeElement?.getAttribute('name')).toBe('name'))
  fireEvent.change(screen.getByLabelText('Wall width'), { target: { value: '150' } })
  await waitFor(() => expect(sent.some(([path, body]) => path === '/api/jobs/draft' && body.wall_width === '150')).toBe(true))
  expect(await screen.findByText(/it fills 40°/)).toBeTruthy()
  expect(screen.getByText(/wider than the wall/)).toBeTruthy()
  expect(screen.getByRole('list', { name: 'Still missing' }).textContent).toContain('Projector')
})

test('a refused field says so under itself, its meanings are one tap, and nothing typed is lost', async () => {
  const { sent } = shown((path, body) =>
    path === '/api/jobs/draft' && body.diagonal === '100'
      ? problem([{ pointer: '/diagonal', text: '100 of what?', choices: ['100 in', '100 cm'] }])
      : undefined,
  )
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Ferry' } })
  fireEvent.change(screen.getByLabelText('Diagonal'), { target: { value: '100' } })
  expect((await screen.findByRole('alert')).textContent).toContain('100 of what?')
  fireEvent.click(screen.getByRole('button', { name: '100 in' }))
  await waitFor(() => expect(sent.at(-1)?.[1].diagonal).toBe('100 in'))
  expect((screen.getByLabelText('Name') as HTMLInputElement).value).toBe('Ferry')
})

test('a job is made from what was typed, or from an example, and units are remembered', async () => {
  const { sent, onMade } = shown((path) =>
    path === '/api/jobs' || path.includes('/example/') ? Response.json({ id: 'j1' }) : undefined,
  )
  fireEvent.change(screen.getByLabelText('Lengths in'), { target: { value: 'cm' } })
  fireEvent.change(screen.getByLabelText('Ceiling height'), { target: { value: '244' } })
  fireEvent.click(screen.getByRole('button', { name: 'Create job' }))
  await waitFor(() => expect(onMade).toHaveBeenCalledWith({ id: 'j1' }))
  const made = sent.find(([path]) => path === '/api/jobs')?.[1]
  expect(made).toMatchObject({ ceiling: '244', units: { style: 'cm' } })
  expect(made && 'wall_width' in made).toBe(false)
  expect(localStorage.getItem('gantline.units')).toBe('cm')
  fireEvent.click(screen.getByRole('button', { name: 'a den, built by hand' }))
  await waitFor(() => expect(sent.some(([path]) => path === '/api/jobs/example/basement-den')).toBe(true))
})
