import { expect, test } from 'vitest'
import { isSafe } from './Updated'

test('a page is not reloaded while somebody types or chooses', () => {
  expect(isSafe(document)).toBe(true)
  const field = document.body.appendChild(document.createElement('input'))
  field.focus()
  expect(isSafe(document)).toBe(false)
  field.blur()
  expect(isSafe(document)).toBe(true)
  field.value = '3/16' // typed, and left for the tape
  expect(isSafe(document)).toBe(false)
  field.setAttribute('data-saved', 'true')
  expect(isSafe(document)).toBe(true)
  field.remove()
  const open = document.body.appendChild(document.createElement('div'))
  open.setAttribute('role', 'dialog')
  expect(isSafe(document)).toBe(false)
  open.remove()
})
