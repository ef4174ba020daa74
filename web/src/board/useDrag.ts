import { type PointerEvent, useRef, useState } from 'react'
import type { Edit, Handle } from '../api/client'
import type { Sheet } from './sheet'

type DragDone = { onDrag: (edits: Edit[] | null) => void; onDrop: (edits: Edit[]) => void }

type Moved = { x: number; y: number; hit: string }

const held = (at: number, stops: Handle['x_stops']): { at: number; hit: string } => {
  if (!stops) return { at, hit: '' }
  const [low, high] = stops
  if (at <= low.at_mm) return { at: low.at_mm, hit: low.name }
  if (at >= high.at_mm) return { at: high.at_mm, hit: high.name }
  return { at, hit: '' }
}

/** Where a handle comes to lie: whole tape steps from its origin, held by its stops, which have names. */
export const moveHandle = (handle: Handle, dxMm: number, dyMm: number): Moved => {
  const whole = (mm: number) => Math.round(mm / handle.step_mm) * handle.step_mm
  const [across, up] = handle.scale
  const x = handle.x_pointer ? held(whole(handle.origin[0] + dxMm / across), handle.x_stops) : { at: handle.origin[0], hit: '' }
  const y = handle.y_pointer ? held(whole(handle.origin[1] + dyMm / up), handle.y_stops) : { at: handle.origin[1], hit: '' }
  return { x: x.at, y: y.at, hit: x.hit || y.hit }
}

export const handleEdits = (handle: Handle, to: Moved): Edit[] => [
  ...handle.also.map(({ pointer, value }) => ({ pointer, value })),
  ...(handle.x_pointer ? [{ pointer: handle.x_pointer, value: to.x }] : []),
  ...(handle.y_pointer ? [{ pointer: handle.y_pointer, value: to.y }] : []),
]

/** Dragging a handle: it moves at once under the finger, the plan follows, the drop is saved. */
export const useDrag = (sheet: Sheet, { onDrag, onDrop }: DragDone) => {
  const start = useRef<{ handle: Handle; xPx: number; yPx: number; moved: boolean } | null>(null)
  const [live, setLive] = useState<{ key: string; x: number; y: number; hit: string } | null>(null)
  const at = (event: PointerEvent) => {
    const from = start.current
    if (!from) return null
    return moveHandle(
      from.handle,
      (event.clientX - from.xPx) / sheet.pxPerMm,
      (sheet.up * (from.yPx - event.clientY)) / sheet.pxPerMm,
    )
  }
  const down = (handle: Handle) => (event: PointerEvent<SVGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    start.current = { handle, xPx: event.clientX, yPx: event.clientY, moved: false }
  }
  const move = (event: PointerEvent) => {
    const to = at(event)
    if (!to || !start.current) return
    start.current.moved = true
    setLive({ key: start.current.handle.key, ...to })
    onDrag(handleEdits(start.current.handle, to))
  }
  const up = (event: PointerEvent) => {
    const to = at(event)
    const from = start.current
    start.current = null
    if (!to || !from) return
    onDrag(null)
    if (from.moved) onDrop(handleEdits(from.handle, to))
    setLive(null)
  }
  const cancel = () => {
    start.current = null
    onDrag(null)
    setLive(null)
  }
  return { live, down, move, up, cancel }
}
