import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type DayOut, type DayStep } from '../api/client'
import { keys } from '../api/keys'
import { keepStepPhoto } from '../api/stepPhoto'

const KEEPING = 'Keeping the photo…'

/** Photos of this step: how many there are, and one more from the phone's camera. */
export const StepPhotos = ({ day, step }: { day: DayOut; step: DayStep }) => {
  const client = useQueryClient()
  const [said, setSaid] = useState('')
  const photos = useQuery({
    queryKey: keys.stepPhotos(day.job_id),
    queryFn: () => ask.get('/api/jobs/{job_id}/day/photos', { params: { path: { job_id: day.job_id } } }),
    staleTime: 60_000,
  })
  const count = photos.data?.filter((one) => one.step === step.key && !one.removed_at).length ?? 0
  const take = async (file: File) => {
    setSaid(KEEPING)
    try {
      await keepStepPhoto(day.job_id, step.key, file)
      setSaid('')
    } catch (error) {
      setSaid(error instanceof Error ? error.message : 'The photo was not kept.')
    }
    void client.invalidateQueries({ queryKey: keys.stepPhotos(day.job_id) })
  }
  return (
    <p className="flex flex-wrap items-center gap-x-3 text-lead" data-held={said === KEEPING || undefined}>
      <label className="inline-flex min-h-11 cursor-pointer items-center underline decoration-dotted underline-offset-4">
        {count > 0 ? `Photo ✓ ${count}, one more` : 'Photo'}
        <input
          type="file"
          accept="image/jpeg,image/png"
          capture="environment"
          aria-label="Photo of this step"
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0]
            event.target.value = ''
            if (file) void take(file)
          }}
        />
      </label>
      {said && (
        <span role="status" className="text-quiet">
          {said}
        </span>
      )}
    </p>
  )
}
