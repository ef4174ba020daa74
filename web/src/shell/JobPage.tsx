import { useEffect, useLayoutEffect, useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { FaceName, JobOut, Panel, Plan } from '../api/client'
import { Board, type Ghost } from '../board'
import { JobContext, useThisJob } from '../job/context'
import { ShownContext } from '../job/shown'
import { type Tap, TapContext } from '../job/tap'
import { useJob } from '../job/useJob'
import { Button } from '../parts/Button'
import { FloorFace, SeatFace, StationPanel, Strip, useSizeTable } from '../stations'
import { History } from './History'
import { JobTools } from './JobTools'
import { KeysHelp } from './KeysHelp'
import { Notices } from './Notices'
import { Rope } from './Rope'
import { TopBar } from './TopBar'
import { useCommands } from './useCommands'
import { WayLine } from './WayLine'

export const JobPage = () => {
  const { jobId = '', station } = useParams()
  const job = useJob(jobId)
  const go = useNavigate()
  const stands = job.shown !== undefined || job.query.isError
  useLayoutEffect(() => {
    // what the server wrote into the page makes way for the page
    if (stands) document.getElementById('first')?.remove()
  }, [stands])
  if (job.query.isError && !job.saved)
    return (
      <main className="p-10">
        <h1 className="font-bold text-lead">This job cannot be opened</h1>
        <p className="mt-2">{job.query.error.message}</p>
        <a className="mt-2 inline-flex min-h-11 items-center text-brass underline" href={`/api/jobs/${jobId}/file`} download>
          Save its file
        </a>
        <Button size="tall" className="mt-4 block" onClick={() => void go('/')}>
          Back to the yard
        </Button>
      </main>
    )
  if (!job.shown) return <main className="p-10 text-quiet" aria-busy="true" />
  const { panels } = job.shown.plan
  const panel = panels.find((one) => one.station === station) ?? panels.find((one) => one.home)
  return <JobContext value={job}>{panel && <Bench job={job.shown} panel={panel} />}</JobContext>
}

type Shown = 'front' | 'side' | 'top' | 'back' | 'edge' | 'floor' | 'seat'

const COMPARED = ['sizes', 'light', 'throw'] // a strip of candidates is seen whole

/** How much room what stands below the board has. */
const stripHigh = ({ tall, strip }: Panel): string => {
  if (!tall) return 'min-h-[150px]'
  return COMPARED.includes(strip) ? 'h-[374px] max-[1100px]:h-[396px]' : 'h-[270px]'
}

const facesAt = (panel: Panel) => panel.faces as Shown[]
const NAMES: Record<Shown, string> = {
  front: 'Front',
  side: 'Side',
  top: 'Top',
  back: 'Back',
  edge: 'Edge section',
  floor: 'Floor map',
  seat: 'From a seat',
}

const Bench = ({ job, panel }: { job: JobOut; panel: Panel }) => {
  const { look: looking, step, edit } = useThisJob()
  const { plan } = job
  const { station, strip } = panel
  const [turned, setTurned] = useState<{ station: string; face: Shown } | null>(null)
  const [at, setAt] = useState<number | null>(null)
  const [point, setPoint] = useState<number | null>(null)
  const [help, setHelp] = useState(false)
  const [shape, showShape] = useState('')
  const [looked, look] = useState('')
  const [corners, setCorners] = useState<Record<string, HTMLElement> | null>(null)
  const [tap, setTap] = useState<Tap | null>(null)
  const go = useNavigate()
  // a face that was turned to is this station's: the next one begins with its own
  const shown: Shown = turned?.station === station ? turned.face : panel.face
  const turn = (to: Shown) => setTurned({ station, face: to })
  const face: FaceName = shown === 'floor' || shown === 'seat' ? 'top' : shown
  // the back shows the fabric's points, and the front has none of them
  const lit = plan.panels.find((one) => one.station === panel.lit_by[shown]) ?? panel
  // what is done is kept with the job: a reload, or a second phone, stands at the same point
  const count = plan.tables.steps?.rows.length ?? 0
  const kept = plan.tables.steps?.done ?? 0
  // whoever tapped a point stays at that point when another order makes it another step
  const stepOf = (number: number) =>
    plan.tables.steps?.rows.findIndex((row) => [...row.numbers, ...row.partners].includes(number)) ?? -1
  const tapped = point === null ? -1 : stepOf(point)
  const reached = tapped >= 0 ? tapped : Math.min(at ?? kept, count)
  const stand = (step: number) => {
    setPoint(null)
    setAt(step)
  }
  const stepDone = () => {
    if (reached >= count) return
    stand(reached + 1)
    if (reached + 1 > kept) void edit([{ pointer: '/tension/steps_done', value: reached + 1 }])
  }
  const [now, done] = useSteps(plan, reached)
  const keys = plan.stations.map((one) => one.key)
  const shapeShown = panel.shape ? shape : ''
  useEffect(() => {
    looking.current = { ...looking.current, station: lit.station, shape: shapeShown }
  }, [looking, lit.station, shapeShown])
  const move = (by: number) => {
    const next = keys[keys.indexOf(station) + by]
    if (next) turnTo(next)
  }
  const turnTo = (next: string) => {
    void go(`/jobs/${job.id}/${next}`)
  }
  const jumpTo = (to: number) => {
    if (stepOf(to) >= 0) setPoint(to)
  }
  useCommands({
    yard: () => void go('/'),
    nextStation: () => move(1),
    lastStation: () => move(-1),
    flip: () => {
      const faces = facesAt(panel)
      turn(faces[(faces.indexOf(shown) + 1) % faces.length] ?? 'front')
    },
    nextStep: stepDone,
    lastStep: () => stand(Math.max(0, reached - 1)),
    undo: () => void step('undo'),
    redo: () => void step('redo'),
  })
  const ghosts = useGhosts(job, looked, strip === 'sizes' && shown === 'front')
  return (
    <TapContext value={{ tap, setTap }}>
      <ShownContext value={{ shape, showShape, looked, look, corners }}>
        <div className="flex h-full flex-col">
          <TopBar
            oneRow
            jobId={job.id}
            actions={[
              { label: 'Undo', words: 'take back', act: () => void step('undo') },
              { label: 'Redo', words: 'again', act: () => void step('redo') },
              { label: 'Sheets', words: 'print paper pdf job pack', act: () => void go('?sheet=') },
              { label: "The crew's page", words: 'phone ladder day', act: () => window.location.assign(`/day/${job.id}`) },
            ]}
            tools={<JobTools job={job} />}
            onHelp={() => setHelp(true)}
          >
            <h1 className="truncate font-bold text-lead max-[520px]:text-value">{job.document.name}</h1>
            <span className="truncate text-quiet max-[520px]:hidden">{job.document.place}</span>
          </TopBar>
          <Notices />
          <WayLine panel={panel} stations={plan.stations} onGo={turnTo} />
          <div className="flex min-h-0 flex-1 max-[820px]:flex-col max-[820px]:overflow-y-auto max-[820px]:overflow-x-hidden">
            <Rope jobId={job.id} stations={plan.stations} current={station} />
            <main className="relative flex min-w-0 flex-1 flex-col max-[820px]:min-h-[620px] max-[820px]:flex-none">
              <div className="flex px-3 pt-2">
                <div role="tablist" aria-label="Face" className="flex gap-1">
                  {facesAt(panel).map((one) => (
                    <button
                      key={one}
                      type="button"
                      role="tab"
                      aria-selected={one === shown}
                      onClick={() => turn(one)}
                      className={`min-h-10 rounded-md px-4 ${one === shown ? 'bg-lift font-bold' : 'text-quiet'}`}
                    >
                      {NAMES[one]}
                    </button>
                  ))}
                </div>
                <History job={job} />
              </div>
              <div className="min-h-0 flex-1 px-2">
                {shown === 'floor' && <FloorFace job={job} plan={plan} face={job.drawing.top} panel={panel} />}
                {shown === 'seat' && <SeatFace job={job} plan={plan} />}
                {shown === face && (
                  <Board
                    key={shown}
                    face={job.drawing[face]}
                    panel={lit}
                    now={now}
                    done={done}
                    ghosts={ghosts}
                    shape={shapeShown}
                    onPoint={strip === 'steps' ? jumpTo : undefined}
                    onCorners={strip === 'moves' && shown === 'front' ? setCorners : undefined}
                  />
                )}
              </div>
              {shown !== 'floor' && (
                <div className={`shrink-0 border-seam border-t ${stripHigh(panel)}`}>
                  <Strip job={job} plan={plan} strip={strip} at={reached} onStep={stand} onDone={stepDone} />
                </div>
              )}
            </main>
            <aside
              aria-label="Station"
              className="relative w-[330px] shrink-0 max-[1100px]:w-[276px] overflow-y-auto border-seam border-l bg-bench px-4 py-3 max-[820px]:w-full"
            >
              <StationPanel job={job} plan={plan} station={station} />
            </aside>
          </div>
          <KeysHelp open={help} onClose={() => setHelp(false)} />
        </div>
      </ShownContext>
    </TapContext>
  )
}

/** The points of this step, and all points held before it. */
const useSteps = (plan: Plan, at: number) =>
  useMemo(() => {
    const steps = plan.tables.steps?.rows ?? []
    const step = steps[at]
    const held = steps.slice(0, at).filter((one) => !one.loose)
    return [
      new Set(step ? [...step.numbers, ...step.partners] : []),
      new Set(held.flatMap((one) => [...one.numbers, ...one.partners])),
    ] as const
  }, [plan.tables.steps, at])

/** The size that is looked at, drawn as a ghost beside the chosen one; before one is, the next smaller and the next larger. */
const useGhosts = (job: JobOut, looked: string, wanted: boolean): Ghost[] => {
  const table = useSizeTable(job, wanted)
  if (!wanted) return []
  const rows = table.data?.rows ?? []
  const own = rows.find((row) => row.key === looked)
  const at = rows.findIndex((row) => row.chosen)
  const shown = own ? [own] : at < 0 ? [] : [rows[at - 1], rows[at + 1]]
  return shown.flatMap((row) => (row ? [{ name: row.diagonal, rect: row.picture_mm, looked: row === own }] : []))
}
