import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type RecordKind } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Button, buttonLook } from '../../parts/Button'
import { Menu, MenuItem } from '../../parts/Menu'
import { Sheet } from '../../parts/Sheet'
import { said, Trouble } from '../../parts/Trouble'
import { many } from '../../stores/kinds'
import { RecordFiles } from './RecordFiles'

const LABELS: Record<RecordKind, string> = {
  fabric: 'Take a fabric',
  kit: 'Take a frame kit',
  projector: 'Take a projector',
  fixing: 'Take brackets',
  board: 'Take a board',
  anchor: 'Take a fixing',
  tape: 'Take a tape',
  strip: 'Take a light strip',
}

const useRecords = (kind: RecordKind) =>
  useQuery({
    queryKey: keys.stores(kind),
    queryFn: () => ask.get('/api/stores/{kind}', { params: { path: { kind } } }),
  })

/** Copy a record of the shop's stores into the job; and the stores themselves, one tap away. */
export const TakeFrom = ({ kind }: { kind: RecordKind }) => {
  const { takeRecord } = useThisJob()
  const [open, setOpen] = useState(false)
  const list = useRecords(kind)
  return (
    <div className="mb-1 flex gap-1.5">
      {(list.data?.length ?? 0) > 0 && (
        <Menu label="" className={`min-w-0 flex-1 text-left ${buttonLook('plain', 'bar')}`} trigger={<>{LABELS[kind]} ▾</>}>
          {list.data?.map((one) => (
            <MenuItem key={one.key} onSelect={() => void takeRecord(kind, one.key)}>
              {one.name}
            </MenuItem>
          ))}
        </Menu>
      )}
      <Button size="bar" aria-label={`Stores: ${many(kind)}`} onClick={() => setOpen(true)}>
        Stores
      </Button>
      <Sheet open={open} onClose={() => setOpen(false)} title={`Stores: ${many(kind)}`}>
        <Stores kind={kind} />
      </Sheet>
    </div>
  )
}

/** The records of one kind: kept from this job, removed, out to a file and in from one. */
const Stores = ({ kind }: { kind: RecordKind }) => {
  const { saved } = useThisJob()
  const client = useQueryClient()
  const list = useRecords(kind)
  const [name, setName] = useState('')
  const again = () => client.invalidateQueries({ queryKey: keys.stores(kind) })
  const keep = useMutation({
    mutationFn: () =>
      ask.post('/api/stores/{kind}/from/{job_id}', {
        params: { path: { kind, job_id: saved?.id ?? '' } },
        body: { name },
      }),
    onSuccess: () => {
      setName('')
      return again()
    },
  })
  const remove = useMutation({
    mutationFn: (key: string) => ask.delete('/api/stores/{kind}/{key}', { params: { path: { kind, key } } }),
    onSuccess: again,
  })
  return (
    <div className="mt-3 flex flex-col gap-3">
      <ul aria-label={many(kind)}>
        {list.data?.map((one) => (
          <li key={one.key} className="flex min-h-11 items-center border-seam border-b">
            <span className="flex-1">{one.name}</span>
            <Button look="remove" aria-label={`Remove ${one.name} from the stores`} onClick={() => remove.mutate(one.key)}>
              ×
            </Button>
          </li>
        ))}
      </ul>
      {kind !== 'projector' && (
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            keep.mutate()
          }}
        >
          <label className="flex-1">
            Keep this job's as
            <input
              required
              maxLength={120}
              value={name}
              onChange={(event) => setName(event.target.value)}
              className="mt-1 block min-h-11 w-full rounded border border-seam bg-velvet px-3 text-body"
            />
          </label>
          <Button type="submit" size="tall" disabled={keep.isPending}>
            Keep
          </Button>
        </form>
      )}
      <Trouble text={said(keep.error ?? remove.error)} />
      <RecordFiles kind={kind} />
      <p className="text-quiet text-small">Jobs that took a record keep their own copy.</p>
    </div>
  )
}
