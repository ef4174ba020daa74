import type { Label } from '../api/client'
import type { Room } from './apart'
import { textPx } from './measure'
import { type PointPx, type Sheet, toPx } from './sheet'

export const TEXT_PX = 17 // the height of a text that labels were lifted by
export const SMALL_PX = 14.5
const HIGH_PX = 20
const AIR_PX = 3
const ROUND_PX = 20 // of a number that stands for a text in the key
const LED_PX = 26 // a text farther than this from its place is led to it by a line
const FORBIDS = ['hole-refused', 'limit']
const ANCHOR = { start: 0.5, middle: 0, end: -0.5 }
const BESIDE_PX = { start: 6, middle: 0, end: -6 }
const LIFTS = [0, -1, 1, -2, 2, -3, 3, -4, 4, -5, 5, -6, 6]
const ASIDE = [0, 0.5, -0.5, 1, -1, 1.6, -1.6]

/** Where one text stands: its room, the place it is led to by a line, the number it has in the key. */
export type Placed = { mark: Label; room: Room; led: PointPx | null; number: number | null }

const meet = (a: Room, b: Room) =>
  Math.abs(a.xPx - b.xPx) < (a.widthPx + b.widthPx) / 2 + AIR_PX && Math.abs(a.yPx - b.yPx) < (a.heightPx + b.heightPx) / 2

const inside = (room: Room, size: { width: number; height: number }) =>
  room.xPx - room.widthPx / 2 >= 1 &&
  room.xPx + room.widthPx / 2 <= size.width - 1 &&
  room.yPx - room.heightPx / 2 >= 0 &&
  room.yPx + room.heightPx / 2 <= size.height

/** The nearest place on the board: the same one where it is on it. */
const within = (place: PointPx, size: { width: number; height: number }): PointPx => {
  const edge = ROUND_PX / 2 + 1
  const xPx = Math.min(Math.max(place.xPx, edge), Math.max(edge, size.width - edge))
  const yPx = Math.min(Math.max(place.yPx, edge), Math.max(edge, size.height - edge))
  return xPx === place.xPx && yPx === place.yPx ? place : { xPx, yPx }
}

/**
 * Every text where it runs into none other, by the font's own widths: where it was meant to stand, else near by, else led
 * there by a line, else as a number that stands in the key. None is left out. What forbids has its place first; off the dots
 * where that can be.
 */
export const placeLabels = (
  labels: readonly Label[],
  fixed: readonly Room[],
  dots: readonly Room[],
  sheet: Sheet,
  size: { width: number; height: number },
): Placed[] => {
  const taken = [...fixed]
  const clear = (room: Room, of: readonly Room[]) => !of.some((other) => meet(room, other))
  const found = (all: readonly Room[]) => {
    const able = all.filter((room) => inside(room, size) && clear(room, taken))
    return able.find((room) => clear(room, dots)) ?? able[0]
  }
  const rank = (mark: Label) => (FORBIDS.includes(mark.role) ? 0 : mark.size === 'text' ? 1 : 2)
  const ordered = [...labels].sort((a, b) => rank(a) - rank(b))
  const out: Placed[] = []
  let numbers = 0
  for (const mark of ordered) {
    const real = toPx(sheet, { xMm: mark.at[0] ?? 0, yMm: mark.at[1] ?? 0 })
    const place = within(real, size) // what lies off the board is told at its edge
    const px = mark.size === 'small' ? SMALL_PX : 15.5
    const widthPx = textPx(mark.text, px) + 2
    const meant = {
      xPx: place.xPx + BESIDE_PX[mark.anchor] + ANCHOR[mark.anchor] * widthPx,
      yPx: place.yPx - mark.lift * TEXT_PX,
      widthPx,
      heightPx: HIGH_PX,
    }
    const free = found(spots(meant))
    if (free) {
      taken.push(free)
      const far = Math.hypot(free.xPx - meant.xPx, free.yPx - meant.yPx) > LED_PX
      out.push({ mark, room: free, led: far || real !== place ? real : null, number: null })
      continue
    }
    numbers += 1
    const round = { xPx: place.xPx, yPx: place.yPx, widthPx: ROUND_PX, heightPx: ROUND_PX }
    const seat = found(spots(round)) ?? round
    taken.push(seat)
    out.push({ mark, room: seat, led: null, number: numbers })
  }
  return out
}

/** Places near the one that was meant, the nearest first. */
const spots = (meant: Room): Room[] =>
  ASIDE.flatMap((aside) =>
    LIFTS.map((lift) => ({ ...meant, xPx: meant.xPx + aside * meant.widthPx, yPx: meant.yPx + lift * (meant.heightPx + 1) })),
  ).sort((a, b) => Math.hypot(a.xPx - meant.xPx, a.yPx - meant.yPx) - Math.hypot(b.xPx - meant.xPx, b.yPx - meant.yPx))

const KEY_HIGH_PX = 19
const STOPS = [0, 0.25, 0.5, 0.75, 1]

/** Where the key to the numbers stands: where it covers the least. */
export const placeKey = (keyed: readonly Placed[], taken: readonly Room[], size: { width: number; height: number }): Room => {
  const widthPx = Math.max(...keyed.map((one) => textPx(one.mark.text, 13.5))) + 44
  const heightPx = keyed.length * KEY_HIGH_PX + 10
  const covers = (room: Room) => taken.filter((other) => meet(room, other)).length
  const all = STOPS.flatMap((down) =>
    STOPS.map((across) => ({
      xPx: widthPx / 2 + 4 + across * Math.max(0, size.width - widthPx - 8),
      yPx: heightPx / 2 + 4 + (1 - down) * Math.max(0, size.height - heightPx - 8),
      widthPx,
      heightPx,
    })),
  )
  return all.reduce((best, room) => (covers(room) < covers(best) ? room : best))
}

/** Numbers on dimension lines moved along their line, then off it, until none runs into another. */
export const placeTags = <T>(
  tags: readonly T[],
  roomOf: (tag: T) => Room & { upright: boolean },
  fixed: readonly Room[] = [],
): Map<T, PointPx> => {
  const taken = [...fixed]
  const moved = new Map<T, PointPx>()
  for (const tag of tags) {
    const meant = roomOf(tag)
    const along = meant.upright ? { x: 0, y: 1 } : { x: 1, y: 0 }
    const steps = [0, 1, -1, 2, -2, 3, -3]
    const room = [0, 1, -1, 2, -2]
      .flatMap((off) =>
        steps.map((step) => ({
          ...meant,
          xPx: meant.xPx + step * along.x * (meant.widthPx * 0.55) + off * along.y * (meant.widthPx + 2),
          yPx: meant.yPx + step * along.y * (meant.heightPx * 0.55) + off * along.x * (meant.heightPx + 2),
        })),
      )
      .find((spot) => !taken.some((other) => meet(spot, other)))
    const spot = room ?? meant
    taken.push(spot)
    moved.set(tag, { xPx: spot.xPx - meant.xPx, yPx: spot.yPx - meant.yPx })
  }
  return moved
}
