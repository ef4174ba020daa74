import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query'
import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { lazy, Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { ask, type Face, type JobCard, type JobOut, Refused, type Severity } from '../api/client'
import { keys } from '../api/keys'
import { useSize } from '../board'
import { Devices } from '../devices/Devices'
import { Button, buttonLook } from '../parts/Button'
import { FilePick } from '../parts/FilePick'
import { SEVERITY } from '../parts/FindingNote'
import { Num, Rich } from '../parts/Num'
import { KeysHelp } from '../shell/KeysHelp'
import { TopBar } from '../shell/TopBar'
import { useCommands } from '../shell/useCommands'
import { BackupNote } from './BackupNote'
import { Bin } from './Bin'
import { LittleWall } from './LittleWall'

const NewJob = lazy(() => import('./NewJob').then((all) => ({ default: all.NewJob })))
const WORDS_PX = 232
const GAP_PX = 40
const [PHONE_PX, DAY_PX] = [770, 76] // where each wall has its day beside it, and how wide that is
const SCALES = [0.08, 0.072, 0.066, 0.06, 0.056, 0.052, 0.048]
const PAGE = 24
const ROW_PX = 230 // what is under a wall, and the gap

const widthOf = (card: JobCard, scale: number): number =>
  Math.max(WORDS_PX, card.front ? (card.front.right_mm - card.front.left_mm) * scale : 0)

const heightOf = (card: JobCard, scale: number): number => (card.front ? (card.front.top_mm - card.front.bottom_mm) * scale : 0)

/** Cards in rows as wide as the page: only the rows that are seen are drawn, however many jobs there are. */
export const rowsOf = (cards: readonly JobCard[], scale: number, widthPx: number): JobCard[][] => {
  const rows: JobCard[][] = []
  let left = -1
  for (const card of cards) {
    const wanted = widthOf(card, scale)
    if (left < wanted || !rows.length) {
      rows.push([])
      left = widthPx
    }
    rows.at(-1)?.push(card)
    left -= wanted + GAP_PX
  }
  return rows
}

/** All walls at one scale on one floor line, so that a hall is a hall and a den is a den; on a phone none is wider than it. */
export const scaleOf = (cards: readonly JobCard[], widthPx: number): number => {
  const row = (scale: number) => cards.reduce((sum, one) => sum + widthOf(one, scale) + GAP_PX, -GAP_PX)
  const widest = Math.max(1, ...cards.map((card) => (card.front ? card.front.right_mm - card.front.left_mm : 0)))
  const room = widthPx < PHONE_PX ? widthPx - DAY_PX : widthPx
  return Math.min(SCALES.find((scale) => row(scale) <= widthPx) ?? 0.052, room / widest)
}

/** The jobs page by page, as they were saved: nothing is planned for this. */
const useJobs = (search: string) =>
  useInfiniteQuery({
    queryKey: keys.jobList(search),
    queryFn: ({ pageParam }) => ask.get('/api/jobs', { params: { query: { search, after: pageParam, most: PAGE } } }),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const had = pages.reduce((sum, one) => sum + one.jobs.length, 0)
      return had < last.total ? had : undefined
    },
    placeholderData: (before) => before,
  })

export const Yard = () => {
  const [making, setMaking] = useState(false)
  const [help, setHelp] = useState(false)
  const [devices, setDevices] = useState(false)
  const [bin, setBin] = useState(false)
  const [search, setSearch] = useState('')
  const [box, size] = useSize<HTMLElement>()
  const client = useQueryClient()
  const go = useNavigate()
  const list = useJobs(useDeferredValue(search.trim()))
  const made = (job: JobOut) => {
    client.setQueryData(keys.job(job.id), job)
    void client.invalidateQueries({ queryKey: keys.jobs })
    void go(`/jobs/${job.id}/size`)
  }
  const read = useMutation({
    mutationFn: (chosen: File) =>
      ask.post('/api/jobs/file', {
        body: {},
        bodySerializer: () => chosen,
        headers: { 'content-type': 'application/json' },
      }),
    onSuccess: made,
  })
  useCommands({ create: () => setMaking(true) })
  const cards = list.data?.pages.flatMap((one) => one.jobs) ?? []
  const total = list.data?.pages[0]?.total ?? 0
  const binned = list.data?.pages[0]?.binned ?? 0
  const scale = scaleOf(cards, size.width - 48)
  return (
    <div className="flex min-h-full flex-col">
      <TopBar
        onHelp={() => setHelp(true)}
        tools={
          <div className="contents max-[520px]:flex max-[520px]:basis-full max-[520px]:flex-wrap max-[520px]:gap-2">
            <input
              type="search"
              aria-label="Search jobs by name or place"
              placeholder="Search"
              value={search}
              onChange={(event) => setSearch(event.target.value)}
              className="min-h-10 w-44 rounded-md border border-seam bg-velvet px-3 max-[520px]:basis-full"
            />
            <FilePick label="Job file" accept=".json,application/json" size="bar" onPick={read.mutate}>
              Import job file
            </FilePick>
            <Link to="/stores" className={`grid place-items-center ${buttonLook('plain', 'bar')}`}>
              Stores
            </Link>
            <Link to="/trainer" className={`grid place-items-center max-[520px]:hidden ${buttonLook('plain', 'bar')}`}>
              Trainer
            </Link>
            {binned > 0 && (
              <Button size="bar" onClick={() => setBin(true)}>
                Bin <span className="text-quiet">{binned}</span>
              </Button>
            )}
            <Button size="bar" onClick={() => setDevices(true)}>
              Devices
            </Button>
            <Button look="main" size="bar" onClick={() => setMaking(true)}>
              New job
            </Button>
          </div>
        }
      >
        <h1 className="font-bold text-lead">The yard</h1>
        <span className="text-quiet max-[520px]:hidden">all walls at one scale</span>
      </TopBar>
      <main ref={box} className="flex flex-1 flex-col px-6 pt-6 pb-10">
        {read.error && (
          <div role="alert" className="mb-4 max-w-2xl border-stop border-l-[6px] bg-stop-ground px-3 py-2">
            <strong className="text-stop">Not imported</strong> ·{' '}
            {read.error instanceof Refused ? <FileTrouble refused={read.error} /> : 'the server does not answer.'}
          </div>
        )}
        <BackupNote />
        {list.isError && <p role="alert">The server does not answer. This page tries again by itself.</p>}
        {list.isSuccess && total === 0 && (
          <p className="mt-16 text-center text-lead">
            {search ? `No job has “${search}” in its name or place.` : 'No jobs yet. Create one, or import a job file.'}
          </p>
        )}
        {size.width > 0 && (
          <Rows
            rows={rowsOf(cards, scale, size.width - 48)}
            scale={scale}
            total={total}
            more={list.hasNextPage && !list.isFetching ? list.fetchNextPage : null}
          />
        )}
      </main>
      {making && (
        <Suspense fallback={null}>
          <NewJob onClose={() => setMaking(false)} onMade={made} />
        </Suspense>
      )}
      <Bin open={bin} onClose={() => setBin(false)} />
      <Devices open={devices} onClose={() => setDevices(false)} />
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </div>
  )
}

