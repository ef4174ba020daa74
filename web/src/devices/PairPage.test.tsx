import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { PairPage } from './PairPage'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  window.location.hash = ''
})

const answers = (status: number, body: unknown) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/problem+json' } })),
  )

test('a scanned code is there, a refused one is said and what was typed stays', async () => {
  window.location.hash = '#ABCD-2345'
  answers(422, {
    type: '/problems/no-such-code',
    title: '',
    status: 422,
    detail: 'This code is not good.',
    instance: '/api/pair',
  })
  const go = vi.fn()
  render(<PairPage go={go} />)
  expect(screen.getByLabelText('Code')).toHaveProperty('value', 'ABCD-2345')
  const name = screen.getByLabelText(/^Name of this device/)
  fireEvent.change(name, { target: { value: "Mara's phone" } })
  fireEvent.click(screen.getByRole('button', { name: 'Pair' }))
  await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('This code is not good.'))
  expect(name).toHaveProperty('value', "Mara's phone")
  expect(go).not.toHaveBeenCalled()
})

test('a paired device goes to the yard', async () => {
  answers(201, { name: 'Office', token: 't' })
  const go = vi.fn()
  render(<PairPage go={go} />)
  fireEvent.change(screen.getByLabelText('Code'), { target: { value: 'abcd2345' } })
  fireEvent.change(screen.getByLabelText(/^Name of this device/), { target: { value: 'Office' } })
  fireEvent.click(screen.getByRole('button', { name: 'Pair' }))
  await waitFor(() => expect(go).toHaveBeenCalledOnce())
})
