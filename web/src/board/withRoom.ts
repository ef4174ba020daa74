import type { Label } from '../api/client'
import { apart, type Room } from './apart'
import { type Sheet, toPx } from './sheet'

export const TEXT_PX = 17 // the height of a text that labels were lifted by
const ADVANCE_PX = 8.2 // the mean letter
const HIGH_PX = 19
const STACKED = /\u00a0?\d+\u2044\d+/g // a stacked fraction takes about one letter
const FORBIDS = ['hole-refused', 'limit']
const SIDE = { start: 0.5, middle: 0, end: -0.5 }

const roomOf = (mark: Label, sheet: Sheet): Room => {
  const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0] ?? 0, yMm: mark.at[1] ?? 0 })
  const widthPx = mark.text.replace(STACKED, 'x').length * ADVANCE_PX
  return { xPx: xPx + SIDE[mark.anchor] * widthPx, yPx: yPx - mark.lift * TEXT_PX, widthPx, heightPx: HIGH_PX }
}

/**
 * On a phone the drawing is small and its words are not: those that run into a number on a dimension line, into the size,
 * or into a word before them are left out. What forbids comes first.
 */
export const withRoom = (labels: readonly Label[], tags: readonly Room[], sheet: Sheet): Label[] => {
  const rank = (mark: Label) => (mark.role === 'picture' ? 0 : FORBIDS.includes(mark.role) ? 1 : 2)
  const ordered = [...labels].sort((a, b) => rank(a) - rank(b))
  const all: { room: Room; mark: Label | null }[] = [
    ...tags.map((room) => ({ room, mark: null })),
    ...ordered.map((mark) => ({ room: roomOf(mark, sheet), mark })),
  ]
  const kept = new Set(apart(all, (one) => one.room).map((one) => one.mark))
  return labels.filter((mark) => mark.role === 'picture' || kept.has(mark))
}
