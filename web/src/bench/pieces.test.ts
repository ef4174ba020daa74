import { expect, test } from 'vitest'
import { NOTHING, withPieces } from './pieces'

const piece = (body: unknown, picture: number[] = []) => {
  const text = new TextEncoder().encode(JSON.stringify(body))
  const out = new Uint8Array(8 + text.length + picture.length)
  const view = new DataView(out.buffer)
  view.setUint32(0, 4 + text.length + picture.length, true)
  view.setUint32(4, text.length, true)
  out.set(text, 8)
  out.set(picture, 8 + text.length)
  return out
}

test('a run is read from whatever comes, also when a piece is cut in two', () => {
  const all = [
    piece({ cells: [2, 1], layers: 4 }),
    piece({ step: 3, held: [1] }, [1, 2, 3, 4, 5, 6, 7, 8]),
    piece({ came: { evenness: 0.9 }, changes: [] }),
  ]
  const bytes = new Uint8Array(all.flatMap((one) => [...one]))
  for (const cut of [0, 5, 30, 60, bytes.length - 1]) {
    const first = withPieces(NOTHING, bytes.slice(0, cut))
    const whole = withPieces(first, bytes.slice(first.read))
    expect(whole.read).toBe(bytes.length)
    expect(whole.head?.cells).toEqual([2, 1])
    expect(whole.moments.map((one) => [one.step, [...one.picture]])).toEqual([[3, [1, 2, 3, 4, 5, 6, 7, 8]]])
    expect(whole.came?.evenness).toBe(0.9)
  }
})
