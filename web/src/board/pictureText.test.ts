import { expect, test } from 'vitest'
import { typePx } from './pictureText'

test('a text of the picture is as large as its room lets it, and only the size itself stays in too small a one', () => {
  expect(typePx('127\u00a01\u20444\u2033 × 53\u00a01\u20444\u2033', 'large', 270, 150)).toBe(32)
  expect(typePx('3560 × 2225\u00a0mm', 'large', 150, 150)).toBe(17)
  expect(typePx('3560 × 2225\u00a0mm', 'large', 60, 150)).toBe(14)
  expect(typePx('16:10, 4198\u00a0mm corner to corner', 'text', 150, 150)).toBeNull()
})
