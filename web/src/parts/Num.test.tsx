import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { Num, Rich, typeable } from './Num'

afterEach(cleanup)

test('a fraction is stacked for the eye and spoken as a fraction', () => {
  render(<Num text={'8′\u00a02\u00a05⁄16″'} />)
  const stack = document.querySelector('.frac')
  expect([...(stack?.children ?? [])].map((one) => one.textContent)).toEqual(['5', '16'])
  expect(stack?.getAttribute('aria-hidden')).toBe('true')
  expect(document.querySelector('.sr-only')?.textContent?.trim()).toBe('5/16')
  expect([...document.querySelectorAll('.unit')].map((one) => one.textContent)).toEqual(['′', '″'])
})

test('a sentence keeps its words round the fractions', () => {
  render(
    <p data-testid="said">
      <Rich text={'clash by 4\u00a07⁄8″, not 1⁄2″.'} />
    </p>,
  )
  const words = screen.getByTestId('said').cloneNode(true) as HTMLElement
  for (const hidden of words.querySelectorAll('.frac')) hidden.remove()
  expect(words.textContent).toBe('clash by 4 7/8″, not  1/2″.')
})

test('what is shown can be typed back', () => {
  expect(typeable('−8′\u00a02\u00a01⁄2″')).toBe('-8\' 2 1/2"')
  expect(typeable('3560\u00a0mm')).toBe('3560 mm')
})
