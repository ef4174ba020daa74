import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { ask, type Practice } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { Rich } from '../parts/Num'
import { Scene } from './Scene'

type Touch = { kind: string; steps: number }
type Control = { kind: string; name: string; less: [string, string]; more: [string, string] }

const CONTROLS: readonly Control[] = [
  { kind: 'turn', name: 'Turn', less: ['q', 'nose left'], more: ['e', 'nose right'] },
  { kind: 'tilt', name: 'Tilt', less: ['s', 'nose down'], more: ['w', 'nose up'] },
  { kind: 'roll', name: 'Roll', less: ['d', 'right side down'], more: ['a', 'right side up'] },
  { kind: 'ratio', name: 'Zoom', less: ['-', 'smaller'], more: ['+', 'larger'] },
  { kind: 'shift_h', name: 'Shift across', less: ['ArrowLeft', 'left'], more: ['ArrowRight', 'right'] },
  { kind: 'shift_v', name: 'Shift', less: ['ArrowDown', 'down'], more: ['ArrowUp', 'up'] },
  { kind: 'distance', name: 'Gap to the wall', less: ['-', 'nearer'], more: ['+', 'farther'] },
  { kind: 'lens_x', name: 'Body across', less: ['ArrowLeft', 'left'], more: ['ArrowRight', 'right'] },
  { kind: 'lens_y', name: 'Body', less: ['ArrowDown', 'down'], more: ['ArrowUp', 'up'] },
]
const SHOWN: Record<string, string> = { ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓', '-': '−' }
const BIG = 5

const newSeed = () => Math.floor(Math.random() * 1_000_000)
/** Touches of one kind after each other are one move. */
const movesOf = (touches: readonly Touch[]) => touches.filter((one, at) => one.kind !== touches[at - 1]?.kind).length

/** Practice: a projector that somebody else turned, until its picture sits on the frame. */
export const Trainer = () => {
  const rooms = useQuery({ queryKey: keys.trainer, queryFn: () => ask.get('/api/trainer') })
  const [room, setRoom] = useState('turned')
  const [seed, setSeed] = useState(newSeed)
  const [touches, setTouches] = useState<readonly Touch[]>([])
  const [now, setNow] = useState<Practice | null>(null)
  const [told, setTold] = useState(false)
  const [trouble, setTrouble] = useState('')
  const [began, setBegan] = useState(() => Date.now())
  const [took, setTook] = useState(0)
  const turn = useRef(0)

  const start = (key: string) => {
    setRoom(key)
    setSeed(newSeed())
    setTouches([])
    setTold(false)
    setBegan(Date.now())
    setTook(0)
  }
  useEffect(() => {
    const mine = ++turn.current // only the answer to the last touch counts
    ask
      .post('/api/trainer', { body: { room, seed, touches: [...touches] } })
      .then((answer) => {
        if (mine !== turn.current) return
        setNow(answer)
        setTrouble('')
        if (answer.home) setTook((before) => before || Date.now() - began)
      })
      .catch((error: Error) => mine === turn.current && setTrouble(error.message))
  }, [room, seed, touches, began])

  const touch = useCallback((kind: string, steps: number) => {
    setTold(false)
    setTouches((before) => {
      const last = before[before.length - 1]
      if (last?.kind === kind && Math.abs(last.steps + steps) < 400)
        return [...before.slice(0, -1), { kind, steps: last.steps + steps }]
      return [...before, { kind, steps }]
    })
  }, [])
  const own = CONTROLS.filter((one) => now?.kinds.includes(one.kind))
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
      const steps = event.shiftKey && key !== '+' ? BIG : 1
      const one = own.find((each) => each.less[0] === key || each.more[0] === (key === '=' ? '+' : key))
      if (!one || now?.home) return
      event.preventDefault()
      touch(one.kind, one.less[0] === key ? -steps : steps)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [own, now?.home, touch])

  return (
    <main className="grid h-dvh grid-cols-[1fr_340px] bg-velvet text-ink">
      <section className="flex min-w-0 flex-col p-4">
        <header className="flex items-baseline gap-4 pb-2">
          <Link to="/" className="underline decoration-dotted underline-offset-4">
            Yard
          </Link>
          <h1 className="font-bold text-lead">Align trainer</h1>
          {now && (
            <p className="text-quiet">
              {movesOf(touches)} {movesOf(touches) === 1 ? 'move' : 'moves'}, the solver makes {now.par}
            </p>
          )}
        </header>
        {now && <Scene practice={now} />}
        {now && (
          <p className="pt-2 text-lead" role="status">
            {now.home ? (
              <strong>
                Home: {movesOf(touches)} {movesOf(touches) === 1 ? 'move' : 'moves'} in {Math.round(took / 1000)} s, the solver
                makes {now.par}.
              </strong>
            ) : (
              <>
                Farthest corner {now.worst_mm.toFixed(1)} mm off; {now.within_mm.toFixed(1)} mm does.
              </>
            )}
          </p>
        )}
        {trouble && <p className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5">{trouble}</p>}
      </section>
      <aside className="flex flex-col gap-3 overflow-auto border-seam border-l bg-bench p-4">
        <div className="flex flex-col gap-1">
          {rooms.data?.map((one) => (
            <Button
              key={one.key}
              look={one.key === room ? 'main' : 'plain'}
              aria-pressed={one.key === room}
              onClick={() => start(one.key)}
            >
              {one.name}
            </Button>
          ))}
        </div>
        <table className="w-full">
          <tbody>
            {own.map((one) => (
              <tr key={one.kind} className="border-seam border-t">
                <th scope="row" className="py-1 text-left font-normal">
                  {one.name}
                </th>
                {([one.less, one.more] as const).map(([key, means], side) => (
                  <td key={key} className="py-1 pl-1">
                    <Button
                      size="tall"
                      className="w-full"
                      aria-label={`${one.name}, ${means}`}
                      disabled={now?.home}
                      onClick={() => touch(one.kind, side === 0 ? -1 : 1)}
                    >
                      {SHOWN[key] ?? key.toUpperCase()} <span className="text-quiet text-small">{means}</span>
                    </Button>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="text-quiet text-small">Shift with a key: {BIG} steps at once. Body before lens: shift and zoom last.</p>
        {!now?.home && <Button onClick={() => setTold(true)}>Show me why</Button>}
        {told && now?.next && (
          <div className="border-brass border-l-[6px] bg-lift px-3 py-2">
            <p>{now.why}</p>
            <p className="pt-1 font-semibold">
              <Rich text={now.next} />
            </p>
          </div>
        )}
        {now?.home && (
          <Button look="main" size="tall" onClick={() => start(room)}>
            Again
          </Button>
        )}
      </aside>
    </main>
  )
}
