import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import type { JobOut, Plan } from '../../api/client'
import { JobContext } from '../../job/context'
import { type Tap, TapContext } from '../../job/tap'
import type { JobHandle } from '../../job/useJob'
import { StudFinder } from '../survey/StudFinder'
import { DryFit } from './DryFit'
import { FlatWall } from './FlatWall'
import { HoleFact, RefusedHoles } from './HoleFacts'
import { Ways } from './Ways'

afterEach(cleanup)

const shown = (
  node: (props: { job: JobOut; plan: Plan; station: string }) => unknown,
  tables: object,
  tap: Tap | null = null,
) => {
  const edit = vi.fn(async () => undefined)
  const setTap = vi.fn()
  const Node = node as unknown as (props: Record<string, unknown>) => ReactNode
  render(
    <JobContext value={{ edit } as unknown as JobHandle}>
      <TapContext value={{ tap, setTap }}>
        <Node plan={{ tables } as unknown as Plan} job={{}} station="wall" />
      </TapContext>
    </JobContext>,
  )
  return { edit, setTap }
}

const row = { key: 'upper-left', name: 'upper left', x_mm: 997, y_mm: 1919.4, from_left: '997 mm' }

const told = { hole: 'upper-left', name: 'upper left', drilled: true, across: '997 mm', up: '1919 mm', why: '' }

test('a hole is drilled at its mark, or the wall says no and why', () => {
  const { edit } = shown(() => <HoleFact row={row as never} facts={[]} />, {})
  fireEvent.click(screen.getByRole('button', { name: 'upper left: drilled at its mark' }))
  const fact = { hole: 'upper-left', x_mm: 997, y_mm: 1919.4 }
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/wall/facts/-', value: { ...fact, state: 'drilled' } }])
  fireEvent.click(screen.getByRole('button', { name: 'upper left: not possible here' }))
  fireEvent.change(screen.getByRole('textbox', { name: 'upper left: what is there' }), { target: { value: ' pipe ' } })
  fireEvent.click(screen.getByRole('button', { name: 'Not possible' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/wall/facts/-', value: { ...fact, state: 'blocked', why: 'pipe' } }])
})

test('what was drilled or refused can be taken back', () => {
  const { edit } = shown(() => <HoleFact row={row as never} facts={[{ ...told, id: 'f1' }]} />, {})
  fireEvent.click(screen.getByRole('button', { name: 'upper left: not drilled' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/wall/facts/f1', value: null }])
  cleanup()
  const again = shown(() => <RefusedHoles facts={[{ ...told, id: 'f2', drilled: false }]} />, {})
  fireEvent.click(screen.getByRole('button', { name: 'upper left: possible after all' }))
  expect(again.edit).toHaveBeenLastCalledWith([{ pointer: '/wall/facts/f2', value: null }])
})

test('the ranking says what serves and one tap takes another way', () => {
  const changes = [{ pointer: '/wall/fix_to', value: 'backer', known: null }]
  const rows = [
    {
      key: 'studs',
      name: 'Screws into two studs',
      serves: true,
      why: 'two studs 80″ apart',
      cost: 'nothing',
      changes: [],
      taken: true,
    },
    { key: 'backer', name: 'Backer board over studs', serves: false, why: '1 stud', cost: 'a board', changes, taken: false },
  ]
  const { edit } = shown(Ways, { ways: { rows, dry: [], moves: '' } })
  expect(screen.getByText(', does not serve')).toBeTruthy()
  expect(screen.getByText('taken')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Take: Backer board over studs' }))
  expect(edit).toHaveBeenCalledWith([expect.objectContaining({ pointer: '/wall/fix_to', value: 'backer' })])
})

test('a dry fit is typed with both ends and says what each bracket must move', async () => {
  const { edit } = shown(DryFit, {
    ways: { rows: [], dry: [{ id: 'd1', said: 'left level, right 3 mm too low' }], moves: 'right bracket 2 mm up' },
  })
  expect(screen.getByText('right bracket 2 mm up')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Add' }))
  expect(edit).not.toHaveBeenCalled() // both ends are needed
  fireEvent.change(screen.getByRole('textbox', { name: /^Top left/ }), { target: { value: '2' } })
  fireEvent.change(screen.getByRole('textbox', { name: /^Top right/ }), { target: { value: '-3' } })
  fireEvent.click(screen.getByRole('button', { name: 'Add' }))
  await vi.waitFor(() =>
    expect(edit).toHaveBeenCalledWith([
      { pointer: '/wall/dry/-', value: { left_mm: '2', right_mm: '-3', day: expect.any(String) } },
    ]),
  )
})

test('a gap is tapped where it was read, once it is typed', () => {
  const { setTap } = shown(FlatWall, { flat: { gaps: [], shims: [{ name: 'upper left', thick: '3 mm' }] } })
  expect(screen.getByRole('table', { name: 'Shims' }).textContent).toContain('upper left')
  const button = screen.getByRole('button', { name: 'Tap where it is' }) as HTMLButtonElement
  expect(button.disabled).toBe(true)
  fireEvent.change(screen.getByRole('textbox', { name: 'Gap to tap' }), { target: { value: '7 mm' } })
  fireEvent.click(button)
  const tap = setTap.mock.lastCall?.[0] as Tap
  expect(tap.edit(1200, 900)).toEqual({ pointer: '/survey/gaps/-', value: { x_mm: 1200, y_mm: 900, gap_mm: '7 mm' } })
})

test('a stud reading is tapped as what was found, and a stray one says what it may be', () => {
  const kinds = [
    ['magnet', 'magnet on a screw'],
    ['nothing', 'nothing found'],
  ]
  const readings = [{ id: 'r1', pointer: '/survey/stud_readings/r1', kind: 'magnet', x: '310 mm', said: 'a doubled stud?' }]
  const { edit, setTap } = shown(StudFinder, { stud_list: { readings, marks: [], kinds } })
  expect(screen.getByText('a doubled stud?')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'nothing found' }))
  fireEvent.click(screen.getByRole('button', { name: 'Tap readings on the board' }))
  const tap = setTap.mock.lastCall?.[0] as Tap
  expect(tap.edit(455, 1000)).toEqual({ pointer: '/survey/stud_readings/-', value: { x_mm: 455, kind: 'nothing' } })
  fireEvent.click(screen.getByRole('button', { name: 'Remove reading 1' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/survey/stud_readings/r1', value: null }])
})
