import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ask, type JobOut } from '../../api/client'
import { keys } from '../../api/keys'
import { Button } from '../../parts/Button'
import { Sheet } from '../../parts/Sheet'
import { said, Trouble } from '../../parts/Trouble'

/** Deleting asks once, and says where it goes. */
export const DeleteJob = ({ job }: { job: JobOut }) => {
  const [asking, setAsking] = useState(false)
  const client = useQueryClient()
  const go = useNavigate()
  const remove = useMutation({
    mutationFn: () =>
      ask.delete('/api/jobs/{job_id}', {
        params: { path: { job_id: job.id }, header: { 'if-match': `"${job.version}"` } },
      }),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: keys.jobs })
      void go('/')
    },
  })
  return (
    <>
      <Button look="danger" size="bar" className="mt-2" onClick={() => setAsking(true)}>
        Delete job
      </Button>
      <Sheet
        open={asking}
        onClose={() => setAsking(false)}
        title={`Delete ${job.document.name}?`}
        describe={`It waits in the bin for 30 days with all ${job.version} versions. The yard brings it back in one tap.`}
      >
        <Trouble text={said(remove.error)} />
        <div className="mt-5 flex justify-end gap-3">
          <Button size="tall" onClick={() => setAsking(false)}>
            Cancel
          </Button>
          <Button look="danger" size="tall" className="border-2 border-stop font-bold" onClick={() => remove.mutate()}>
            Delete job
          </Button>
        </div>
      </Sheet>
    </>
  )
}
