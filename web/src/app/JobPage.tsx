import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { Face, JobOut, Plan, PreviewOut, StationKey } from '../api/client'
import { Board, type Ghost, TapeStrip } from '../board'
import { JobContext, useThisJob } from '../job/context'
import { ShownContext } from '../job/shown'
import { useJob } from '../job/useJob'
import { Findings, LightStrip, PANELS, SizeTableStrip, StepStrip, ThrowStrip, useSizeTable } from '../stations'
import { History } from './History'
import { JobTools } from './JobTools'
import { KeysHelp } from './KeysHelp'
import { FloorFace, SeatFace } from './LightFaces'
import { Notices } from './Notices'
import { Rope } from './Rope'
import { TopBar } from './TopBar'
import { useCommands } from './useCommands'

export const JobPage = () => {
  const { jobId = '', station = 'wall' } = useParams()
  const job = useJob(jobId)
  const go = useNavigate()
  if (job.query.isError && !job.saved)
    return (
      <main className="p-10">
        <h1 className="font-bold text-xl">This job cannot be opened</h1>
        <p className="mt-2">{job.query.error.message}</p>
        <button type="button" className="mt-4 min-h-11 rounded border border-seam px-4" onClick={() => void go('/')}>
          Back to the yard
        </button>
      </main>
    )
  if (!job.saved) return <main className="p-10 text-quiet" aria-busy="true" />
  return (
    <JobContext value={job}>
      <Bench job={job.saved} station={(station in PANELS ? station : 'wall') as StationKey} />
    </JobContext>
  )
}

const FACES = ['front', 'side', 'top', 'back'] as const
const LIGHT_FACES = ['floor', 'seat'] as const
type Shown = (typeof FACES)[number] | (typeof LIGHT_FACES)[number]
const NAMES: Record<Shown, string> = {
  front: 'Front',
  side: 'Side',
  top: 'Top',
  back: 'Back',
  floor: 'Floor map',
  seat: 'From a seat',
}

