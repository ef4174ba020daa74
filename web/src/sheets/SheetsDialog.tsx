import { useIsFetching, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { ask, type JobOut, type SheetOut } from '../api/client'
import { keys } from '../api/keys'
import { Button, buttonLook, Pick } from '../parts/Button'
import { SheetPages } from './SheetPages'
import { SheetTile } from './SheetTile'
import { useSheet } from './useSheet'

const PAPERS = [
  ['a4', 'A4'],
  ['letter', 'Letter'],
] as const
export type Paper = (typeof PAPERS)[number][0]

/** Every sheet of the job once: seen before it is printed, saved, or bound into the job pack. */
export const SheetsDialog = ({ job, onClose }: { job: JobOut; onClose: () => void }) => {
  const [paper, setPaper] = usePaper()
  const [search, setSearch] = useSearchParams()
  const looked = search.get('sheet') ?? ''
  const look = (key: string) => setSearch({ sheet: key }, { replace: true })
  const [pack, setPack] = useState<ReadonlySet<string> | null>(null)
  const { making, make, stop } = useSheet()
  const list = useQuery({
    queryKey: keys.sheets(job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/sheets', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
  })
  const sheets = list.data ?? []
  const [pictured, setPictured] = useState(0) // one little picture at a time: the pages that are looked at go first
  const pending = useIsFetching({ queryKey: keys.pages(job.id, job.version) }) > 0
  const printed = sheets.filter((one) => one.papers)
  const files = sheets.filter((one) => !one.papers)
  const bound = pack ?? new Set(printed.map((one) => one.key))
  const own = printed.find((one) => one.key === looked)
  const path = (key: string) => `/api/jobs/${job.id}/sheets/${key}?paper=${paper}`
  const packPath = () => {
    const chosen = printed.filter((one) => bound.has(one.key)).map((one) => `sheets=${one.key}`)
    return `/api/jobs/${job.id}/pack?${chosen.join('&')}&paper=${paper}`
  }
  const toggle = (key: string) => {
    const next = new Set(bound)
    if (!next.delete(key)) next.add(key)
    setPack(next)
  }
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-[3vh_3vw] z-50 flex flex-col rounded-xl border border-seam bg-bench text-ink shadow-2xl max-[820px]:inset-0 max-[820px]:overflow-y-auto"
        >
          <div className="flex flex-wrap items-center gap-3 border-seam border-b px-5 py-2">
            <Dialog.Title className="flex-1 font-bold text-lead">Sheets</Dialog.Title>
            {making && (
              <output className="flex items-center gap-2">
                <span className="max-w-96 leading-tight">
                  {making.trouble ? (
                    <>
                      <strong className="text-stop">{making.label} not made.</strong> {making.trouble}
                    </>
                  ) : (
                    `Making the ${making.label.toLowerCase()}${making.progress > 0 ? `, ${Math.round(100 * making.progress)}\u00a0%` : ''}`
                  )}
                </span>
                <Button onClick={stop}>{making.trouble ? 'Close' : 'Stop'}</Button>
              </output>
            )}
            <fieldset className="flex items-center gap-1">
              <legend className="sr-only">Paper the shop prints on</legend>
              {PAPERS.map(([value, label]) => (
                <Pick key={value} on={paper === value} onClick={() => setPaper(value)}>
                  {label}
                </Pick>
              ))}
            </fieldset>
            <Dialog.Close aria-label="Close the sheets" className={`grid w-10 place-items-center ${buttonLook('plain', 'bar')}`}>
              ×
            </Dialog.Close>
          </div>
          <div className="flex min-h-0 flex-1 max-[820px]:flex-col-reverse">
            <div className="flex w-[452px] shrink-0 flex-col border-seam border-r max-[820px]:w-full">
              <div className="min-h-0 flex-1 overflow-y-auto px-4 py-1">
                {groupsOf(printed).map((group) => (
                  <section key={group} aria-label={group}>
                    <h3 className="pt-1 text-quiet text-small">{group}</h3>
                    <ul className="grid grid-cols-2 gap-x-2 max-[520px]:grid-cols-1">
                      {printed
                        .filter((one) => one.group === group)
                        .map((one) => (
                          <SheetTile
                            key={one.key}
                            job={job}
                            sheet={one}
                            paper={paper}
                            looked={one.key === looked}
                            bound={bound.has(one.key)}
                            onLook={() => look(one.key)}
                            onBind={() => toggle(one.key)}
                            draw={!pending && printed.indexOf(one) <= pictured}
                            onDrawn={() => setPictured((now) => Math.max(now, printed.indexOf(one) + 1))}
                          />
                        ))}
                    </ul>
                  </section>
                ))}
                <section aria-label="Open files">
                  <h3 className="pt-1 text-quiet text-small">Open files</h3>
                  <ul className="grid grid-cols-2 gap-x-2 max-[520px]:grid-cols-1">
                    {files.map((one) => (
                      <li key={one.key}>
                        <button
                          type="button"
                          onClick={() => void make(one.label, path(one.key))}
                          className="flex min-h-7 w-full items-baseline gap-2 rounded px-1 text-left text-small hover:bg-lift max-[820px]:min-h-11"
                        >
                          <span className="flex-1 truncate">{one.label}</span>
                          <span className="text-fine text-quiet">{one.note.replace(', mm', '')}</span>
                        </button>
                      </li>
                    ))}
                    <li>
                      <a
                        href={`/api/jobs/${job.id}/file`}
                        download
                        className="flex min-h-7 items-baseline gap-2 rounded px-1 text-small hover:bg-lift max-[820px]:min-h-11"
                      >
                        <span className="flex-1">Job file</span>
                        <span className="text-fine text-quiet">JSON</span>
                      </a>
                    </li>
                  </ul>
                </section>
              </div>
              <div className="flex items-center gap-3 border-seam border-t px-4 py-2">
                <span className="flex-1 text-small leading-tight">
                  {bound.size === 0 ? 'Tick the sheets of the job pack.' : 'One PDF with contents, page numbers and bookmarks.'}
                </span>
                <Button look="main" size="tall" disabled={bound.size === 0} onClick={() => void make('Job pack', packPath())}>
                  Job pack, {bound.size} {bound.size === 1 ? 'sheet' : 'sheets'}
                </Button>
              </div>
            </div>
            <div className="flex min-h-0 min-w-0 flex-1 flex-col">
              {own ? (
                <SheetPages job={job} sheet={own} paper={paper} onSave={() => void make(own.label, path(own.key))} />
              ) : (
                <p className="m-auto max-w-80 p-6 text-center text-quiet max-[820px]:hidden">
                  Tap a sheet to see its pages. What a Stop or an assumption leads says so, here and at its head.
                </p>
              )}
            </div>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

const groupsOf = (sheets: readonly SheetOut[]) => [...new Set(sheets.map((one) => one.group))]

/** The paper the shop prints on; changing it changes it for everybody. */
const usePaper = (): [Paper, (paper: Paper) => void] => {
  const client = useQueryClient()
  const shop = useQuery({ queryKey: keys.shop, queryFn: () => ask.get('/api/shop') })
  const put = useMutation({
    mutationFn: (paper: Paper) => ask.put('/api/shop', { body: { paper } }),
    onSuccess: (kept) => client.setQueryData(keys.shop, kept),
  })
  return [put.isPending ? put.variables : (shop.data?.paper ?? 'a4'), put.mutate]
}
