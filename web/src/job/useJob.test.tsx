import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { seenBuild } from '../api/build'
import { Refused } from '../api/client'
import { keepPending, readPending } from './pending'
import { useJob } from './useJob'

const figure = (key: string, text: string) => ({ key, text, rests_on: [key] })
const PLAN = {
  figures: [figure('a', '1'), figure('b', '2')],
  findings: [{ text: 'stays' }, { text: 'ends' }],
  stations: [],
  to_measure: [],
  tables: { steps: null },
}
const DRAWING = { side: { name: 'side', marks: [{ key: 'x' }, { key: 'y' }] }, tape: [] }
const PREVIEW = {
  figures: [{ key: 'a', value: 9, text: '9' }], opened: [], gone: ['b'], findings: [{ text: 'new' }, 0], stations: [], to_measure: null,
  tables: {}, tape: null, face: { name: 'side', bounds: null, marks: [{ key: 'y', moved: true }, { key: 'z' }], gone: ['x'] },
} // biome-ignore format: a preview by hand

type Answer = { status: number; body: object } | 'away'
type Asked = { path: string; method: string; match: string | null; key: string | null; body: unknown }

/** A server of one job, scripted: what it answers next, and what it was asked. */
const serverOf = (script: Answer[]) => {
  const asked: Asked[] = []
  let version = 1
  const job = () => ({ id: 'j', version, document: { name: 'x' }, plan: PLAN, drawing: DRAWING })
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    const body: unknown =
      request.method === 'POST'
        ? await request
            .clone()
            .json()
            .catch(() => null)
        : null
    asked.push({
      path,
      method: request.method,
      match: request.headers.get('if-match'),
      key: request.headers.get('idempotency-key'),
      body,
    })
    if (request.method === 'GET') return Response.json(path.endsWith('/ready') ? { ok: true } : job())
    if (path.endsWith('/preview')) return Response.json(PREVIEW)
    const next = script.shift() ?? { status: 200, body: {} }
    if (next === 'away') throw new TypeError('network')
    if (next.status === 200) {
      version += 1
      return Response.json(job())
    }
    return new Response(JSON.stringify(next.body), {
      status: next.status,
      headers: { 'content-type': 'application/problem+json' },
    })
  })
  return { asked, saved: () => version }
}

const open = async () => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  const hook = renderHook(() => useJob('j'), { wrapper })
  await waitFor(() => expect(hook.result.current.saved).toBeDefined())
  return hook
}

const edit = (value: string) => [{ pointer: '/name', value }]

