import type { Mark, StationKey } from '../api/client'

/** What a station lights up; the rest of the board is dimmed, its dimensions rest. */
const LIT: Record<StationKey, readonly string[]> = {
  survey: ['survey', 'lamps'],
  size: ['size', 'light'],
  light: ['size', 'light', 'lamps'],
  height: ['size', 'light', 'height'],
  throw: ['size', 'throw'],
  wall: ['survey', 'size', 'wall'],
  tension: ['tension'],
}
const DIMENSIONS: Record<StationKey, readonly string[]> = {
  survey: ['survey', 'lamps'],
  size: ['size'],
  light: [],
  height: ['height'],
  throw: ['throw'],
  wall: ['wall'],
  tension: ['tension'],
}
/** Drawn even where they are not lit: what a wall consists of. */
const ALWAYS = new Set([
  'wall',
  'ceiling',
  'floor',
  'stud',
  'stud-predicted',
  'frame',
  'frame-clash',
  'picture',
  'datum',
  'hole',
  'fitting',
  'box',
  'seat',
  'seat-main',
  'back-wall',
])

/** Which stations let a handle of each layer be dragged. */
const HANDLES: Record<string, readonly StationKey[]> = {
  height: ['survey', 'size', 'light', 'height', 'wall'],
  throw: ['throw'],
  survey: ['survey', 'light'],
  lamps: ['survey', 'light'],
}

export const isLit = (mark: Mark, station: StationKey): boolean =>
  mark.layer === 'base' || mark.layer === 'content' || LIT[station].includes(mark.layer)

/** Whether a mark is drawn at all while this station is at work. */
export const isShown = (mark: Mark, station: StationKey): boolean => {
  // at Throw the picture is what the light does to it, so its own texts step back
  if (station === 'throw' && mark.kind === 'label' && mark.role === 'picture') return false
  if (mark.layer === 'base') return true
  if (mark.layer === 'content') return false
  if (mark.kind === 'dimension') return DIMENSIONS[station].includes(mark.layer)
  if (mark.kind === 'label') return DIMENSIONS[station].includes(mark.layer) || (mark.key === 'datum-name' && station === 'wall')
  if (mark.kind === 'handle') return HANDLES[mark.layer]?.includes(station) ?? false
  return LIT[station].includes(mark.layer) || ALWAYS.has(mark.role)
}
