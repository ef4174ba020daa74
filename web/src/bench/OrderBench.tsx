import { useEffect, useState } from 'react'
import type { JobOut } from '../api/client'
import { Button, Pick } from '../parts/Button'
import { Rich } from '../parts/Num'
import type { Field } from './paint'
import type { Run } from './pieces'
import { SheetView } from './SheetView'
import type { BenchSheet } from './TensionBench'
import { useOrder } from './useOrder'

type Props = { job: JobOut; bench: BenchSheet; take: (changes: Run['changes']) => void; kept: string }
const SPEEDS_MS = 260
const ROWS: readonly (readonly [string, string])[] = [
  ['tension', 'tension'],
  ['evenness', 'evenness'],
  ['wrinkled', 'picture wrinkled'],
  ['slack', 'hangs slack'],
  ['drift', 'sheet lies'],
  ['margin left', 'left margin'],
  ['margin right', 'right margin'],
  ['margin top', 'top margin'],
  ['margin bottom', 'bottom margin'],
  ['bow', 'rails bow'],
  ['racked', 'frame racked'],
  ['longest', 'longest stretch'],
]
const COMPARED: readonly (readonly [string, string])[] = [
  ['evenness', 'evenness'],
  ['wrinkled', 'picture wrinkled'],
  ['farthest', 'moves by at most'],
  ['drift', 'lies at the end'],
  ['past', 'springs past limit'],
  ['bow', 'rails bow'],
]

