import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { JobOut } from '../api/client'
import { SheetsDialog } from './SheetsDialog'

const sheet = (key: string, label: string, leads: string, papers = true) => ({
  key, label, group: 'For the wall', note: papers ? 'PDF' : 'DXF, mm', papers, leads,
}) // biome-ignore format: a sheet by hand
const SHEETS = [
  sheet('wall-sheet', 'Wall sheet', 'stop'),
  sheet('cut-sheet', 'Cut sheet', ''),
  sheet('marks', 'Marks', '', false),
]
let asked: string[] = []

beforeEach(() => {
  asked = []
  vi.stubGlobal('fetch', async (input: Request | string) => {
    const url = new URL(typeof input === 'string' ? input : input.url, 'http://localhost')
    const method = typeof input === 'string' ? 'GET' : input.method
    asked.push(`${method} ${url.pathname}${url.search}`)
    if (url.pathname.endsWith('/sheets')) return Response.json(SHEETS)
    if (url.pathname === '/api/shop') return Response.json({ paper: method === 'PUT' ? 'letter' : 'a4' })
    if (url.pathname.endsWith('/pictures')) return Response.json({ pages: 2, pictures: ['aaaa', 'bbbb'] })
    return new Response('pdf', { headers: { 'content-disposition': "attachment; filename*=UTF-8''a.pdf" } })
  })
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined }))
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const show = () =>
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        <SheetsDialog job={{ id: 'j', version: 3 } as JobOut} onClose={vi.fn()} />
      </QueryClientProvider>
    </MemoryRouter>,
  )

test('each sheet is there once with what leads it, is seen before it is saved, and a file without pages is saved at once', async () => {
  show()
  const wall = await screen.findByRole('button', { name: /^Wall sheet.*led by a Stop/ })
  expect(screen.getAllByText('Wall sheet')).toHaveLength(1)
  fireEvent.click(wall)
  expect(await screen.findByRole('img', { name: 'Page 2 of the wall sheet' })).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Save PDF' }))
  await waitFor(() => expect(asked).toContain('GET /api/jobs/j/sheets/wall-sheet?paper=a4'))
  fireEvent.click(screen.getByRole('button', { name: /^Marks/ }))
  await waitFor(() => expect(asked).toContain('GET /api/jobs/j/sheets/marks?paper=a4'))
})

test('the pack holds what is ticked, on the paper that is chosen for the whole shop', async () => {
  show()
  fireEvent.click(await screen.findByLabelText('Cut sheet into the job pack'))
  fireEvent.click(screen.getByRole('button', { name: 'Letter' }))
  await waitFor(() => expect(asked).toContain('PUT /api/shop'))
  fireEvent.click(screen.getByRole('button', { name: 'Job pack, 1 sheet' }))
  await waitFor(() => expect(asked).toContain('GET /api/jobs/j/pack?sheets=wall-sheet&paper=letter'))
  fireEvent.click(screen.getByLabelText('Wall sheet into the job pack'))
  expect((screen.getByRole('button', { name: 'Job pack, 0 sheets' }) as HTMLButtonElement).disabled).toBe(true)
})