beforeEach(() => localStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

test('edits are saved one after the other, each over the version before it', async () => {
  const server = serverOf([])
  const { result } = await open()
  await act(() => Promise.all([result.current.edit(edit('a')), result.current.edit(edit('b'))]).then(() => undefined))
  const posts = server.asked.filter((one) => one.method === 'POST')
  expect(posts.map((one) => one.match)).toEqual(['"1"', '"2"'])
  expect(result.current.saved?.version).toBe(3)
  expect(readPending('j')).toEqual([])
})

test('undo pressed twice in a hurry goes back two steps, after what is being saved', async () => {
  const server = serverOf([])
  const { result } = await open()
  await act(async () => {
    const { edit: save, step } = result.current
    await Promise.all([save(edit('a')), step('undo'), step('undo'), save(edit('b'))])
  })
  const posts = server.asked.filter((one) => one.method === 'POST')
  expect(posts.map((one) => [one.path.split('/').at(-1), one.match])).toEqual([
    ['edits', '"1"'],
    ['undo', '"2"'],
    ['undo', '"3"'],
    ['edits', '"4"'],
  ])
  expect(result.current.conflict).toBeNull()
})

test('a refused field is thrown to the one who typed it, and the next edit still goes through', async () => {
  const problem = { detail: 'write 113', status: 422, type: '/problems/bad-document', errors: [] }
  serverOf([{ status: 422, body: problem }])
  const { result } = await open()
  const told: unknown[] = []
  await act(async () => {
    await Promise.all([
      result.current.edit(edit('bad')).catch((error: unknown) => told.push(error)),
      result.current.edit(edit('good')),
    ])
  })
  expect(told[0]).toBeInstanceOf(Refused)
  expect(result.current.saved?.version).toBe(2)
  expect(readPending('j')).toEqual([])
})

test('an edit of a device that is not let in just now is kept, and saved when it is', async () => {
  const server = serverOf([
    { status: 401, body: { status: 401, detail: 'This device is not paired.', type: '/problems/not-paired' } },
  ])
  const { result } = await open()
  await act(() => result.current.edit(edit('kept')))
  expect([result.current.away, result.current.waiting]).toEqual(['This device is not paired.', 1])
  await waitFor(() => expect(server.saved()).toBe(2), { timeout: 4000 })
})

test('while the server is away edits are kept, in order, and saved when it is back', async () => {
  const server = serverOf(['away'])
  const { result } = await open()
  await act(() => result.current.edit(edit('kept')))
  expect(result.current.away).toBe('The server does not answer.')
  expect(result.current.waiting).toBe(1)
  expect(readPending('j')).toMatchObject([{ base: 1, edits: edit('kept') }])
  await waitFor(() => expect(result.current.away).toBe(''), { timeout: 4000 })
  expect(server.saved()).toBe(2)
  expect(readPending('j')).toEqual([])
  // the answer may have been lost after the save: the same edit comes under the same name
  const keys = server.asked.filter((one) => one.method === 'POST').map((one) => one.key)
  expect(keys[0]).toMatch(/^[0-9a-f-]{36}$/)
  expect(keys).toEqual([keys[0], keys[0]])
})

test('what an earlier page kept is saved by the next, over the version it was typed on', async () => {
  keepPending('j', [
    { key: 'k-1', base: 1, edits: edit('from before') },
    { key: 'k-2', base: 1, edits: edit('and after') },
    { key: 'k-3', base: 7, edits: edit('on another') },
  ])
  const server = serverOf([])
  await open()
  await waitFor(() => expect(server.saved()).toBe(4))
  const posts = server.asked.filter((one) => one.method === 'POST')
  expect(posts.map((one) => one.match)).toEqual(['"1"', '"2"', '"7"'])
  expect(posts[0]?.body).toEqual({ edits: edit('from before') })
})

test('a conflict is shown, and mine goes on top only when I say so', async () => {
  const differences = [{ label: 'Name', was: 'a', theirs: 'b', mine: 'mine' }]
  const current = { version: 5, who: 'Tove', what: 'place' }
  const server = serverOf([
    { status: 409, body: { status: 409, detail: 'meanwhile', type: '/problems/version-conflict', current, differences } },
  ])
  const { result } = await open()
  await act(() => result.current.edit(edit('mine')))
  expect(result.current.conflict).toMatchObject({ version: 5, who: 'Tove', differences })
  expect(server.saved()).toBe(1)
  expect(readPending('j')).toMatchObject([{ edits: edit('mine') }]) // also if the page is closed now
  await act(() => result.current.resolve(true))
  expect(result.current.conflict).toBeNull()
  expect(server.saved()).toBe(2)
})

test('a drag sends edits on a version, one request at a time, and shows what that changes until it is dropped', async () => {
  const server = serverOf([])
  const { result } = await open()
  await act(async () => {
    const all = ['1', '2', '3', '4'].map((value) => result.current.drag(edit(value), 'side'))
    await Promise.all(all)
  })
  const plans = server.asked.filter((one) => one.path.endsWith('/preview'))
  expect(plans.length).toBeLessThan(4)
  expect(plans.at(-1)?.body).toEqual({ version: 1, edits: edit('4'), face: 'side', station: '', open: [], shape: '' })
  expect(result.current.shown?.plan.figures).toMatchObject([{ key: 'a', value: 9, text: '9', rests_on: ['a'] }])
  expect(result.current.shown?.plan.findings).toEqual([{ text: 'new' }, { text: 'stays' }])
  expect(result.current.shown?.drawing.side.marks).toEqual([{ key: 'y', moved: true }, { key: 'z' }])
  await act(() => result.current.edit(edit('4')))
  expect(result.current.shown?.plan.figures).toHaveLength(2)
})

// last: a page never forgets that there are newer pages
test('what a later server refuses an older page stays kept for the new page', async () => {
  const problem = { detail: 'Field required.', status: 422, type: '/problems/bad-request', errors: [] }
  serverOf([{ status: 422, body: problem }])
  const { result } = await open()
  for (const build of ['1-a', '2-b']) seenBuild(new Response(null, { headers: { 'gantline-build': build } }))
  await act(() => result.current.edit(edit('typed on the old page')))
  expect(readPending('j')).toMatchObject([{ edits: edit('typed on the old page') }])
})
