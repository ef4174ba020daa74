import { afterEach, expect, test, vi } from 'vitest'
import { ask, Refused, ServerAway, toEdits } from './client'

afterEach(() => vi.unstubAllGlobals())

const health = (status: number, type = 'application/problem+json', body: object = {}) => {
  vi.stubGlobal('fetch', async () => new Response(JSON.stringify(body), { status, headers: { 'content-type': type } }))
  return ask.get('/api/health')
}

test('an answer is data, a refusal with its fields, or a server that is away', async () => {
  expect(await health(200, 'application/json', { ok: true, version: '1' })).toEqual({ ok: true, version: '1' })
  const problem = { detail: 'no', errors: [{ pointer: '/size/value_mm', text: 'write 113', typed: 'x' }] }
  const refused = await health(422, undefined, problem).catch((error: unknown) => error)
  expect(refused).toBeInstanceOf(Refused)
  expect((refused as Refused).about('/size/value_mm')).toBe('write 113')
  expect((refused as Refused).about('/elsewhere')).toBe('no')
  await expect(health(503)).rejects.toBeInstanceOf(ServerAway)
  await expect(health(404, 'text/html')).rejects.toBeInstanceOf(ServerAway)
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')))
  await expect(ask.get('/api/health')).rejects.toBeInstanceOf(ServerAway)
})

test('a typed text takes the open place of a dimension, and only that', () => {
  const changes = [
    { pointer: '/height/wish', value: 'frame-top', known: null },
    { pointer: '/height/wish_mm', value: null, known: null },
  ]
  expect(toEdits(changes, '83')).toEqual([
    { pointer: '/height/wish', value: 'frame-top' },
    { pointer: '/height/wish_mm', value: '83' },
  ])
  expect(toEdits([{ pointer: '/size/tidy', value: null, known: null }])).toEqual([{ pointer: '/size/tidy', value: null }])
})
