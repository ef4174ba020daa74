import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import * as file from '../api/file'
import { useSheet } from './useSheet'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

const answers = (states: string[], last: () => Response) => {
  const asked: string[] = []
  vi.stubGlobal('fetch', async (request: Request | string) => {
    const method = typeof request === 'string' ? 'GET' : request.method
    const path = typeof request === 'string' ? request : new URL(request.url).pathname
    asked.push(`${method} ${path}`)
    if (method === 'DELETE') return new Response(null, { status: 204 })
    if (path.startsWith('/api/work/')) return Response.json({ work: 'k', state: states.shift() ?? 'done', progress: 0.2 })
    return states.length > 0 ? Response.json({ work: 'k', state: 'waiting', progress: 0 }, { status: 202 }) : last()
  })
  return asked
}

test('a sheet that takes longer is followed and kept under the name it was sent with', async () => {
  const kept = vi.spyOn(file, 'keepFile').mockImplementation(() => undefined)
  const pdf = () => new Response('%PDF', { headers: { 'content-disposition': "attachment; filename*=UTF-8''Mill%20loft.pdf" } })
  answers(['working', 'done'], pdf)
  const { result } = renderHook(useSheet)
  act(() => void result.current.make('Wall sheet', '/api/jobs/j/sheets/wall-sheet'))
  await waitFor(() => expect(result.current.making?.progress).toBe(0.2), { timeout: 3000 })
  await waitFor(() => expect(result.current.making).toBeNull(), { timeout: 3000 })
  expect(kept.mock.calls[0]?.[0].name).toBe('Mill loft.pdf')
})

test('stopping ends the work there too; a sheet that fails says why', async () => {
  const asked = answers(Array(50).fill('working'), () => new Response())
  const { result } = renderHook(useSheet)
  act(() => void result.current.make('Wall sheet', '/api/jobs/j/sheets/wall-sheet'))
  await waitFor(() => expect(result.current.making?.progress).toBe(0.2), { timeout: 3000 })
  act(() => result.current.stop())
  await waitFor(() => expect(asked).toContain('DELETE /api/work/k'), { timeout: 3000 })
  const problem = { type: '/problems/work-failed', detail: 'This took longer than 120 seconds.' }
  answers([], () => Response.json(problem, { status: 422 }))
  await act(() => result.current.make('Wall sheet', '/api/jobs/j/sheets/wall-sheet'))
  expect(result.current.making).toMatchObject({ label: 'Wall sheet', trouble: 'This took longer than 120 seconds.' })
})
