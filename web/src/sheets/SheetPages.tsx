import { useQuery } from '@tanstack/react-query'
import { ask, type JobOut, type SheetOut } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { said } from '../parts/Trouble'
import type { Paper } from './SheetsDialog'

type PagesProps = { job: JobOut; sheet: SheetOut; paper: Paper; onSave: () => void }

/** The pages of a sheet as they will be printed. */
export const SheetPages = ({ job, sheet, paper, onSave }: PagesProps) => {
  const pages = useQuery({
    queryKey: [...keys.pages(job.id, job.version), sheet.key, paper],
    queryFn: () =>
      ask.get('/api/jobs/{job_id}/sheets/{sheet}/pictures', {
        params: { path: { job_id: job.id, sheet: sheet.key as never }, query: { paper } },
      }),
    staleTime: Number.POSITIVE_INFINITY,
  })
  const count = pages.data?.pages ?? 0
  return (
    <section aria-label={sheet.label} className="flex min-h-0 flex-1 flex-col">
      <div className="flex items-center gap-3 px-4 py-2">
        <h3 className="font-bold text-value">{sheet.label}</h3>
        <span className="flex-1 text-quiet">{count > 0 && `${count} ${count === 1 ? 'page' : 'pages'}`}</span>
        <Button look="main" size="tall" onClick={onSave}>
          Save PDF
        </Button>
      </div>
      {pages.error && <p className="px-4 text-stop">{said(pages.error)}</p>}
      {pages.isPending && <p className="px-4 text-quiet">Drawing its pages.</p>}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard */}
      <ol aria-label="Pages" tabIndex={0} className="min-h-0 flex-1 overflow-y-auto px-4 pb-4 max-[820px]:max-h-[60vh]">
        {pages.data?.pictures.map((picture, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: pages stand in their order
          <li key={at} className="mb-3">
            <img
              src={`data:image/png;base64,${picture}`}
              alt={`Page ${at + 1} of the ${sheet.label.toLowerCase()}`}
              className="mx-auto w-full max-w-[720px] border border-seam bg-white"
            />
          </li>
        ))}
      </ol>
    </section>
  )
}
