import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, configure, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'

const BINNED = 'This job is not in the yard any more. Ask the office to look in the bin.'
const DAY = { version: 1, count: 0, standings: [], steps: [] }

/** A server that answers rows with these problems, one after the other, and then takes them. */
const phone = async (...problems: { status: number; type: string; detail: string }[]) => {
  const taken: string[] = []
  vi.stubGlobal(
    'WebSocket',
    class {
      close() {}
    },
  )
  vi.stubGlobal('fetch', async (request: Request) => {
    if (request.method === 'GET') return Response.json(DAY)
    const next = problems.shift()
    const headers = { 'content-type': 'application/problem+json' }
    if (next) return new Response(JSON.stringify(next), { status: next.status, headers })
    const { rows } = (await request.json()) as { rows: { step: string }[] }
    taken.push(...rows.map((row) => row.step))
    return Response.json({ version: 1, count: taken.length, standings: [], next: '' })
  })
  vi.resetModules() // another test's page was told of an update
  const { useDay } = await import('./useDay')
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  return { taken, result: renderHook(() => useDay('j'), { wrapper }).result }
}

beforeEach(() => {
  localStorage.clear()
  configure({ asyncUtilTimeout: 8000 })
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

test.each([
  { status: 401, type: '/problems/not-paired', detail: 'This device is not paired.' }, // as after a backup was restored
  { status: 429, type: '/problems/too-much', detail: 'This device asks too often.' },
  { status: 404, type: '/problems/no-such-job', detail: 'There is no such job.' }, // it lies in the bin
])('a tick that is not let in ($status) stays in the phone until it is', async (problem) => {
  vi.useFakeTimers({ shouldAdvanceTime: true })
  const { taken, result } = await phone(problem)
  await waitFor(() => expect(result.current.day).toBeDefined())
  act(() => result.current.tell('wall/studs', 'done'))
  await waitFor(() => expect(result.current.away).toBe(problem.status === 404 ? BINNED : problem.detail))
  expect([result.current.waiting, localStorage.getItem('gantline.day.j')]).toEqual([1, expect.stringContaining('wall/studs')])
  await vi.advanceTimersByTimeAsync(3000)
  await waitFor(() => expect([taken, result.current.waiting, result.current.away]).toEqual([['wall/studs'], 0, '']))
})

test('a tick that cannot be is said and does not hold up the next', async () => {
  const { taken, result } = await phone({ status: 422, type: '/problems/bad-document', detail: 'no' })
  await waitFor(() => expect(result.current.day).toBeDefined())
  act(() => result.current.tell('wall/none', 'done'))
  await waitFor(() => expect(result.current.trouble).toBe('no'))
  act(() => result.current.tell('wall/studs', 'done'))
  await waitFor(() => expect([taken, result.current.waiting]).toEqual([['wall/studs'], 0]))
})
