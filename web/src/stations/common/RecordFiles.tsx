import { useMutation, useQueryClient } from '@tanstack/react-query'
import { ask, type RecordKind } from '../../api/client'
import { buttonLook } from '../../parts/Button'
import { FilePick } from '../../parts/FilePick'
import { said, Trouble } from '../../parts/Trouble'

/** Records of a kind out to a file and in from one; what is refused names line and field. */
export const RecordFiles = ({ kind }: { kind: RecordKind }) => {
  const client = useQueryClient()
  const send = useMutation({
    mutationFn: (file: File) => {
      const form = file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv'
      return ask.post('/api/stores/{kind}/file/{form}', {
        params: { path: { kind, form } },
        body: '',
        bodySerializer: () => file,
        headers: { 'content-type': form === 'json' ? 'application/json' : 'text/csv' },
      })
    },
    onSuccess: async () => {
      await client.cancelQueries() // an answer on its way may not know the new records yet
      await client.invalidateQueries()
    },
  })
  const look = `${buttonLook('plain')} whitespace-nowrap text-small leading-8`
  return (
    <div className="flex items-center gap-1.5">
      <Trouble text={said(send.error)} />
      <a className={look} href={`/api/stores/${kind}/file/csv`} download>
        Export CSV
      </a>
      <a className={look} href={`/api/stores/${kind}/file/json`} download>
        Export JSON
      </a>
      <FilePick label={`File of ${kind} records`} accept=".csv,.json" onPick={send.mutate}>
        Import
      </FilePick>
    </div>
  )
}