type RowsProps = { rows: JobCard[][]; scale: number; total: number; more: (() => unknown) | null }

const Rows = ({ rows, scale, total, more }: RowsProps) => {
  const shown = useWindowVirtualizer({
    count: rows.length,
    estimateSize: (at) => ROW_PX + Math.max(0, ...(rows[at] ?? []).map((one) => heightOf(one, scale))),
    overscan: 2,
    getItemKey: (at) => rows[at]?.[0]?.id ?? at,
  })
  const items = shown.getVirtualItems()
  const last = items.at(-1)?.index ?? -1
  useEffect(() => {
    if (more && last >= rows.length - 2) more()
  }, [more, last, rows.length])
  const firsts = useMemo(() => {
    let count = 0
    return rows.map((row) => {
      count += row.length
      return count - row.length
    })
  }, [rows])
  return (
    <ul className="relative my-auto shrink-0" style={{ height: shown.getTotalSize() }}>
      {items.map((item) => {
        const row = rows[item.index] ?? []
        const before = firsts[item.index] ?? 0
        return (
          <li
            key={item.key}
            data-index={item.index}
            ref={shown.measureElement}
            className="absolute inset-x-0 top-0 pb-14"
            style={{ transform: `translateY(${item.start}px)` }}
          >
            <ul className="flex items-stretch justify-center gap-x-10">
              {row.map((card, at) => (
                <li key={card.id} className="flex" aria-setsize={total} aria-posinset={before + at + 1}>
                  {card.front ? <Wall card={card} front={card.front} scale={scale} /> : <Unread card={card} />}
                  {card.front && (
                    <a
                      className={`${buttonLook('plain', 'tall')} mt-auto ml-2 grid place-items-center min-[821px]:hidden`}
                      href={`/day/${card.id}`}
                      aria-label={`The day of ${card.name}`}
                    >
                      Day
                    </a>
                  )}
                </li>
              ))}
            </ul>
          </li>
        )
      })}
    </ul>
  )
}

const FileTrouble = ({ refused }: { refused: Refused }) => (
  <>
    {refused.fields.map((one) => (
      <span key={one.pointer + one.text} className="block">
        {one.pointer && <code>{one.pointer} </code>}
        <Rich text={one.text} />
      </span>
    ))}
  </>
)

const EDGES: Record<Severity, string> = {
  stop: 'border-stop border-l-[6px]',
  check: 'border-brass border-l-[6px]',
  note: 'border-seam border-l-2',
}

/** A job whose document cannot be read: why, and its file, so that nothing in it is lost. */
const Unread = ({ card }: { card: JobCard }) => (
  <div className="flex w-min min-w-[232px] flex-col">
    <span className="flex-1" />
    <span className="mt-3 font-bold text-lead">{card.name || 'A job without a name'}</span>
    <span className="text-quiet leading-tight">{card.place || 'no place yet'}</span>
    <a className="mt-1.5 h-7 text-brass underline" href={`/api/jobs/${card.id}/file`} download>
      Save its file
    </a>
    <span className={`mt-1.5 block min-h-16 pl-2.5 leading-snug ${EDGES.stop}`}>
      <strong className="text-stop">{SEVERITY.stop} · </strong>
      {card.trouble}
    </span>
  </div>
)

const Wall = ({ card, front, scale }: { card: JobCard; front: Face; scale: number }) => (
  <Link to={`/jobs/${card.id}/${card.station}`} className="group flex w-min min-w-[232px] flex-col rounded">
    <span className="flex flex-1 items-end">
      <LittleWall face={front} pxPerMm={scale} />
    </span>
    <span className="mt-3 font-bold text-lead group-hover:text-brass">{card.name}</span>
    <span className="text-quiet leading-tight">{card.place || 'no place yet'}</span>
    <Num text={card.size_text} className="mt-1.5 h-7 text-value" />
    <span className={`mt-1.5 block min-h-16 pl-2.5 leading-snug ${EDGES[card.worst ?? 'note']}`}>
      {card.worst === 'stop' && <strong className="text-stop">{SEVERITY.stop} · </strong>}
      <Rich text={card.next_point} />
    </span>
  </Link>
)
