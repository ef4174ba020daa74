import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import type { SignalPlan } from '../../api/client'
import { JobContext } from '../../job/context'
import type { JobHandle } from '../../job/useJob'
import { SignalChain } from './SignalChain'

const value = { lines: 1080, rate_hz: 60, depth_bits: 8, high_range: false }
const row = {
  id: 'k1',
  pointer: '/throw/signal/links/k1',
  kind: 'source',
  name: 'player',
  carries: '',
  length: '',
  good_for: '',
  trouble: '',
  weakest: false,
  too_long: false,
}
const signal: SignalPlan = {
  pointer: '/throw/signal/links',
  wanted_pointer: '/throw/signal/wanted',
  wanted: '2160 lines',
  arrives: '',
  rows: [
    row,
    {
      ...row,
      id: 'k2',
      pointer: '/throw/signal/links/k2',
      kind: 'cable',
      name: 'lead',
      length: '9 m',
      trouble: 'too little in depth',
      weakest: true,
    },
  ],
  formats: [{ text: '1080 lines', value }],
  kinds: ['source', 'cable'],
}
const edit = vi.fn(async () => undefined)
afterEach(cleanup)

test('a link gets what it carries from the usual formats, a weak one is named', async () => {
  render(
    <JobContext value={{ edit } as unknown as JobHandle}>
      <SignalChain signal={signal} />
    </JobContext>,
  )
  expect(screen.getByText(/too little in depth/).textContent).toContain('the bottleneck')
  fireEvent.keyDown(screen.getByRole('button', { name: /What the player carries/ }), { key: 'Enter' })
  fireEvent.click(await screen.findByRole('menuitem', { name: '1080 lines' }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/throw/signal/links/k1/carries', value }])
  fireEvent.click(screen.getByRole('button', { name: 'Remove the lead', hidden: true }))
  expect(edit).toHaveBeenLastCalledWith([{ pointer: '/throw/signal/links/k2', value: null }])
})
