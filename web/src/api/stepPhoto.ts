import { ask } from './client'

/** Send a photo of a step, and have it unpacked so that it can be looked at. Gives its id. */
export const keepStepPhoto = async (job_id: string, step: string, file: File): Promise<string> => {
  const { id } = await ask.post('/api/jobs/{job_id}/photos', {
    params: { path: { job_id }, query: { step } },
    body: file as unknown as string,
    bodySerializer: (body: unknown) => body as BodyInit,
    headers: { 'content-type': file.type },
  })
  await ask.get('/api/jobs/{job_id}/photos/{photo_id}/shown', { params: { path: { job_id, photo_id: id } } })
  return id
}