const Bench = ({ job, station }: { job: JobOut; station: StationKey }) => {
  const { preview, step } = useThisJob()
  const [side, setSide] = useState<Shown | null>(null)
  const [at, setAt] = useState(0)
  const [help, setHelp] = useState(false)
  const [shape, showShape] = useState<number | null>(null)
  const go = useNavigate()
  const plan: Plan = preview ? { ...preview.plan, steps: job.plan.steps } : job.plan
  const natural: Shown = station === 'tension' ? 'back' : station === 'light' ? 'seat' : 'front'
  const shown = side ?? natural
  const face: Face = faceOf(shown, job, preview)
  const lit = shown === 'back' && station !== 'wall' ? 'tension' : shown === 'front' && station === 'tension' ? 'wall' : station
  const reached = Math.min(at, Math.max(0, plan.steps.length - 1))
  const [now, done] = useSteps(plan, reached)
  const keys = plan.stations.map((one) => one.key)
  const move = (by: number) => {
    const next = keys[keys.indexOf(station) + by]
    if (next) turnTo(next)
  }
  const turnTo = (next: string) => {
    setSide(null)
    void go(`/jobs/${job.id}/${next}`)
  }
  const stepBy = (by: number) => setAt(Math.min(Math.max(0, reached + by), Math.max(0, plan.steps.length - 1)))
  useCommands({
    yard: () => void go('/'),
    nextStation: () => move(1),
    lastStation: () => move(-1),
    flip: () => setSide(FACES[(FACES.indexOf(shown as (typeof FACES)[number]) + 1) % FACES.length] ?? 'front'),
    nextStep: () => stepBy(1),
    lastStep: () => stepBy(-1),
    undo: () => void step('undo'),
    redo: () => void step('redo'),
  })
  const ghosts = useGhosts(job, station === 'size' && shown === 'front')
  const Panel = PANELS[station]
  const texts = job.plan.reading_texts
  return (
    <ShownContext value={{ shape, showShape }}>
      <div className="flex h-full flex-col">
        <TopBar tools={<JobTools job={job} />} onHelp={() => setHelp(true)}>
          <h1 className="truncate font-bold text-xl max-[520px]:text-[17px]">{job.document.name}</h1>
          <span className="truncate text-quiet max-[520px]:hidden">{job.document.place}</span>
        </TopBar>
        <Notices />
        <div className="flex min-h-0 flex-1 max-[820px]:flex-col max-[820px]:overflow-y-auto max-[820px]:overflow-x-hidden">
          <Rope jobId={job.id} stations={plan.stations} current={station} />
          <main className="relative flex min-w-0 flex-1 flex-col max-[820px]:min-h-[620px] max-[820px]:flex-none">
            <div className="flex px-3 pt-2">
              <div role="tablist" aria-label="Face" className="flex gap-1">
                {(station === 'light' ? [...FACES, ...LIGHT_FACES] : FACES).map((one) => (
                  <button
                    key={one}
                    type="button"
                    role="tab"
                    aria-selected={one === shown}
                    onClick={() => setSide(one)}
                    className={`min-h-10 rounded-md px-4 ${one === shown ? 'bg-lift font-bold' : 'text-quiet'}`}
                  >
                    {NAMES[one]}
                  </button>
                ))}
              </div>
              <History job={job} />
            </div>
            <div className="min-h-0 flex-1 px-2">
              {shown === 'floor' && <FloorFace job={job} plan={plan} face={face} />}
              {shown === 'seat' && <SeatFace job={job} plan={plan} />}
              {shown !== 'floor' && shown !== 'seat' && (
                <Board
                  key={shown}
                  face={face}
                  station={lit}
                  now={now}
                  done={done}
                  ghosts={ghosts}
                  shape={station === 'size' || station === 'throw' ? shape : null}
                />
              )}
            </div>
            <div
              className={`shrink-0 border-seam border-t ${shown === 'floor' ? 'h-[150px]' : ['size', 'light', 'throw'].includes(station) ? 'h-[270px]' : 'min-h-[150px]'}`}
            >
              {station === 'tension' && <StepStrip plan={plan} at={reached} onStep={setAt} />}
              {station === 'size' && <SizeTableStrip job={job} />}
              {station === 'light' && <LightStrip job={job} plan={plan} />}
              {station === 'throw' && <ThrowStrip job={job} plan={plan} />}
              {!['tension', 'size', 'light', 'throw'].includes(station) && (
                <TapeStrip pieces={preview?.tape ?? job.drawing.tape} />
              )}
            </div>
          </main>
          <aside
            aria-label="Station"
            className="relative w-[330px] shrink-0 overflow-y-auto border-seam border-l bg-bench px-4 py-3 max-[820px]:w-full"
          >
            <h2 className="mb-2 font-bold text-[22px]">{plan.stations.find((one) => one.key === station)?.label}</h2>
            <Findings plan={plan} station={station} />
            <Panel job={job} plan={plan} texts={texts} />
          </aside>
        </div>
        <KeysHelp open={help} onClose={() => setHelp(false)} />
      </div>
    </ShownContext>
  )
}

/** The points of this step, and all points held before it. */
const useSteps = (plan: Plan, at: number) =>
  useMemo(() => {
    const step = plan.steps[at]
    const held = plan.steps.slice(0, at).filter((one) => one.part !== 'Loose pass')
    return [
      new Set(step ? [...step.numbers, ...step.partners] : []),
      new Set(held.flatMap((one) => [...one.numbers, ...one.partners])),
    ] as const
  }, [plan.steps, at])

const faceOf = (shown: Shown, job: JobOut, preview: PreviewOut | null): Face => {
  if (shown === 'floor' || shown === 'seat') return job.drawing.top
  return preview?.[shown] ?? job.drawing[shown]
}

/** The next smaller and larger size, drawn as ghosts beside the chosen one. */
const useGhosts = (job: JobOut, wanted: boolean): Ghost[] => {
  const table = useSizeTable(job)
  const rows = table.data?.rows ?? []
  const at = rows.findIndex((row) => row.chosen)
  if (!wanted || at < 0) return []
  return [rows[at - 1], rows[at + 1]].flatMap((row) => (row ? [{ name: row.diagonal, rect: row.picture_mm }] : []))
}
