import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { ask, type JobOut, type SheetOut } from '../api/client'
import { keys } from '../api/keys'
import type { Paper } from './SheetsDialog'

const LEADS = { stop: 'led by a Stop', assumed: 'not all measured', '': '' } as const

type TileProps = {
  job: JobOut
  sheet: SheetOut
  paper: Paper
  looked: boolean
  bound: boolean
  onLook: () => void
  onBind: () => void
  draw: boolean
  onDrawn: () => void
}

/** One sheet: a little picture of its first page, its name, what leads it, and whether it goes into the job pack. */
export const SheetTile = ({ job, sheet, paper, looked, bound, onLook, onBind, draw, onDrawn }: TileProps) => {
  const picture = useQuery({
    queryKey: keys.littlePage(job.id, job.version, sheet.key, paper),
    queryFn: () =>
      ask.get('/api/jobs/{job_id}/sheets/{sheet}/pictures', {
        params: { path: { job_id: job.id, sheet: sheet.key as never }, query: { paper, first: true } },
      }),
    staleTime: Number.POSITIVE_INFINITY,
    enabled: draw,
  })
  const settled = picture.isSuccess || picture.isError
  useEffect(() => {
    if (settled) onDrawn()
  }, [settled, onDrawn])
  const [first] = picture.data?.pictures ?? []
  return (
    <li className={`flex items-center gap-2 rounded ${looked ? 'bg-lift' : ''}`}>
      <button
        type="button"
        onClick={onLook}
        aria-pressed={looked}
        className="flex min-h-[58px] min-w-0 flex-1 items-center gap-2 p-1 text-left"
      >
        <span className="grid h-[52px] w-[40px] shrink-0 place-items-center">
          {first ? (
            <img src={`data:image/png;base64,${first}`} alt="" className="max-h-full max-w-full border border-seam bg-white" />
          ) : (
            <span className="block h-[52px] w-[37px] border border-seam bg-lift" />
          )}
        </span>
        <span className="min-w-0 leading-tight">
          <span className="block text-body">{sheet.label}</span>
          {sheet.leads && (
            <span className={`block text-fine ${sheet.leads === 'stop' ? 'font-semibold text-stop' : 'text-quiet'}`}>
              {LEADS[sheet.leads]}
            </span>
          )}
        </span>
      </button>
      <label className="grid size-9 shrink-0 place-items-center max-[820px]:size-11">
        <input type="checkbox" checked={bound} onChange={onBind} className="size-4 accent-[var(--brass)]" />
        <span className="sr-only">{sheet.label} into the job pack</span>
      </label>
    </li>
  )
}
