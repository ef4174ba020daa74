import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, ask, type JobOut } from '../api/client'
import { jobKeys } from '../job/useJob'
import { Sheet } from '../parts/Sheet'

/** Deleting asks once, and says what goes with it. */
export const DeleteJob = ({ job }: { job: JobOut }) => {
  const [asking, setAsking] = useState(false)
  const client = useQueryClient()
  const go = useNavigate()
  const remove = useMutation({
    mutationFn: () =>
      ask<unknown>(
        api.DELETE('/api/jobs/{job_id}', {
          params: { path: { job_id: job.id }, header: { 'if-match': `"${job.version}"` } },
        }),
      ),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: jobKeys.all })
      void go('/')
    },
  })
  return (
    <>
      <button
        type="button"
        onClick={() => setAsking(true)}
        className="mt-2 min-h-10 rounded border border-seam px-3 text-stop hover:border-stop"
      >
        Delete this job
      </button>
      <Sheet
        open={asking}
        onClose={() => setAsking(false)}
        title={`Delete ${job.document.name}?`}
        describe={`All ${job.version} versions go with it, and cannot be brought back. A job file kept elsewhere can be read in again.`}
      >
        {remove.error && (
          <p role="alert" className="mt-3 border-stop border-l-4 pl-3">
            {remove.error.message}
          </p>
        )}
        <div className="mt-5 flex justify-end gap-3">
          <button type="button" onClick={() => setAsking(false)} className="min-h-11 rounded-md border border-seam px-4">
            Keep it
          </button>
          <button
            type="button"
            onClick={() => remove.mutate()}
            className="min-h-11 rounded-md border-2 border-stop px-5 font-bold text-stop"
          >
            Delete it
          </button>
        </div>
      </Sheet>
    </>
  )
}
