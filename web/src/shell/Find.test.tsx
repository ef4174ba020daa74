import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter, useLocation } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import { Find } from './Find'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const FOUND = [
  { kind: 'figure', title: 'Upper holes above datum', detail: '34 in · Wall', path: '/jobs/j/wall#figure-upper' },
  { kind: 'sheet', title: 'Drilling sheet', detail: 'For the wall', path: '/jobs/j/wall?sheet=drilling-sheet' },
]

const Here = () => {
  const { pathname, hash, search } = useLocation()
  return <p>{`at ${pathname}${search}${hash}`}</p>
}

const shown = () => {
  const asked: string[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url)
    asked.push(url.search)
    return Response.json(url.searchParams.get('q') === 'drill' ? FOUND : [])
  })
  const onClose = vi.fn()
  const act = vi.fn()
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <Find jobId="j" actions={[{ label: 'Undo', words: 'take back', act }]} onClose={onClose} />
        <Here />
      </QueryClientProvider>
    </MemoryRouter>,
  )
  return { asked, onClose, act, input: screen.getByRole('combobox') }
}

test('what is typed is asked with its job; arrows choose, Enter goes there', async () => {
  const { asked, onClose, input } = shown()
  expect(asked).toEqual([]) // an empty line asks nothing
  fireEvent.change(input, { target: { value: 'drill' } })
  expect(await screen.findByRole('option', { name: /Upper holes/ })).toBeTruthy()
  expect(asked.at(-1)).toBe('?q=drill&job=j')
  fireEvent.keyDown(input, { key: 'ArrowDown' })
  expect(screen.getByRole('option', { name: /Drilling sheet/ }).getAttribute('aria-selected')).toBe('true')
  fireEvent.keyDown(input, { key: 'ArrowDown' })
  fireEvent.keyDown(input, { key: 'Enter' })
  expect(onClose).toHaveBeenCalled()
  expect(screen.getByText('at /jobs/j/wall?sheet=drilling-sheet')).toBeTruthy()
})

test('an action is found by its other words, and nothing found says so', async () => {
  const { act, input } = shown()
  fireEvent.change(input, { target: { value: 'take b' } })
  fireEvent.click(await screen.findByRole('option', { name: /Undo/ }))
  expect(act).toHaveBeenCalledTimes(1)
  fireEvent.change(input, { target: { value: 'xyzzy' } })
  expect(await screen.findByText(/Nothing is called that/)).toBeTruthy()
})
