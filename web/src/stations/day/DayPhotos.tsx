import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { ask } from '../../api/client'
import { keys } from '../../api/keys'
import { Button } from '../../parts/Button'
import { said, Trouble } from '../../parts/Trouble'

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'short' })

/** What the crew photographed, step by step; a photo is taken away by a tap, and who did it stays. */
export const DayPhotos = ({ id, name }: { id: string; name: (step: string) => string }) => {
  const client = useQueryClient()
  const key = keys.stepPhotos(id)
  const photos = useQuery({
    queryKey: key,
    queryFn: () => ask.get('/api/jobs/{job_id}/day/photos', { params: { path: { job_id: id } } }),
  })
  const raw = photos.data?.find((one) => one.raw && !one.removed_at)?.id
  useEffect(() => {
    // one that no worker has unpacked, as after a phone that went away: it is asked for here
    if (!raw) return
    ask
      .get('/api/jobs/{job_id}/photos/{photo_id}/shown', { params: { path: { job_id: id, photo_id: raw } } })
      .then(() => client.invalidateQueries({ queryKey: keys.stepPhotos(id) }))
      .catch(() => undefined)
  }, [raw, id, client])
  const remove = useMutation({
    mutationFn: (photo_id: string) =>
      ask.delete('/api/jobs/{job_id}/photos/{photo_id}', { params: { path: { job_id: id, photo_id } } }),
    onSuccess: () => client.invalidateQueries({ queryKey: key }),
  })
  const rows = photos.data ?? []
  if (rows.length === 0) return null
  return (
    <section aria-label="Photos of the day" className="grid grid-cols-2 gap-2">
      {rows.map((one) => (
        <figure key={one.id} className="text-small">
          {one.removed_at ? (
            <p className="text-quiet">removed by {one.removed_by}</p>
          ) : one.raw ? (
            <p className="text-quiet">not unpacked yet</p>
          ) : (
            <a href={`/api/jobs/${id}/photos/${one.id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/jobs/${id}/photos/${one.id}`}
                alt={name(one.step)}
                loading="lazy"
                className="aspect-[4/3] w-full rounded object-cover"
              />
            </a>
          )}
          <figcaption className="flex items-start gap-1 leading-snug">
            <span className="min-w-0 flex-1">
              {name(one.step)}
              <span className="block text-fine text-quiet">
                {one.who} {when.format(new Date(one.taken_at))}
              </span>
            </span>
            {!one.removed_at && (
              <Button look="remove" aria-label={`Remove the photo: ${name(one.step)}`} onClick={() => remove.mutate(one.id)}>
                ×
              </Button>
            )}
          </figcaption>
        </figure>
      ))}
      <Trouble text={said(remove.error)} />
    </section>
  )
}
