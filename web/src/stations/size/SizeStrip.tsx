import { useQuery } from '@tanstack/react-query'
import { ask, type JobOut, type SizeRow, type SizeTable, toEdits } from '../../api/client'
import { keys } from '../../api/keys'
import { Columns } from '../../compare'
import { useThisJob } from '../../job/context'
import { useShown } from '../../job/shown'
import { Num, Rich } from '../../parts/Num'

const SCREEN = { widthPx: 56, heightPx: 40 }
const LEAST_PX = 57

/** The candidate sizes; asked for at Size only. */
export const useSizeTable = (job: JobOut, enabled: boolean) =>
  useQuery({
    queryKey: keys.compared('sizes', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/sizes', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
    enabled,
  })

/** Candidate sizes as little screens at one scale, each a column; the board follows the one that is looked at. */
export const SizeStrip = ({ job }: { job: JobOut }) => {
  const table = useSizeTable(job, true)
  const { edit } = useThisJob()
  const { looked, look } = useShown()
  if (!table.data) return <p className="p-4 text-quiet">Planning eight sizes.</p>
  const { rows, measures } = table.data
  const take = (key: string) => {
    const row = rows.find((one) => one.key === key)
    if (row && !row.chosen) void edit(toEdits(row.changes)).then(() => look(''))
  }
  return (
    <div className="h-full px-3">
      <Columns
        job={job}
        what="sizes"
        label="Sizes side by side"
        leastPx={LEAST_PX}
        columns={rows.map((row) => ({
          key: row.key,
          title: row.diagonal,
          called: <Num text={row.diagonal} />,
          drawn: <LittleScreen row={row} scale={scaleOf(rows)} />,
          chosen: row.chosen,
          judged: row.judged,
        }))}
        measures={measures}
        otherwise={<Advice table={table.data} />}
        looked={looked}
        onLook={look}
        onTake={take}
      />
    </div>
  )
}

const Advice = ({ table }: { table: SizeTable }) => {
  const more = [...table.common.map((one) => `At every size: ${one}`), table.unlit, table.leads].filter(Boolean)
  return (
    <>
      <strong>
        <Rich text={table.advice} />
      </strong>{' '}
      <span className="text-quiet">
        <Rich text={more.join(' ')} />
      </span>
    </>
  )
}

/** One scale for all of them, so that a larger one is seen to be larger [px/mm]. */
const scaleOf = (rows: readonly SizeRow[]) => {
  const wide = Math.max(...rows.map(({ frame_mm: [left, , right] }) => right - left))
  const high = Math.max(...rows.map(({ frame_mm: [, bottom, , top] }) => top - bottom))
  return Math.min(SCREEN.widthPx / wide, SCREEN.heightPx / high)
}

const LittleScreen = ({ row, scale }: { row: SizeRow; scale: number }) => {
  const [left, bottom, right, top] = row.frame_mm
  const [inner, low, outer, up] = row.picture_mm
  const wide = (right - left) * scale
  const high = (top - bottom) * scale
  return (
    <svg width={wide} height={SCREEN.heightPx} aria-hidden="true">
      <rect
        y={SCREEN.heightPx - high}
        width={wide}
        height={high}
        fill="var(--frame)"
        stroke={row.chosen ? 'var(--brass)' : 'var(--frame-edge)'}
        strokeWidth={row.chosen ? 2 : 0.75}
      />
      <rect
        x={(inner - left) * scale}
        y={SCREEN.heightPx - high + (top - up) * scale}
        width={(outer - inner) * scale}
        height={(up - low) * scale}
        fill={row.judged.severity === 'stop' ? 'var(--seam)' : 'var(--canvas)'}
      />
    </svg>
  )
}
