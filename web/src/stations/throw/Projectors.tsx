import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ask, type CompareMeasure, type JobOut, type ProjectorRow, type ProjectorTable, toEdits } from '../../api/client'
import { keys } from '../../api/keys'
import { focusOn, Head, Judged, usePaged, usePicked, Words } from '../../compare'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Num, Rich } from '../../parts/Num'

const SHOWN = 12

/** The shop's projectors as rows: what is to spare round the lens here, light, noise, price, and where else each could be. */
export const Projectors = ({ job }: { job: JobOut }) => {
  const table = useQuery({
    queryKey: keys.compared('projectors', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/projectors', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
  })
  if (!table.data) return <p className="p-3 text-quiet">Trying every projector of the stores.</p>
  return <Rows job={job} table={table.data} />
}

const Rows = ({ job, table }: { job: JobOut; table: ProjectorTable }) => {
  const { edit, takeRecord } = useThisJob()
  const [looked, look] = useState('')
  const body = useRef<HTMLTableSectionElement>(null)
  const moved = useRef(false)
  const { rows, measures, floor_mm } = table
  const own = rows.find((row) => row.key === looked)
  const take = (key: string) => void takeRecord('projector', key)
  const picked = usePicked({
    keys: rows.map((row) => row.key),
    measures,
    looked,
    onLook: look,
    onTake: take,
    ways: ['ArrowUp', 'ArrowDown'],
  })
  const page = usePaged(rows.length, SHOWN, picked.place)
  const shown = picked.order.slice(page.start, page.end).flatMap((at) => {
    const row = rows[at]
    return row ? [{ at, row }] : []
  })
  useEffect(() => {
    if (!moved.current) return
    moved.current = false
    focusOn(body.current, looked)
  }, [looked])
  const focusable = own && shown.some(({ row }) => row === own) ? looked : (shown[0]?.row.key ?? '')
  const head = (key: string, label: string) => (
    <button
      type="button"
      aria-pressed={picked.sort === key}
      onClick={() => picked.sortBy(key)}
      className={`underline decoration-dotted underline-offset-4 ${picked.sort === key ? 'text-ink' : ''}`}
    >
      {label}
    </button>
  )
  const states = measures.filter((one) => one.key.startsWith('contrast-'))
  return (
    <section aria-label="Projectors side by side" className="flex h-full flex-col">
      <Head
        title={own?.name ?? ''}
        verdict={own?.judged}
        otherwise={<Otherwise table={table} />}
        chosen={own?.chosen ?? false}
        pinned={picked.pins.includes(looked)}
        pins={picked.pins.length}
        onTake={() => take(looked)}
        onPin={() => picked.pin(looked)}
        what="projectors"
        jobId={job.id}
        more={own && own.changes.length > 0 && <PutThere row={own} onPut={() => void edit(toEdits(own.changes))} />}
      />
      {picked.pins.length === 2 ? (
        <Words what="projectors" jobId={job.id} version={job.version} pins={picked.pins} onClose={picked.unpin} />
      ) : (
        <table aria-label="Projectors compared" className="w-full text-fine leading-none max-[1100px]:text-[12.5px]">
          <thead className="text-left text-quiet">
            <tr className="h-[19px] [&_th]:px-1 [&_th]:font-normal">
              <th scope="col">
                {page.whole ? 'Projector' : `${page.start + 1} to ${page.end} of ${rows.length}`}
                {!page.whole && (
                  <>
                    <Button look="quiet" className="!min-h-0" aria-label="Those before" onClick={() => page.turn(-1)}>
                      ‹
                    </Button>
                    <Button look="quiet" className="!min-h-0" aria-label="Those after" onClick={() => page.turn(1)}>
                      ›
                    </Button>
                  </>
                )}
              </th>
              <th scope="col">Spare</th>
              <th scope="col">{head('luminance', 'cd/m²')}</th>
              <th scope="col" className="leading-tight">
                <span className="sr-only">Contrast: </span>
                {states.map((state) => state.label.replace('Contrast, ', '')).join(' · ')}
              </th>
              <th scope="col">{head('noise', 'dB')}</th>
              <th scope="col">{head('price', 'Price')}</th>
              <th scope="col" className="whitespace-nowrap">
                Could be
              </th>
              <th scope="col">Verdict</th>
            </tr>
          </thead>
          <tbody ref={body}>
            {shown.map(({ at, row }) => (
              <tr
                key={row.key}
                onClick={() => look(row.key)}
                className={`h-5 border-seam/60 border-t [&_td]:px-1 ${row.key === looked ? 'bg-lift' : ''}`}
              >
                <td className="whitespace-nowrap">
                  <button
                    type="button"
                    data-candidate={row.key}
                    aria-pressed={row.key === looked}
                    tabIndex={row.key === focusable ? 0 : -1}
                    onClick={(event) => {
                      event.stopPropagation()
                      look(row.key === looked ? '' : row.key)
                    }}
                    onKeyDown={(event) => {
                      moved.current = true
                      picked.press(event, row.key)
                    }}
                    className={`flex items-center gap-1.5 text-left ${row.chosen ? 'font-bold' : 'font-semibold'}`}
                  >
                    <span aria-hidden="true" className={`size-2 shrink-0 border border-brass ${row.chosen ? 'bg-brass' : ''}`} />
                    {row.name}
                    {picked.pins.includes(row.key) && <span className="font-normal"> · pinned</span>}
                  </button>
                </td>
                <td>
                  <Spare row={row} />
                </td>
                <Value measures={measures} name="luminance" at={at} />
                <td className="whitespace-nowrap">{states.map((state) => state.cells[at]?.text).join(' · ')}</td>
                <Value measures={measures} name="noise" at={at} />
                <Value measures={measures} name="price" at={at} />
                <td>
                  <OnFloor row={row} floor={floor_mm} />
                </td>
                <td className="whitespace-nowrap">
                  <Judged verdict={row.judged} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}

const Otherwise = ({ table }: { table: ProjectorTable }) => {
  const fitting = table.rows.filter((row) => row.fits).length
  return (
    <>
      <strong>
        {fitting === 0 ? 'None' : fitting} of {table.rows.length} {fitting === 1 ? 'fits' : 'fit'} from here
      </strong>
      {table.here && (
        <>
          : <Rich text={table.here} />
        </>
      )}
      .{' '}
      <span className="text-quiet">
        The box is what is to spare round the lens from the side, the dot where it could be in the room.
      </span>
    </>
  )
}

const PutThere = ({ row, onPut }: { row: ProjectorRow; onPut: () => void }) => (
  <Button className="max-w-56 py-0.5 text-left text-fine leading-tight" onClick={onPut}>
    <span className="sr-only">Put {row.name} </span>
    <Rich text={row.place} />
  </Button>
)

const Value = ({ measures, name, at }: { measures: readonly CompareMeasure[]; name: string; at: number }) => {
  const cell = measures.find((one) => one.key === name)?.cells[at]
  return (
    <td className={`whitespace-nowrap ${cell?.wanted ? 'in-band' : ''}`}>
      <Num text={cell?.text ?? ''} />
    </td>
  )
}

const BOX = { wide: 46, high: 16, pxPerMm: 0.03 }

/** What is to spare round the lens seen from the side: toward the wall on the left, up on top; a side that goes on past the
 * little picture is left open. */
const Spare = ({ row }: { row: ProjectorRow }) => {
  const [, up, along] = row.spare_mm
  const mid = { x: BOX.wide / 2, y: BOX.high / 2 }
  if (!up || !along) return <span className="sr-only">none known</span>
  const [left = 0, right = 0] = along.map((mm) => mid.x + mm * BOX.pxPerMm)
  const [low = 0, high = 0] = up.map((mm) => mid.y - mm * BOX.pxPerMm)
  const inside = (value: number, most: number) => Math.min(most - 0.75, Math.max(0.75, value))
  const [x0, x1, y0, y1] = [inside(left, BOX.wide), inside(right, BOX.wide), inside(high, BOX.high), inside(low, BOX.high)]
  const sides = [
    left >= 0 && `M${x0} ${y0}V${y1}`,
    right <= BOX.wide && `M${x1} ${y0}V${y1}`,
    high >= 0 && `M${x0} ${y0}H${x1}`,
    low <= BOX.high && `M${x0} ${y1}H${x1}`,
  ]
  return (
    <svg width={BOX.wide} height={BOX.high} role="img" aria-label={row.spare} className="block">
      <rect x={x0} y={y0} width={Math.max(1, x1 - x0)} height={Math.max(1, y1 - y0)} fill="var(--chalk)" fillOpacity=".25" />
      <path d={sides.filter(Boolean).join('')} stroke="var(--chalk)" strokeWidth="1.5" />
      <circle cx={mid.x} cy={mid.y} r="2.2" fill="var(--ink)" />
    </svg>
  )
}

const FLOOR = { wide: 40, high: 17 }

/** The room from above, the screen on the left, and a dot where this one could be. */
const OnFloor = ({ row, floor }: { row: ProjectorRow; floor: readonly [number, number, number, number] }) => {
  const [wall, depth, left, right] = floor
  const scale = Math.min(FLOOR.wide / depth, FLOOR.high / wall)
  const [wide, high] = [depth * scale, wall * scale]
  const place = row.place_mm
  return (
    <svg width={FLOOR.wide} height={FLOOR.high} role="img" aria-label={row.place} className="block">
      <rect x=".5" y=".5" width={wide - 1} height={high - 1} fill="none" stroke="var(--quiet)" strokeWidth=".75" />
      <path d={`M1.500 ${left * scale}V${right * scale}`} stroke="var(--ink)" strokeWidth="2" />
      {place && (
        <circle
          cx={place[1] * scale}
          cy={place[0] * scale}
          r="2.6"
          fill={row.changes.length > 0 ? 'var(--brass)' : 'var(--quiet)'}
        />
      )}
    </svg>
  )
}