/** Step through an order and see what the sheet does; two orders side by side. */
export const OrderBench = ({ job, bench, take, kept }: Props) => {
  const [order, setOrder] = useState('planned')
  const [other, setOther] = useState<string | null>(null)
  const first = useOrder(job.id, job.version, order)
  const second = useOrder(job.id, job.version, other)
  const [at, setAt] = useState(0)
  const [plays, setPlays] = useState(false)
  const [field, setField] = useState<Field>('along')
  const { run } = first
  const last = Math.max(0, run.moments.length - 1)
  const now = Math.min(at, last)
  useEffect(() => {
    if (!plays) return
    const beat = setInterval(() => setAt((before) => Math.min(before + 1, last)), SPEEDS_MS)
    return () => clearInterval(beat)
  }, [plays, last])
  useEffect(() => {
    if (plays && run.came && now >= last) setPlays(false)
  }, [plays, run.came, now, last])
  const play = () => {
    if (now >= last && !plays) setAt(0)
    setPlays(!plays)
  }
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if ((event.target as Element).closest('input, select, button, a')) return
      if (event.key === ' ') setPlays((before) => !before)
      else if (event.key === 'ArrowRight') setAt(Math.min(last, now + 1))
      else if (event.key === 'ArrowLeft') setAt(Math.max(0, now - 1))
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [last, now])
  const taken = run.came?.rests === kept
  const moment = run.moments[now]
  const labels = new Map(bench.orders.map((each) => [each.key, each.label]))
  const names = moment?.held.map((point) => bench.points[point]?.label).join(', ')
  return (
    <div className="grid min-h-0 flex-1 md:grid-cols-[1fr_330px]">
      <div className="flex min-h-0 min-w-0 flex-col max-md:h-[64dvh]">
        <div className="flex min-h-0 flex-1 flex-wrap max-[520px]:flex-col">
          <Side run={run} at={now} bench={bench} field={field} name={labels.get(order) ?? order} alone={other === null} />
          {other !== null && (
            <Side
              run={second.run}
              at={run.moments.length > 1 ? Math.round((now / last) * (second.run.moments.length - 1)) : 0}
              bench={bench}
              field={field}
              name={labels.get(other) ?? other}
              alone={false}
            />
          )}
        </div>
        <div className="flex flex-wrap items-center gap-2 border-seam border-t px-3 py-2">
          <Button look="main" onClick={play}>
            {plays ? 'Pause' : 'Play'}
          </Button>
          <Button aria-label="One moment back" disabled={now === 0} onClick={() => setAt(now - 1)}>
            ←
          </Button>
          <Button aria-label="One moment on" disabled={now >= last} onClick={() => setAt(now + 1)}>
            →
          </Button>
          <input
            type="range"
            aria-label="Moment of the order"
            className="min-h-11 min-w-40 flex-1 accent-[var(--brass)]"
            min={0}
            max={last}
            value={now}
            onChange={(event) => {
              setPlays(false)
              setAt(Number(event.target.value))
            }}
          />
          <p className="min-w-52 text-small tabular-nums" aria-live="polite">
            {moment ? (
              <>
                <strong>Step {moment.step}</strong>{' '}
                {names ? `${moment.held.length > 1 ? 'points' : 'point'} ${names}` : 'the bars go in'}
                {moment.bar_gap && (
                  <>
                    : rails stand <Rich text={moment.bar_gap} /> too close
                  </>
                )}
              </>
            ) : (
              'Computing the first picture'
            )}
          </p>
        </div>
      </div>
      <aside className="flex min-h-0 flex-col gap-3 overflow-auto border-seam border-l bg-bench p-4 max-md:border-t max-md:border-l-0">
        {(first.trouble || second.trouble) && (
          <p className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5">{first.trouble || second.trouble}</p>
        )}
        <fieldset className="flex gap-1" aria-label="Tension shown">
          <Pick on={field === 'along'} onClick={() => setField('along')}>
            Tension along
          </Pick>
          <Pick on={field === 'up'} onClick={() => setField('up')}>
            up and down
          </Pick>
        </fieldset>
        <label className="flex flex-col gap-1 text-small">
          <span className="text-quiet">Order</span>
          <select
            className="min-h-11 rounded-md border border-seam bg-velvet px-2"
            value={order}
            onChange={(event) => setOrder(event.target.value)}
          >
            {bench.orders.map((each) => (
              <option key={each.key} value={each.key}>
                {each.label}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1 text-small">
          <span className="text-quiet">Beside it</span>
          <select
            className="min-h-11 rounded-md border border-seam bg-velvet px-2"
            value={other ?? ''}
            onChange={(event) => setOther(event.target.value || null)}
          >
            <option value="">nothing</option>
            {bench.orders
              .filter((each) => each.key !== order)
              .map((each) => (
                <option key={each.key} value={each.key}>
                  {each.label}
                </option>
              ))}
          </select>
        </label>
        {other === null && moment && <Facts texts={moment.texts} sprung={bench.sprung} />}
        {other !== null && <Compared left={run} right={second.run} names={[labels.get(order) ?? '', labels.get(other) ?? '']} />}
        {first.progress < 1 && !first.trouble && <Progress share={first.progress} />}
        {run.came && (
          <>
            {run.came.awaited.length > 0 && (
              <ul className="flex flex-col gap-1 text-small">
                {run.came.awaited.map(([step, text]) => (
                  <li key={`${step}-${text}`}>
                    <span className="text-quiet">From step {step}: </span>
                    <Rich text={text} />
                  </li>
                ))}
              </ul>
            )}
            <Button look="main" size="tall" disabled={taken} onClick={() => take(run.changes)}>
              {taken ? 'Kept in the job' : 'Keep it for the steps'}
            </Button>
          </>
        )}
        <p className="text-quiet text-small">
          The shade shows the pull, its lines are in N/m. Thick strokes are waves, thin slanted ones slack cloth. The frame's bow
          is drawn 8 times.
        </p>
        <p className="text-quiet text-small">{bench.model}</p>
      </aside>
    </div>
  )
}

type SideProps = { run: Run; at: number; bench: BenchSheet; field: Field; name: string; alone: boolean }
const Side = ({ run, at, bench, field, name, alone }: SideProps) => {
  const moment = run.moments[at]
  const held = new Set(moment?.stretch_mm.flatMap((mm, which) => (mm === null ? [] : [which])) ?? [])
  const past = new Set(moment?.past ?? [])
  return (
    <figure className="flex min-h-40 min-w-72 flex-1 flex-col">
      {!alone && <figcaption className="px-3 pt-2 font-semibold">{name}</figcaption>}
      <SheetView
        sheet={moment && run.head ? { ...run.head, picture: moment.picture } : null}
        size={bench}
        points={bench.points}
        field={field}
        held={held}
        now={new Set(moment?.held ?? [])}
        past={past}
        bow={moment?.bow_mm}
        label={`The sheet from the back, ${name}, step ${moment?.step ?? 0}`}
      />
    </figure>
  )
}

const Facts = ({ texts, sprung }: { texts: Record<string, string>; sprung: boolean }) => (
  <table className="w-full text-small">
    <tbody>
      {ROWS.filter(([key]) => sprung || key !== 'longest').map(([key, label]) => (
        <tr key={key} className="border-seam border-t">
          <th scope="row" className="py-1 text-left font-normal text-quiet">
            {label}
          </th>
          <td className="py-1 text-right font-semibold tabular-nums">
            <Rich text={texts[key] ?? ''} />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)

const Compared = ({ left, right, names }: { left: Run; right: Run; names: [string, string] }) => (
  <table className="w-full text-small">
    <caption className="pb-1 text-left text-quiet">At the end of each order</caption>
    <thead>
      <tr>
        <th />
        {names.map((name) => (
          <th key={name} scope="col" className="pb-1 text-right align-bottom font-semibold">
            {name}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {COMPARED.map(([key, label]) => (
        <tr key={key} className="border-seam border-t">
          <th scope="row" className="py-1 text-left font-normal text-quiet">
            {label}
          </th>
          {[left, right].map((run, which) => (
            <td key={names[which]} className="py-1 pl-2 text-right tabular-nums">
              <Rich text={run.came?.texts[key] ?? '…'} />
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  </table>
)

export const Progress = ({ share }: { share: number }) => (
  <div className="h-2 rounded bg-lift" role="progressbar" aria-label="Computing" aria-valuenow={Math.round(share * 100)}>
    <div className="h-2 rounded bg-brass" style={{ width: `${Math.round(share * 100)}%` }} />
  </div>
)
