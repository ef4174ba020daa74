import { expect, test } from 'vitest'
import type { Label } from '../api/client'
import type { Room } from './apart'
import { placeLabels, placeTags } from './labelPlaces'

const SHEET = { leftPx: 0, basePx: 100, pxPerMm: 1, up: 1 } as const
const label = (key: string, x: number, y: number, role = 'load', text = 'a fitting') =>
  ({ kind: 'label', key, role, text, size: 'small', at: [x, y], anchor: 'middle', lift: 0 }) as unknown as Label
const meets = (a: Room, b: Room) =>
  Math.abs(a.xPx - b.xPx) < (a.widthPx + b.widthPx) / 2 && Math.abs(a.yPx - b.yPx) < (a.heightPx + b.heightPx) / 2
const pairs = (rooms: readonly Room[]) => rooms.flatMap((a, at) => rooms.slice(at + 1).map((b) => [a, b] as const))

test('thirty texts on one spot all stand, none on another: moved, led by a line, or numbered', () => {
  const crowd = Array.from({ length: 30 }, (_, at) => label(`l${at}`, 150 + (at % 3), 50 + (at % 2), at === 7 ? 'limit' : 'load'))
  const wall = { xPx: 60, yPx: 50, widthPx: 40, heightPx: 20 }
  const placed = placeLabels(crowd, [wall], [], SHEET, { width: 300, height: 100 })
  expect(placed).toHaveLength(30)
  expect(placed.find((one) => one.mark.role === 'limit')?.number).toBeNull()
  expect(placed.some((one) => one.number !== null)).toBe(true)
  const texts = placed.filter((one) => one.number === null).map((one) => one.room)
  expect(pairs([wall, ...texts]).filter(([a, b]) => meets(a, b))).toEqual([])
})

test('a text alone stays where it was meant, off a dot if it can', () => {
  const [alone] = placeLabels([label('a', 150, 50)], [], [], SHEET, { width: 300, height: 100 })
  expect([alone?.room.xPx, alone?.room.yPx, alone?.led]).toEqual([150, 50, null])
  const dot = { xPx: 150, yPx: 50, widthPx: 14, heightPx: 14 }
  const [off] = placeLabels([label('a', 150, 50)], [], [dot], SHEET, { width: 300, height: 100 })
  expect(off && meets(off.room, dot)).toBe(false)
})

test('what lies off the board is told at its edge, and a line goes its way', () => {
  const below = [label('a', 150, -400), label('b', 150, -400)]
  const placed = placeLabels(below, [], [], SHEET, { width: 300, height: 100 })
  expect(placed.map((one) => one.number)).toEqual([null, null])
  expect(placed.map((one) => [one.room.yPx > 50 && one.room.yPx < 100, one.led?.yPx])).toEqual([
    [true, 500],
    [true, 500],
  ])
})

test('numbers of short dimensions in one lane move along it until they can be read', () => {
  const rooms = [100, 110, 122].map((xPx) => ({ xPx, yPx: 20, widthPx: 60, heightPx: 28, upright: false }))
  const moved = placeTags(rooms, (room) => room)
  const now = rooms.map((room) => ({
    ...room,
    xPx: room.xPx + (moved.get(room)?.xPx ?? 0),
    yPx: room.yPx + (moved.get(room)?.yPx ?? 0),
  }))
  expect(pairs(now).filter(([a, b]) => meets(a, b))).toEqual([])
})
