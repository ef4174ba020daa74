import { type ReactNode, useEffect, useRef } from 'react'
import type { CompareMeasure, JobOut, Verdict } from '../api/client'
import { useSize } from '../board'
import { Button } from '../parts/Button'
import { Num } from '../parts/Num'
import { Head } from './Head'
import { Judged } from './Judged'
import { focusOn } from './order'
import { usePaged } from './usePaged'
import { usePicked } from './usePicked'
import { Wedge } from './Wedge'
import { type What, Words } from './Words'

export type Column = { key: string; title: string; called: ReactNode; drawn: ReactNode; chosen: boolean; judged: Verdict }

type ColumnsProps = {
  job: JobOut
  what: What
  label: string
  columns: readonly Column[]
  measures: readonly CompareMeasure[]
  otherwise: ReactNode
  looked: string
  onLook: (key: string) => void
  onTake: (key: string) => void
  /** the narrowest a column may be [px] */
  leastPx: number
}

const LABEL_PX = { wide: 146, narrow: 96 }
const WANTED_PX = 84
const WIDE_PX = 640 // with less the wanted bands stand in the title of their row only

/** Candidates as columns: each drawn, what it has of every measure with the wanted band shaded, its verdict at the foot. */
export const Columns = ({ job, what, label, columns, measures, otherwise, looked, onLook, onTake, leastPx }: ColumnsProps) => {
  const [box, size] = useSize<HTMLDivElement>()
  const keys = columns.map((one) => one.key)
  const picked = usePicked({ keys, measures, looked, onLook, onTake, ways: ['ArrowLeft', 'ArrowRight'] })
  const wide = size.width >= WIDE_PX
  const labelPx = wide ? LABEL_PX.wide : LABEL_PX.narrow
  const room = Math.floor((size.width - labelPx - (wide ? WANTED_PX : 0)) / leastPx)
  const page = usePaged(columns.length, room, picked.place)
  const shown = picked.order.slice(page.start, page.end).flatMap((at) => {
    const column = columns[at]
    return column ? [{ at, column }] : []
  })
  const own = columns.find((one) => one.key === looked)
  const moved = useRef(false)
  useEffect(() => {
    if (!moved.current) return
    moved.current = false
    focusOn(box.current, looked)
  }, [looked, box])
  const focusable = own && shown.some(({ column }) => column === own) ? looked : (shown[0]?.column.key ?? '')
  return (
    <section aria-label={label} ref={box} className="flex h-full flex-col">
      <Head
        title={own?.title ?? ''}
        verdict={own?.judged}
        otherwise={otherwise}
        chosen={own?.chosen ?? false}
        pinned={picked.pins.includes(looked)}
        pins={picked.pins.length}
        onTake={() => onTake(looked)}
        onPin={() => picked.pin(looked)}
        what={what}
        jobId={job.id}
        more={!page.whole && <Pages page={page} count={columns.length} />}
      />
      {picked.pins.length === 2 ? (
        <Words what={what} jobId={job.id} version={job.version} pins={picked.pins} onClose={picked.unpin} />
      ) : (
        <table aria-label={`${label}, compared`} className="w-full table-fixed text-fine leading-tight">
          <colgroup>
            <col style={{ width: labelPx }} />
            {shown.map(({ column }) => (
              <col key={column.key} />
            ))}
            {wide && <col style={{ width: WANTED_PX }} />}
          </colgroup>
          <thead>
            <tr>
              <td className="align-bottom text-quiet">{!page.whole && !own && <Pages page={page} count={columns.length} />}</td>
              {shown.map(({ column }) => (
                <th
                  key={column.key}
                  scope="col"
                  className={`px-0.5 align-bottom font-normal ${column.key === looked ? 'bg-lift' : ''}`}
                >
                  <button
                    type="button"
                    data-candidate={column.key}
                    aria-pressed={column.key === looked}
                    tabIndex={column.key === focusable ? 0 : -1}
                    onClick={() => onLook(column.key === looked ? '' : column.key)}
                    onKeyDown={(event) => {
                      moved.current = true
                      picked.press(event, column.key)
                    }}
                    className="flex w-full flex-col items-center gap-1 pt-1 pb-0.5"
                  >
                    {column.drawn}
                    <span className={`flex items-center gap-1 ${column.chosen ? 'font-bold' : 'font-semibold'}`}>
                      {column.chosen && <span aria-hidden="true" className="size-2 shrink-0 bg-brass" />}
                      {column.called}
                      {picked.pins.includes(column.key) && <span> · pinned</span>}
                    </span>
                  </button>
                </th>
              ))}
              {wide && (
                <th scope="col" className="pl-2 text-left align-bottom font-normal text-quiet">
                  wanted
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {measures.map((measure) => (
              <tr key={measure.key} className="h-[19px] border-seam/60 border-t">
                <th scope="row" className="pr-1 text-left align-middle font-normal text-quiet">
                  <button
                    type="button"
                    aria-pressed={picked.sort === measure.key}
                    onClick={() => picked.sortBy(measure.key)}
                    title={measure.wanted ? `wanted: ${measure.wanted}` : undefined}
                    className={`block w-full truncate text-left ${picked.sort === measure.key ? 'font-semibold text-ink' : ''}`}
                  >
                    <Label measure={measure} wide={wide} />
                  </button>
                </th>
                {shown.map(({ at, column }) => {
                  const cell = measure.cells[at]
                  return (
                    // biome-ignore lint/a11y/useKeyWithClickEvents: the head of the column takes the keys
                    <td
                      key={column.key}
                      onClick={() => onLook(column.key)}
                      className={`whitespace-nowrap px-0.5 text-center align-middle ${cell?.wanted ? 'in-band' : ''} ${column.key === looked ? 'font-semibold' : ''}`}
                    >
                      {measure.key === 'angle' && typeof cell?.value === 'number' && <Wedge degrees={cell.value} />}
                      <Num text={cell?.text ?? ''} />
                      {cell?.wanted && <span className="sr-only"> as wanted</span>}
                    </td>
                  )
                })}
                {wide && (
                  <td className="whitespace-nowrap pl-2 text-quiet">
                    <Num text={measure.wanted} className="in-text" />
                  </td>
                )}
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr className="border-seam border-t">
              <th scope="row" className="py-1 text-left align-top font-normal text-quiet">
                Verdict
              </th>
              {shown.map(({ column }) => (
                // biome-ignore lint/a11y/useKeyWithClickEvents: the head of the column takes the keys
                <td key={column.key} onClick={() => onLook(column.key)} className="px-0.5 py-1 text-center align-top">
                  <Judged verdict={column.judged} />
                </td>
              ))}
            </tr>
          </tfoot>
        </table>
      )}
    </section>
  )
}

/** The name of a measure; where there is little room the short one is seen and the long one heard. */
const Label = ({ measure, wide }: { measure: CompareMeasure; wide: boolean }) =>
  wide ? (
    <>
      {measure.label}
      {measure.unit && <span className="unit">, {measure.unit}</span>}
    </>
  ) : (
    <>
      <span className="sr-only">{measure.label}</span>
      <span aria-hidden="true">{measure.short}</span>
    </>
  )

type PagesProps = { page: ReturnType<typeof usePaged>; count: number }

/** Which of many are shown, and the way to the others. */
const Pages = ({ page, count }: PagesProps) => (
  <span className="flex items-center gap-1 whitespace-nowrap">
    <Button look="quiet" aria-label="Those before" disabled={page.start === 0} onClick={() => page.turn(-1)}>
      ‹
    </Button>
    {page.start + 1} to {page.end} of {count}
    <Button look="quiet" aria-label="Those after" disabled={page.end >= count} onClick={() => page.turn(1)}>
      ›
    </Button>
  </span>
)
