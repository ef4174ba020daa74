import { useState } from 'react'
import { ask, type FoundOnSheet, followed, type JobOut, Refused } from '../api/client'
import { Button, Pick } from '../parts/Button'
import { Rich } from '../parts/Num'
import { Progress } from './OrderBench'
import { unpacked } from './pieces'
import { type Mark, radiusOf, SheetView } from './SheetView'
import type { BenchSheet } from './TensionBench'
import { WavePhoto } from './WavePhoto'

type Typed = Record<string, string>
type Shown = 'marks' | 'before' | 'after'
const BADS = [
  [1, 'faint'],
  [2, 'plain'],
  [3, 'deep'],
] as const

type Keep = (round: { seen: string; moves: string }) => void
/** Draw what is seen, get its causes and what to do at which points, and the sheet after it. */
export const Wrinkles = ({ job, bench, keep }: { job: JobOut; bench: BenchSheet; keep: Keep }) => {
  const [marks, setMarks] = useState<readonly Mark[]>([])
  const [bad, setBad] = useState(2)
  const [slack, setSlack] = useState(false)
  const [front, setFront] = useState(false)
  const [springs, setSprings] = useState<Typed>({})
  const [margins, setMargins] = useState<Typed>({})
  const nothing = marks.length + Object.keys(springs).length + Object.keys(margins).length === 0
  const [found, setFound] = useState<FoundOnSheet | null>(null)
  const [shown, setShown] = useState<Shown>('marks')
  const [progress, setProgress] = useState<number | null>(null)
  const [trouble, setTrouble] = useState('')
  const [picked, setPicked] = useState<readonly number[]>([])

  const look = async () => {
    setTrouble('')
    setProgress(0)
    const path = { params: { path: { job_id: job.id } } }
    const body = {
      lines: marks.filter((mark) => !mark.slack).map((mark) => ({ from_mm: mark.from, to_mm: mark.to, bad: mark.bad })),
      patches: marks.filter((mark) => mark.slack).map((mark) => ({ at_mm: mark.from, radius_mm: radiusOf(mark) })),
      stretched: springs,
      margins,
    }
    try {
      // the first time the faults of this sheet are computed: that is followed here, with how far it is
      for (;;) {
        const answer = await fetch(`/api/jobs/${job.id}/tension/wrinkles`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        })
        if (answer.status !== 202) break
        const { work } = (await answer.json()) as { work: string }
        await followed(work, setProgress)
      }
      const answer = await ask.post('/api/jobs/{job_id}/tension/wrinkles', { ...path, body })
      setFound(answer)
      setShown('before')
      setPicked(answer.causes[0]?.points ?? [])
    } catch (error) {
      setTrouble(error instanceof Refused ? error.fields.map((field) => field.text).join(' ') : (error as Error).message)
    } finally {
      setProgress(null)
    }
  }
  const changed = (next: readonly Mark[]) => {
    setMarks(next)
    setFound(null)
    setShown('marks')
    setPicked([])
  }
  const drawn = (from: [number, number], to: [number, number]) => {
    const turned = ([u, v]: [number, number]): [number, number] => [front ? bench.width_mm - u : u, v]
    changed([...marks, { from: turned(from), to: turned(to), bad, slack }])
  }
  const seen = front
    ? bench.points.map((point) => ({
        ...point,
        u_mm: bench.width_mm - point.u_mm,
        side: { left: 'right', right: 'left' }[point.side] ?? point.side,
      }))
    : bench.points
  const mirrored = (mark: Mark): Mark =>
    front ? { ...mark, from: [bench.width_mm - mark.from[0], mark.from[1]], to: [bench.width_mm - mark.to[0], mark.to[1]] } : mark
  const picture = found && shown !== 'marks' ? found[shown] : null
  return (
    <div className="grid min-h-0 flex-1 md:grid-cols-[1fr_360px]" data-held={nothing ? undefined : true}>
      <div className="flex min-h-0 min-w-0 flex-col max-md:h-[60dvh]">
        <SheetView
          sheet={
            picture && found && !front
              ? {
                  cells: found.cells,
                  picture: unpacked(picture),
                  width_mm: bench.width_mm,
                  height_mm: bench.height_mm,
                  full_n_m: found.full_n_m,
                }
              : null
          }
          size={bench}
          points={seen}
          field="along"
          picked={new Set(picked)}
          marks={marks.map(mirrored)}
          onDraw={drawn}
          patches={slack}
          label="The sheet: draw the waves that are seen"
          corner={
            <fieldset className="flex gap-1 rounded-md bg-bench" aria-label="Seen from">
              <Pick on={!front} onClick={() => setFront(false)}>
                from the back
              </Pick>
              <Pick
                on={front}
                onClick={() => {
                  setFront(true)
                  setShown('marks')
                }}
              >
                from the front
              </Pick>
            </fieldset>
          }
        />
        <div className="flex flex-wrap items-center gap-2 border-seam border-t px-3 py-2">
          <fieldset className="flex gap-1" aria-label="What is drawn next, and how bad it is">
            {BADS.map(([value, name]) => (
              <Pick
                key={value}
                on={!slack && bad === value}
                onClick={() => {
                  setBad(value)
                  setSlack(false)
                }}
              >
                {name}
              </Pick>
            ))}
            <Pick on={slack} onClick={() => setSlack(true)}>
              slack patch
            </Pick>
          </fieldset>
          <Button disabled={marks.length === 0} onClick={() => changed(marks.slice(0, -1))}>
            Take the last one back
          </Button>
          {marks.length > 1 && (
            <ul aria-label="What is drawn" className="flex flex-wrap gap-1 text-small">
              {marks.map((mark, at) => (
                <li key={`${mark.from} ${mark.to}`} className="flex items-center rounded-md bg-lift pl-2">
                  {mark.slack ? 'patch' : BADS.find(([bad]) => bad === mark.bad)?.[1]}
                  <Button
                    look="remove"
                    aria-label={`Take ${mark.slack ? 'patch' : 'wave'} ${at + 1} out`}
                    onClick={() => changed(marks.filter((_, place) => place !== at))}
                  >
                    ×
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <Button look="main" className="ml-auto" disabled={nothing || progress !== null} onClick={() => void look()}>
            What is it?
          </Button>
        </div>
      </div>
      <aside className="flex min-h-0 flex-col gap-3 overflow-auto border-seam border-l bg-bench p-4 max-md:border-t max-md:border-l-0">
        {trouble && <p className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5">{trouble}</p>}
        {!found && progress === null && (
          <p className="text-quiet">
            Lamp along the face, from both ends. Draw each wave with a finger, from end to end, where it stands and which way it
            runs; cloth that hangs as a slack patch, from its middle outward. A slack spring or a point that is off by little
            often shows none: read stretches and margins below.
          </p>
        )}
        {progress !== null && (
          <>
            <p>The faults of this sheet are computed once, and kept.</p>
            <Progress share={progress} />
          </>
        )}
        {found && <Answer key={found.causes[0]?.text} found={found} shown={shown} show={setShown} pick={setPicked} keep={keep} />}
        <WavePhoto job={job.id} front={front} onWaves={(waves) => changed([...marks, ...waves])} />
        {bench.sprung && <Springs bench={bench} read={springs} change={setSprings} />}
        <Margins read={margins} change={setMargins} />
        <p className="text-quiet text-small">{bench.model}</p>
      </aside>
    </div>
  )
}

type AnswerProps = {
  found: FoundOnSheet
  shown: Shown
  show: (shown: Shown) => void
  pick: (points: readonly number[]) => void
  keep: Keep
}
const Answer = ({ found, shown, show, pick, keep }: AnswerProps) => {
  const [kept, setKept] = useState(false)
  return (
    <>
      {found.nothing && <p className="border-brass border-l-[6px] bg-lift px-3 py-2">{found.nothing}</p>}
      {found.causes.length > 0 && (
        <section>
          <h2 className="pb-1 font-bold">Likely causes</h2>
          <ol className="flex flex-col gap-1">
            {found.causes.map((cause) => (
              <li key={cause.text}>
                <button
                  type="button"
                  className="flex min-h-11 w-full items-center gap-3 rounded-md px-2 text-left hover:bg-lift"
                  onClick={() => pick(cause.points)}
                >
                  <span className="w-14 shrink-0 font-semibold tabular-nums">{Math.round(100 * cause.weight)} %</span>
                  <Rich text={cause.text} />
                </button>
              </li>
            ))}
          </ol>
        </section>
      )}
      {found.moves.length > 0 && (
        <section>
          <h2 className="pb-1 font-bold">Do this, then look again</h2>
          <ol className="flex flex-col gap-2">
            {found.moves.map((move) => (
              <li key={move.text}>
                <button
                  type="button"
                  className="min-h-11 w-full rounded-md px-2 text-left hover:bg-lift"
                  onClick={() => pick(move.points)}
                >
                  <Rich text={move.text} />
                </button>
              </li>
            ))}
          </ol>
          {found.how && (
            <p className="pt-1 text-small text-quiet">
              <Rich text={found.how} />
            </p>
          )}
          <fieldset className="flex gap-1 pt-2" aria-label="Picture">
            <Pick on={shown === 'marks'} onClick={() => show('marks')}>
              what I drew
            </Pick>
            <Pick on={shown === 'before'} onClick={() => show('before')}>
              as it is thought to be
            </Pick>
            <Pick on={shown === 'after'} onClick={() => show('after')}>
              after it
            </Pick>
          </fieldset>
          <p className="pt-1 text-small">
            Wrinkled: {found.before_texts.wrinkled} now, {found.after_texts.wrinkled} after.{' '}
            <span className="text-quiet">{found.note}</span>
          </p>
          <p className="pt-1 text-quiet text-small">{found.last}</p>
          <Button
            className="mt-2 w-full"
            disabled={kept}
            onClick={() => {
              setKept(true)
              keep({ seen: found.causes[0]?.text ?? '', moves: found.moves.map((move) => move.text).join('\n') })
            }}
          >
            {kept ? 'These are steps of the day now' : 'Make these steps of the day'}
          </Button>
        </section>
      )}
    </>
  )
}

type TypedProps = { bench: BenchSheet; read: Typed; change: (read: Typed) => void }
/** The stretch of single springs, read with a rule. */
const Springs = ({ bench, read, change }: TypedProps) => {
  const [point, setPoint] = useState('')
  const [typed, setTyped] = useState('')
  const [trouble, setTrouble] = useState('')
  const add = () => {
    const at = bench.points.findIndex((each) => each.label === point.trim())
    if (at < 0) setTrouble(`There is no point ${point.trim() || 'without a number'}. Type the number that is written beside it.`)
    else if (typed.trim()) {
      change({ ...read, [at]: typed.trim() })
      setPoint('')
      setTyped('')
      setTrouble('')
    } else setTrouble('The stretch is missing.')
  }
  return (
    <form
      className="flex flex-col gap-2 border-seam border-t pt-3"
      onSubmit={(event) => {
        event.preventDefault()
        add()
      }}
    >
      <p className="font-semibold">Springs read, their stretch</p>
      <div className="flex gap-2">
        <input
          aria-label="Point"
          placeholder="point"
          className="min-h-11 w-20 rounded-md border border-seam bg-velvet px-2"
          value={point}
          onChange={(event) => setPoint(event.target.value)}
        />
        <input
          aria-label="Its stretch"
          placeholder="stretch"
          className="min-h-11 w-28 rounded-md border border-seam bg-velvet px-2"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit">Add</Button>
      </div>
      {trouble && <p className="text-stop">{trouble}</p>}
      <ul className="flex flex-wrap gap-2">
        {Object.entries(read).map(([at, length]) => (
          <li key={at} className="rounded-md bg-lift pl-2">
            {bench.points[Number(at)]?.label}: {length}
            <Button
              look="remove"
              aria-label={`Take point ${bench.points[Number(at)]?.label} out`}
              onClick={() => change(Object.fromEntries(Object.entries(read).filter(([key]) => key !== at)))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
    </form>
  )
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const
/** How far the cloth reaches past the frame on each side. */
const Margins = ({ read, change }: Omit<TypedProps, 'bench'>) => (
  <fieldset className="flex flex-col gap-2 border-seam border-t pt-3" aria-label="Margins read">
    <p className="font-semibold">Margins read, from the back</p>
    <div className="grid grid-cols-2 gap-2">
      {SIDES.map((side) => (
        <input
          key={side}
          aria-label={`Margin, ${side}`}
          placeholder={side}
          className="min-h-11 min-w-0 rounded-md border border-seam bg-velvet px-2"
          value={read[side] ?? ''}
          onChange={(event) => {
            const { [side]: _, ...others } = read
            change(event.target.value ? { ...others, [side]: event.target.value } : others)
          }}
        />
      ))}
    </div>
  </fieldset>
)
