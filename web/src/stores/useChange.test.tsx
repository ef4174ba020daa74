import { act, renderHook, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { ask, Refused } from '../api/client'
import { useChange } from './useChange'

afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const ASKED = { kind: 'fabric', record: 'heron', name: 'Heron', typed: {}, style: 'mm' } as const
const job = (id: string) => ({ id, name: `Job ${id}`, stops: [], said: ['gain 1.0, was 0.95'] })

/** A piece of work whose lines come one after the other, each as far as the server has them. */
const working = (lines: readonly string[]) => {
  let looked = 0
  vi.stubGlobal('fetch', async (url: string) => {
    if (url.endsWith('/change')) return Response.json({ work: 'w', state: 'waiting', progress: 0 }, { status: 202 })
    const state = looked < lines.length ? 'working' : 'done'
    return new Response(lines[Math.min(looked++, lines.length - 1)], { headers: { 'x-state': state } })
  })
}

test('jobs are counted first and named as they come, a line that is half there is not read', async () => {
  const took = JSON.stringify({ took: 3 })
  working([`${took}\n`, `${took}\n${JSON.stringify(job('a'))}\n{"id": "b", "na`])
  const post = vi.spyOn(ask, 'post').mockResolvedValue({ took: 3, jobs: [job('a'), job('b')] } as never)
  const { result } = renderHook(() => useChange(ASKED))
  let asked: Promise<void> = Promise.resolve()
  act(() => {
    asked = result.current.look()
  })
  await waitFor(() => expect(result.current.change).toMatchObject({ took: 3, jobs: [], done: false }))
  await waitFor(() => expect(result.current.change?.jobs.map((one) => one.name)).toEqual(['Job a']))
  expect(post).not.toHaveBeenCalled()
  await act(() => asked)
  expect(result.current.change).toMatchObject({ took: 3, done: true, trouble: '' })
  expect(result.current.change?.jobs).toHaveLength(2)
})

test('what is refused is said, and nothing is named', async () => {
  vi.stubGlobal('fetch', async () => Response.json({}, { status: 422 }))
  vi.spyOn(ask, 'post').mockRejectedValue(new Refused({ detail: 'Gain is at most 5.' } as never))
  const { result } = renderHook(() => useChange(ASKED))
  await act(() => result.current.look())
  expect(result.current.change).toEqual({ took: null, jobs: [], done: true, trouble: 'Gain is at most 5.' })
})
