import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { ask, type DayOut, type DayStep } from '../api/client'
import { StepPhotos } from './StepPhotos'

afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
})

const day = { job_id: 'j' } as DayOut
const step = { key: 'tension/face' } as DayStep
const row = (key: string, more: object = {}) => ({ id: key, step: key, who: 'Ines', raw: false, removed_at: null, ...more })

test('photos of this step are counted, those of others and those taken away are not; one more is sent and unpacked', async () => {
  const rows = [row('tension/face'), row('wall/studs'), row('tension/face', { removed_at: '2026-05-14' })]
  const got: string[] = []
  vi.spyOn(ask, 'get').mockImplementation((async (path: string) => {
    got.push(path)
    return rows
  }) as never)
  const post = vi.spyOn(ask, 'post').mockResolvedValue({ id: 'p9' } as never)
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <StepPhotos day={day} step={step} />
    </QueryClientProvider>,
  )
  expect(await screen.findByText('Photo ✓ 1, one more')).toBeTruthy()
  rows.push(row('tension/face'))
  const file = new File(['x'], 'face.jpg', { type: 'image/jpeg' })
  fireEvent.change(screen.getByLabelText('Photo of this step'), { target: { files: [file] } })
  expect(await screen.findByText('Photo ✓ 2, one more')).toBeTruthy()
  expect(post.mock.lastCall?.[1]).toMatchObject({ params: { query: { step: 'tension/face' } }, body: file })
  expect(got).toContain('/api/jobs/{job_id}/photos/{photo_id}/shown')
  post.mockRejectedValue(new Error('The server does not answer.'))
  fireEvent.change(screen.getByLabelText('Photo of this step'), { target: { files: [file] } })
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe('The server does not answer.'))
})
