import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import type { RecordTable } from '../api/client'
import { keyFor, RecordForm } from './RecordForm'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const entry = (key: string, label: string, kind: string, more = {}) => ({ key, label, kind, choices: [], columns: [], ...more })
const table = {
  telling: ['gain'],
  entries: [
    entry('gain', 'Gain', 'number'),
    entry('acoustic', 'Lets sound through', 'switch'),
    entry('along', 'Along the roll', 'choice', { choices: [['width', 'the width']] }),
    entry('parts', 'Parts', 'rows', { columns: [entry('name', 'Name of the part', 'text'), entry('count', 'Count', 'number')] }),
  ],
  records: [{ key: 'petrel', name: 'Petrel', texts: { gain: '0.8', parts: [{ name: 'rail', count: '4' }] }, further: { maker: 'Skua' }, drawn: [] }],
} as unknown as RecordTable // biome-ignore format: a table by hand

const shown = (record: string, answer: (request: Request) => Response) => {
  const sent: { path: string; method: string; body: Record<string, never> }[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const body = request.method === 'PUT' ? await request.clone().json() : {}
    sent.push({ path: new URL(request.url).pathname, method: request.method, body })
    if (request.url.endsWith('/uses')) return Response.json({ count: 2, jobs: [{ id: 'j', name: 'Mill loft', place: '' }] })
    return answer(request)
  })
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <RecordForm kind="fabric" record={record} table={table} style="mm" />
      </QueryClientProvider>
    </MemoryRouter>,
  )
  return sent
}

test('a record is changed field by field, and its lists row by row', async () => {
  const sent = shown('petrel', () => Response.json({ key: 'petrel' }))
  expect(screen.getByText('Skua')).toBeTruthy() // what the form does not know is seen
  expect((screen.getByRole('button', { name: 'Save' }) as HTMLButtonElement).disabled).toBe(true)
  fireEvent.change(screen.getByLabelText('Gain'), { target: { value: '0.9' } })
  fireEvent.click(screen.getByLabelText('Lets sound through'))
  fireEvent.change(screen.getByLabelText('Along the roll'), { target: { value: 'width' } })
  fireEvent.click(screen.getByRole('button', { name: 'Add a row' }))
  fireEvent.change(screen.getAllByLabelText('Name of the part')[1] as HTMLElement, { target: { value: 'stile' } })
  fireEvent.click(screen.getByRole('button', { name: 'Remove row 1 of Parts' }))
  fireEvent.click(screen.getByRole('button', { name: 'Save' }))
  await waitFor(() => expect(sent.some((one) => one.method === 'PUT')).toBe(true))
  const put = sent.find((one) => one.method === 'PUT')
  expect(put?.path).toBe('/api/stores/fabric/petrel/form')
  expect(put?.body).toMatchObject({
    name: 'Petrel',
    said: { gain: '0.9', acoustic: true, along: 'width', parts: [{ name: 'stile' }] },
    units: { style: 'mm' },
  })
  expect(await screen.findByText('Taken by 2 jobs')).toBeTruthy()
  expect(screen.getByText('and 1 more')).toBeTruthy()
})

test('a refused field says so where it stands and keeps what was typed', async () => {
  const refusal = { type: '/problems/bad-document', title: 'x', status: 422, detail: 'x', errors: [{ pointer: '/gain', text: 'No gain is this large.' }] } // biome-ignore format: one answer
  shown('petrel', () => Response.json(refusal, { status: 422, headers: { 'content-type': 'application/problem+json' } }))
  fireEvent.change(screen.getByLabelText('Gain'), { target: { value: '90' } })
  fireEvent.click(screen.getByRole('button', { name: 'Save' }))
  expect((await screen.findByRole('alert')).textContent).toBe('No gain is this large.')
  expect((screen.getByLabelText('Gain') as HTMLInputElement).value).toBe('90')
})

test('a new record has a key of its own', () => {
  expect(keyFor('Sable felt, 80', new Set())).toBe('sable-felt-80')
  expect(keyFor('Petrel', new Set(['petrel', 'petrel-2']))).toBe('petrel-3')
  expect(keyFor('¿?', new Set())).toBe('record')
  expect(keyFor('New', new Set())).toBe('new-2')
})
