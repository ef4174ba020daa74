import { useState } from 'react'

/** A window over a row of candidates: as many as there is room for, moving with the one that is looked at. */
export const usePaged = (count: number, room: number, looked: number) => {
  const [from, setFrom] = useState(0)
  const most = Math.max(1, Math.min(room, count))
  const last = Math.max(0, count - most)
  const kept = Math.min(from, last)
  const start = looked < 0 ? kept : looked < kept ? looked : looked >= kept + most ? looked - most + 1 : kept
  if (start !== from) setFrom(start)
  const turn = (by: 1 | -1) => setFrom(Math.max(0, Math.min(last, start + by * most)))
  return { start, end: start + most, turn, whole: count <= most }
}
