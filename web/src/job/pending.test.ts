import { beforeEach, expect, test } from 'vitest'
import { keepPending, readPending } from './pending'

beforeEach(() => localStorage.clear())

test('what was typed outlives the page, job by job, until it is saved', () => {
  const first = { key: 'k', base: 3, edits: [{ pointer: '/name', value: 'a' }] }
  keepPending('one', [first, first])
  keepPending('two', [first])
  expect(readPending('one')).toEqual([first, first])
  keepPending('one', [])
  expect(readPending('one')).toEqual([])
  expect(readPending('two')).toEqual([first])
})

test('a spoilt store is an empty one', () => {
  localStorage.setItem('gantline.pending.x', '{"not": "a list"}')
  expect(readPending('x')).toEqual([])
  localStorage.setItem('gantline.pending.x', '[[{"pointer": "/name"}], null, 7]')
  expect(readPending('x')).toEqual([])
  localStorage.setItem('gantline.pending.x', 'spoilt')
  expect(readPending('x')).toEqual([])
})
