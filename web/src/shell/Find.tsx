import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { Dialog } from 'radix-ui'
import { useDeferredValue, useId, useState } from 'react'
import { useNavigate } from 'react-router'
import { ask } from '../api/client'
import { keys } from '../api/keys'
import { Rich } from '../parts/Num'

const KINDS = { figure: 'figure', station: 'station', sheet: 'sheet', job: 'job', record: 'in the stores', action: 'do' } as const
export type Action = { label: string; words: string; act: () => void }
type Row = { kind: keyof typeof KINDS; title: string; detail: string; go: () => void }

/** One line in which anything is typed in one's own words and gone to. */
export const Find = ({ jobId, actions, onClose }: { jobId: string; actions: readonly Action[]; onClose: () => void }) => {
  const [typed, type] = useState('')
  const [at, setAt] = useState(0)
  const asked = useDeferredValue(typed.trim())
  const go = useNavigate()
  const listId = useId()
  const found = useQuery({
    queryKey: keys.find(jobId, asked),
    queryFn: () => ask.get('/api/find', { params: { query: { q: asked, ...(jobId ? { job: jobId } : {}) } } }),
    enabled: asked !== '',
    placeholderData: keepPreviousData,
  })
  const small = asked.toLowerCase()
  const done: Row[] = actions
    .filter((one) => small !== '' && `${one.label} ${one.words}`.toLowerCase().includes(small))
    .map((one) => ({ kind: 'action', title: one.label, detail: '', go: one.act }))
  const rows: Row[] = asked === '' ? [] : [...done, ...(found.data ?? []).map((one) => ({ ...one, go: () => void go(one.path) }))]
  const place = Math.min(at, Math.max(0, rows.length - 1))
  const take = (row: Row | undefined) => {
    if (!row) return
    onClose()
    row.go()
  }
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[10vh] left-1/2 z-50 w-[min(40rem,96vw)] -translate-x-1/2 rounded-xl border border-seam bg-bench p-3 text-ink shadow-2xl"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <input
            role="combobox"
            aria-expanded={rows.length > 0}
            aria-controls={listId}
            aria-activedescendant={rows.length > 0 ? `${listId}-${place}` : undefined}
            aria-label="Find a figure, a station, a sheet, a job, a record"
            placeholder="A figure, a station, a sheet, a job, a record"
            value={typed}
            maxLength={80}
            onChange={(event) => {
              type(event.target.value)
              setAt(0)
            }}
            onKeyDown={(event) => {
              const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
              if (by !== 0) setAt(Math.max(0, Math.min(rows.length - 1, place + by)))
              else if (event.key === 'Enter') take(rows[place])
              else return
              event.preventDefault()
            }}
            className="min-h-11 w-full rounded border border-seam bg-velvet px-3 text-value"
          />
          <div id={listId} role="listbox" aria-label="What is found" className="mt-2 max-h-[60vh] overflow-y-auto">
            {rows.map((row, number) => (
              <div
                // biome-ignore lint/suspicious/noArrayIndexKey: a list of answers is replaced as a whole
                key={number}
                id={`${listId}-${number}`}
                role="option"
                tabIndex={-1}
                aria-selected={number === place}
                onClick={() => take(row)}
                onKeyDown={(event) => event.key === 'Enter' && take(row)}
                onPointerMove={() => setAt(number)}
                className={`flex min-h-11 cursor-pointer items-center gap-3 rounded px-3 ${number === place ? 'bg-lift' : ''}`}
              >
                <span className="w-24 shrink-0 text-fine text-quiet">{KINDS[row.kind]}</span>
                <span className="flex-1 leading-tight">{row.title}</span>
                <span className="text-right text-small text-quiet">
                  <Rich text={row.detail} />
                </span>
              </div>
            ))}
          </div>
          {asked !== '' && found.isSuccess && rows.length === 0 && (
            <p className="px-3 py-2 text-quiet">Nothing is called that. Try another word for it.</p>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
