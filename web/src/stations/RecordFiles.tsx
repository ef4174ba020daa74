import { useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'

/** Records of a kind out to a file and in from one; what is refused names line and field. */
export const RecordFiles = ({ kind }: { kind: string }) => {
  const client = useQueryClient()
  const input = useRef<HTMLInputElement>(null)
  const [trouble, setTrouble] = useState('')
  const send = async (file: File) => {
    const form = file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv'
    const reply = await fetch(`/api/stores/${kind}/file/${form}`, {
      method: 'POST',
      headers: { 'content-type': form === 'json' ? 'application/json' : 'text/csv' },
      body: file,
    }).catch(() => null)
    if (reply?.ok) {
      setTrouble('')
      await client.cancelQueries() // an answer on its way may not know the new records yet
      await client.invalidateQueries()
      return
    }
    const said = reply ? await reply.json().catch(() => null) : null
    const first = said?.errors?.[0]
    setTrouble(
      first
        ? `${String(first.pointer).replace(/^\//, '').replaceAll('/', ', ')}: ${first.text}`
        : (said?.detail ?? 'The file could not be read.'),
    )
  }
  const look = 'min-h-9 whitespace-nowrap rounded border border-seam px-2 text-[14px] leading-8 hover:border-brass'
  return (
    <div className="flex items-center gap-1.5">
      {trouble && (
        <p role="alert" className="max-w-96 text-[13.5px] text-stop leading-tight">
          {trouble}
        </p>
      )}
      <a className={look} href={`/api/stores/${kind}/file/csv`} download>
        CSV out
      </a>
      <a className={look} href={`/api/stores/${kind}/file/json`} download>
        JSON out
      </a>
      <button type="button" className={look} onClick={() => input.current?.click()}>
        File in
      </button>
      <input
        ref={input}
        type="file"
        accept=".csv,.json"
        aria-label={`File of ${kind} records`}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) void send(file)
        }}
      />
    </div>
  )
}
