import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { Sheet } from '../parts/Sheet'
import { said, Trouble } from '../parts/Trouble'

const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' })

/** What was deleted, to be brought back by one tap, or deleted for good. */
export const Bin = ({ open, onClose }: { open: boolean; onClose: () => void }) => {
  const client = useQueryClient()
  const [sure, setSure] = useState('')
  const list = useQuery({ queryKey: keys.bin, queryFn: () => ask.get('/api/bin'), enabled: open })
  const changed = () => {
    setSure('')
    void client.invalidateQueries({ queryKey: keys.bin })
    void client.invalidateQueries({ queryKey: keys.jobs })
  }
  const back = useMutation({
    mutationFn: (id: string) => ask.post('/api/bin/{job_id}/back', { params: { path: { job_id: id } } }),
    onSuccess: changed,
  })
  const gone = useMutation({
    mutationFn: (id: string) =>
      id === ALL ? ask.delete('/api/bin') : ask.delete('/api/bin/{job_id}', { params: { path: { job_id: id } } }),
    onSuccess: changed,
  })
  const close = () => {
    setSure('')
    onClose()
  }
  const rows = list.data ?? []
  return (
    <Sheet
      open={open}
      onClose={close}
      title="Bin"
      describe="A deleted job waits here for 30 days with all its versions and photos."
    >
      {list.isSuccess && rows.length === 0 && <p className="mt-3 text-quiet">The bin is empty.</p>}
      <ul className="mt-3">
        {rows.map((one) => (
          <li key={one.id} className="flex min-h-14 flex-wrap items-center gap-3 border-seam border-b py-2">
            <span className="min-w-48 flex-1 leading-tight">
              <span className="block">{one.name}</span>
              <span className="block text-quiet text-small">
                Deleted by {one.binned_by}
                <br />
                Waits until {DAY.format(new Date(one.until))}
              </span>
            </span>
            <Button aria-label={`Bring back ${one.name}`} onClick={() => back.mutate(one.id)}>
              Bring back
            </Button>
            <ForGood what={one.name} id={one.id} sure={sure} onAsk={setSure} onGone={gone.mutate} />
          </li>
        ))}
      </ul>
      {rows.length > 1 && (
        <div className="mt-4 flex justify-end">
          <ForGood what="everything in the bin" id={ALL} sure={sure} onAsk={setSure} onGone={gone.mutate} word="Empty the bin" />
        </div>
      )}
      <Trouble text={said(list.error ?? back.error ?? gone.error)} />
    </Sheet>
  )
}

const ALL = 'all'
type ForGoodProps = {
  what: string
  id: string
  sure: string
  onAsk: (id: string) => void
  onGone: (id: string) => void
  word?: string
}

/** Asks once more: nothing brings it back. */
const ForGood = ({ what, id, sure, onAsk, onGone, word = 'Delete for good' }: ForGoodProps) =>
  sure === id ? (
    <Button look="danger" className="border-2 border-stop font-bold" onClick={() => onGone(id)}>
      Yes, delete {what}
    </Button>
  ) : (
    <Button look="danger" aria-label={`${word}: ${what}`} onClick={() => onAsk(id)}>
      {word}
    </Button>
  )
