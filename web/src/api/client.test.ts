import { expect, test } from 'vitest'
import { ask, Refused, ServerAway, toEdits } from './client'

const answered = (status: number, type = 'application/problem+json', body: object = {}) =>
  Promise.resolve({
    data: status < 400 ? body : undefined,
    error: body,
    response: new Response(null, { status, headers: { 'content-type': type } }),
  })

test('an answer is data, a refusal with its fields, or a server that is away', async () => {
  expect(await ask(answered(200, 'application/json', { ok: true }))).toEqual({ ok: true })
  const problem = { detail: 'no', errors: [{ pointer: '/size/value_mm', text: 'write 113', typed: 'x' }] }
  const refused = await ask(answered(422, undefined, problem)).catch((error: unknown) => error)
  expect(refused).toBeInstanceOf(Refused)
  expect((refused as Refused).about('/size/value_mm')).toBe('write 113')
  expect((refused as Refused).about('/elsewhere')).toBe('no')
  await expect(ask(answered(503))).rejects.toBeInstanceOf(ServerAway)
  await expect(ask(answered(404, 'text/html'))).rejects.toBeInstanceOf(ServerAway)
  await expect(ask(Promise.reject(new TypeError('network')))).rejects.toBeInstanceOf(ServerAway)
})

test('a typed text takes the open place of a dimension, and only that', () => {
  const changes = [
    { pointer: '/height/wish', value: 'frame-top' },
    { pointer: '/height/wish_mm', value: null },
  ]
  expect(toEdits(changes, '83')).toEqual([
    { pointer: '/height/wish', value: 'frame-top' },
    { pointer: '/height/wish_mm', value: '83' },
  ])
  expect(toEdits([{ pointer: '/size/tidy', value: null }])).toEqual([{ pointer: '/size/tidy', value: null }])
})
