import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, beforeAll, expect, test, vi } from 'vitest'
import type { Face, Panel } from '../api/client'
import { JobContext } from '../job/context'
import type { JobHandle } from '../job/useJob'
import { Board } from './Board'

beforeAll(() => {
  vi.stubGlobal('ResizeObserver', class { observe() {} disconnect() {} }) // biome-ignore format: a stub
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, value: 800 })
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, value: 500 })
  SVGElement.prototype.setPointerCapture = () => undefined
})
afterEach(cleanup)

const square = [[1000, 500], [3000, 500], [3000, 1700], [1000, 1700]] // biome-ignore format: corners
const face = {
  name: 'front', summary: 'Wall 4000 wide', left_mm: 0, right_mm: 4000, bottom_mm: 0, top_mm: 2400, y_down: false,
  lanes: { left: 2, right: 2, above: 2, below: 2 },
  marks: [
    { kind: 'area', key: 'frame', role: 'frame', layer: 'size', points: square, moves: 'frame-handle' },
    { kind: 'dimension', key: 'frame-top', layer: 'height', axis: 'y', a_mm: 0, b_mm: 1700, base_mm: 0, side: -1, lane: 1, text: '1700\u00a0mm', name: 'Top of frame',
      changes: [{ pointer: '/height/wish', value: 'frame-top' }, { pointer: '/height/wish_mm', value: null }], moves: null },
    { kind: 'handle', key: 'frame-handle', layer: 'height', name: 'Frame', points: square, origin: [2000, 1700], scale: [1, 1], step_mm: 1, x_pointer: null, y_pointer: '/height/wish_mm',
      x_stops: null, y_stops: [{ at_mm: 1600, name: 'lowest allowed edge' }, { at_mm: 2200, name: 'ceiling gap' }], also: [{ pointer: '/height/wish', value: 'frame-top' }] },
  ],
} as unknown as Face // biome-ignore format: a drawing by hand

const panel = {
  station: 'height',
  lit: { layers: ['size'], dimensions: ['height'], handles: ['height'], texts: true, hides: [] },
} as unknown as Panel

const show = () => {
  const job = { edit: vi.fn(async () => undefined), drag: vi.fn(async () => undefined) }
  render(
    <JobContext value={job as unknown as JobHandle}>
      <Board face={face} panel={panel} />
    </JobContext>,
  )
  return job
}

test('a drag re-plans as it goes, is held by its bound by name, and saves once when let go', () => {
  const job = show()
  const grip = screen.getByRole('slider', { name: /^Frame/ })
  fireEvent.pointerDown(grip, { clientX: 300, clientY: 300, pointerId: 1 })
  fireEvent.pointerMove(grip, { clientX: 300, clientY: 290, pointerId: 1 })
  expect(job.drag).toHaveBeenLastCalledWith(expect.arrayContaining([{ pointer: '/height/wish', value: 'frame-top' }]), 'front')
  expect(screen.queryByText(/held by/)).toBeNull()
  fireEvent.pointerMove(grip, { clientX: 300, clientY: 20, pointerId: 1 })
  expect(screen.getByText('held by the ceiling gap')).toBeTruthy()
  expect(job.edit).not.toHaveBeenCalled()
  fireEvent.pointerUp(grip, { clientX: 300, clientY: 20, pointerId: 1 })
  expect(job.edit).toHaveBeenCalledTimes(1)
  expect(job.edit).toHaveBeenCalledWith([
    { pointer: '/height/wish', value: 'frame-top' },
    { pointer: '/height/wish_mm', value: 2200 },
  ])
})

test('a tap that moves nothing saves nothing, and arrow keys move one step, ten with Shift', () => {
  const job = show()
  const grip = screen.getByRole('slider', { name: /^Frame/ })
  fireEvent.pointerDown(grip, { clientX: 300, clientY: 300, pointerId: 1 })
  fireEvent.pointerUp(grip, { clientX: 300, clientY: 300, pointerId: 1 })
  expect(job.edit).not.toHaveBeenCalled()
  fireEvent.keyDown(grip, { key: 'ArrowUp' })
  expect(job.edit).toHaveBeenLastCalledWith(expect.arrayContaining([{ pointer: '/height/wish_mm', value: 1701 }]))
  fireEvent.keyDown(grip, { key: 'ArrowDown', shiftKey: true })
  expect(job.edit).toHaveBeenLastCalledWith(expect.arrayContaining([{ pointer: '/height/wish_mm', value: 1690 }]))
})

test('a dimension is typed into and sets what it measures', () => {
  const job = show()
  fireEvent.click(screen.getByRole('button', { name: /^Top of frame:\s*1700/ }))
  const input = screen.getByRole('textbox', { name: 'Top of frame' })
  fireEvent.change(input, { target: { value: '1.8 m' } })
  fireEvent.keyDown(input, { key: 'Enter' })
  expect(job.edit).toHaveBeenCalledWith([
    { pointer: '/height/wish', value: 'frame-top' },
    { pointer: '/height/wish_mm', value: '1.8 m' },
  ])
  expect(screen.getByRole('img', { name: 'Wall 4000 wide' })).toBeTruthy()
})

test('the box of a corner stands clear of the corner as read, which can be taken hold of, and says it alone', () => {
  const read = { xMm: 3400, yMm: 1900 }
  const ghost = square.map(([x, y]) => (x === 3000 && y === 1700 ? [read.xMm, read.yMm] : [x, y]))
  const label = { kind: 'label', layer: 'height', at: [read.xMm, read.yMm], anchor: 'middle', size: 'text', lift: 0, angle: 0 }
  const marks = [
    { kind: 'area', key: 'picture', role: 'picture', layer: 'size', points: square },
    { kind: 'area', key: 'picture-now', role: 'astray', layer: 'size', points: ghost },
    { kind: 'dot', key: 'corner-tr', role: 'corner-read', layer: 'size', at: [read.xMm, read.yMm], name: 'tr' },
    { ...label, key: 'corner-tr-text', role: 'corner-read', text: '12 out' },
    { ...label, key: 'times', role: 'astray', text: 'drawn to scale', at: [2000, 500] },
  ]
  const onCorners = vi.fn()
  render(
    <JobContext value={{} as JobHandle}>
      <Board face={{ ...face, marks } as unknown as Face} panel={panel} onCorners={onCorners} />
    </JobContext>,
  )
  const dotPx = Number(document.querySelector('[data-key="corner-tr"]')?.getAttribute('cx') ?? 'none')
  const slots = onCorners.mock.lastCall?.[0] as Record<string, HTMLElement>
  expect(Number.parseFloat(slots.tr?.style.left ?? '0')).toBeGreaterThan(dotPx)
  expect(screen.queryByText('12 out')).toBeNull()
  expect(screen.getByText('drawn to scale')).toBeTruthy()
})
