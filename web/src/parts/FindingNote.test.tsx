import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import type { Edit, Finding } from '../api/client'
import { JobContext } from '../job/context'
import type { JobHandle } from '../job/useJob'
import { FindingNote } from './FindingNote'

afterEach(cleanup)

const stop: Finding = {
  code: 'fastener-too-long',
  subject: '/frame/staple_mm',
  severity: 'stop',
  station: 'frame',
  text: 'Staple leg 1⁄8″ too long.',
  numbers: {},
  cures: [],
  next: false,
  rests_on: [],
  also: [],
  hole: '',
  withholds: false,
  by_hand: '',
}

const show = (finding: Finding, edit: (edits: Edit[]) => Promise<void> = vi.fn()) =>
  render(
    <JobContext value={{ edit } as unknown as JobHandle}>
      <FindingNote finding={finding} />
    </JobContext>,
  )

test('a cure is one tap, and one that brings another Stop says which and has none', () => {
  const edit = vi.fn(() => Promise.resolve())
  const changes = [{ pointer: '/frame/staple_mm', value: 15.875, known: null }]
  const cures = [
    { text: 'Use a staple leg of 5⁄8″', changes, but: '' },
    { text: 'Swap the two', changes: [], but: 'The lens is too close.' },
  ]
  show({ ...stop, cures }, edit)
  fireEvent.click(screen.getByRole('button'))
  expect(edit).toHaveBeenCalledWith([expect.objectContaining({ pointer: '/frame/staple_mm', value: 15.875 })])
  expect(screen.getByText(/But then: The lens is too close\./)).toBeTruthy()
})

test('a Stop that no tap ends says what does', () => {
  show({ ...stop, by_hand: 'No tap ends this: only one more reading on the wall does.' })
  expect(screen.queryByRole('button')).toBeNull()
  expect(screen.getByText(/only one more reading on the wall does/)).toBeTruthy()
})
