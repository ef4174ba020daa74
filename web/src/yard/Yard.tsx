import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, ask, type JobCard, type JobOut, Refused } from '../api/client'
import { KeysHelp } from '../app/KeysHelp'
import { BAR_BUTTON, TopBar } from '../app/TopBar'
import { useCommands } from '../app/useCommands'
import { useSize } from '../board/useSize'
import { jobKeys } from '../job/useJob'
import { Num, Rich } from '../parts/Num'
import { LittleWall } from './LittleWall'
import { NewJob } from './NewJob'

const WORDS_PX = 232
const GAP_PX = 40
const SCALES = [0.08, 0.072, 0.066, 0.06, 0.056, 0.052, 0.048]

/** All walls at one scale on one floor line, so that a hall is a hall and a den is a den. */
export const scaleOf = (cards: readonly JobCard[], widthPx: number): number => {
  const row = (scale: number) =>
    cards.reduce((sum, one) => sum + Math.max(WORDS_PX, (one.front.right_mm - one.front.left_mm) * scale) + GAP_PX, -GAP_PX)
  return SCALES.find((scale) => row(scale) <= widthPx) ?? 0.052
}

export const Yard = () => {
  const [making, setMaking] = useState(false)
  const [help, setHelp] = useState(false)
  const [box, size] = useSize<HTMLElement>()
  const file = useRef<HTMLInputElement>(null)
  const client = useQueryClient()
  const go = useNavigate()
  const list = useQuery({ queryKey: jobKeys.all, queryFn: () => ask<JobCard[]>(api.GET('/api/jobs')) })
  const made = (job: JobOut) => {
    client.setQueryData(jobKeys.one(job.id), job)
    void client.invalidateQueries({ queryKey: jobKeys.all })
    void go(`/jobs/${job.id}/size`)
  }
  const read = useMutation({
    mutationFn: async (chosen: File) =>
      ask<JobOut>(
        api.POST('/api/jobs/file', {
          body: {},
          bodySerializer: () => chosen,
          headers: { 'content-type': 'application/json' },
        }),
      ),
    onSuccess: made,
  })
  useCommands({ create: () => setMaking(true) })
  const cards = list.data ?? []
  const scale = scaleOf(cards, size.width - 48)
  return (
    <div className="flex min-h-full flex-col">
      <TopBar
        onHelp={() => setHelp(true)}
        tools={
          <>
            <button type="button" className={BAR_BUTTON} onClick={() => file.current?.click()}>
              Read a job file
            </button>
            <input
              ref={file}
              type="file"
              accept=".json,application/json"
              aria-label="Job file"
              className="sr-only"
              tabIndex={-1}
              onChange={(event) => event.target.files?.[0] && read.mutate(event.target.files[0])}
            />
            <button
              type="button"
              onClick={() => setMaking(true)}
              className="min-h-10 rounded-md bg-brass px-4 font-bold text-on-brass"
            >
              New job
            </button>
          </>
        }
      >
        <h1 className="font-bold text-xl">The yard</h1>
        <span className="text-quiet">all walls at one scale</span>
      </TopBar>
      <main ref={box} className="flex flex-1 flex-col px-6 pt-6 pb-10">
        {read.error && (
          <p role="alert" className="mb-4 max-w-2xl border-stop border-l-[6px] bg-stop-ground px-3 py-2">
            <strong className="text-stop">Not read</strong> ·{' '}
            {read.error instanceof Refused ? <FileTrouble refused={read.error} /> : 'the server does not answer.'}
          </p>
        )}
        {list.isError && <p role="alert">The server does not answer. This page tries again by itself.</p>}
        {list.isSuccess && cards.length === 0 && (
          <p className="mt-16 text-center text-lg">No jobs yet. Make one with a name and a diagonal, or read a job file.</p>
        )}
        <ul className="my-auto flex flex-wrap items-stretch justify-center gap-x-10 gap-y-14">
          {size.width > 0 && cards.map((card) => <Wall key={card.id} card={card} scale={scale} />)}
        </ul>
      </main>
      <NewJob open={making} onClose={() => setMaking(false)} onMade={made} />
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </div>
  )
}

const FileTrouble = ({ refused }: { refused: Refused }) => (
  <>
    {(refused.problem.errors?.length ? refused.problem.errors : [{ pointer: '', text: refused.message }]).map((one) => (
      <span key={one.pointer + one.text} className="block">
        {one.pointer && <code>{one.pointer} </code>}
        <Rich text={one.text} />
      </span>
    ))}
  </>
)

const Wall = ({ card, scale }: { card: JobCard; scale: number }) => (
  <li className="flex">
    <Link
      to={`/jobs/${card.id}/${card.stops > 0 ? 'height' : 'wall'}`}
      className="group flex w-min min-w-[232px] flex-col rounded"
    >
      <span className="flex flex-1 items-end">
        <LittleWall face={card.front} pxPerMm={scale} />
      </span>
      <span className="mt-3 font-bold text-[19px] group-hover:text-brass">{card.name}</span>
      <span className="text-quiet leading-tight">{card.place || 'no place yet'}</span>
      <Num text={card.size_text} className="mt-1.5 h-7 text-[18px]" />
      <span
        className={`mt-1.5 block min-h-16 leading-snug ${card.stops > 0 ? 'border-stop border-l-[6px] pl-2.5' : card.minds > 0 ? 'border-brass border-l-[6px] pl-2.5' : 'border-seam border-l-2 pl-2.5'}`}
      >
        {card.stops > 0 && <strong className="text-stop">Stop · </strong>}
        <Rich text={card.next_point} />
      </span>
    </Link>
  </li>
)
