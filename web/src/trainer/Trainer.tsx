import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { ask, type Practice } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { Rich } from '../parts/Num'
import { NumbersScene } from './NumbersScene'
import { PhotoScene } from './PhotoScene'
import { Scene, timesOf } from './Scene'

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

type Try = { moves: number; seconds: number; par: number }
const LAST = 5
const DRAWN: Record<number, string> = { 1: 'to scale', 2: 'twice as large', 4: 'four times larger' }
const triesOf = (room: string): readonly Try[] => {
  try {
    return JSON.parse(localStorage.getItem(`trainer.${room}`) ?? '[]') as Try[]
  } catch {
    return []
  }
}
/** The last tries in a room, on this device. */
const kept = (room: string, one: Try): readonly Try[] => {
  const tries = [one, ...triesOf(room)].slice(0, LAST)
  try {
    localStorage.setItem(`trainer.${room}`, JSON.stringify(tries))
  } catch {
    // a browser that keeps nothing: they last as long as the page
  }
  return tries
}

/** By what the picture is known in this room: seen on the frame, in a photo, or by its readings alone. */
const Shown = ({ practice }: { practice: Practice }) => {
  if (practice.photo && !practice.home) return <PhotoScene photo={practice.photo} />
  if (practice.told === 'scene' || practice.home) return <Scene practice={practice} />
  return <NumbersScene practice={practice} />
}

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
  const [tries, setTries] = useState(() => triesOf('turned'))
  const done = useRef(false)
  const turn = useRef(0)

  const start = (key: string) => {
    setRoom(key)
    setTries(triesOf(key))
    done.current = false
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
        if (answer.home && !done.current) {
          done.current = true
          const ms = Date.now() - began
          setTook(ms)
          setTries(kept(room, { moves: movesOf(touches), seconds: Math.round(ms / 1000), par: answer.par }))
        }
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
  const undo = useCallback(() => {
    setTold(false)
    setTouches((before) => before.slice(0, -1))
  }, [])
  const own = CONTROLS.filter((one) => now?.kinds.includes(one.kind))
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key
      const key = { _: '-', '=': '+' }[pressed] ?? pressed // Shift changes what these keys are called
      if (key === 'Backspace' && !now?.home) {
        event.preventDefault()
        undo()
        return
      }
      const steps = event.shiftKey ? BIG : 1
      const one = own.find((each) => each.less[0] === key || each.more[0] === key)
      if (!one || now?.home) return
      event.preventDefault()
      touch(one.kind, one.less[0] === key ? -steps : steps)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [own, now?.home, touch, undo])

  return (
    <main data-held={touches.length > 0 || undefined} className="grid bg-velvet text-ink md:h-dvh md:grid-cols-[1fr_340px]">
      <section className="flex min-w-0 flex-col p-4 md:max-h-dvh md:min-h-0">
        <header className="flex items-baseline gap-4 pb-2">
          <Link to="/" className="underline decoration-dotted underline-offset-4">
            Yard
          </Link>
          <h1 className="font-bold text-lead">Align trainer</h1>
          <Link to="/trainer/cloth" className="underline decoration-dotted underline-offset-4">
            Wrinkle trainer
          </Link>
          {now && (
            <p className="text-quiet">
              {movesOf(touches)} {movesOf(touches) === 1 ? 'move' : 'moves'}, the solver makes {now.par}
            </p>
          )}
        </header>
        {now && <Shown practice={now} />}
        {now && (now.told === 'scene' || now.home) && (
          <table className="mt-2 w-full text-small">
            <caption className="pb-1 text-left text-quiet">
              Misses are drawn {DRAWN[timesOf(now)]}. How far each corner stands outside, minus is inside, as Align asks for it:
            </caption>
            <tbody>
              <tr>
                {now.readings.map((one) => (
                  <td key={one.name} className="pr-2 align-top">
                    <span className="text-quiet">{one.name}</span>
                    <br />
                    <Rich text={one.across} />
                    <br />
                    <Rich text={one.up} />
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        )}
        {now && (
          <p className="pt-2 text-lead" role="status">
            {now.home ? (
              <strong>
                Home: {movesOf(touches)} {movesOf(touches) === 1 ? 'move' : 'moves'} in {Math.round(took / 1000)} s, the solver
                makes {now.par}.
              </strong>
            ) : (
              <>
                Farthest corner <Rich text={now.worst} /> off; <Rich text={now.within} /> does.
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
                  {now?.steps[one.kind] && (
                    <span className="block text-quiet text-small">
                      <Rich text={now.steps[one.kind] ?? ''} />
                    </span>
                  )}
                </th>
                {([one.less, one.more] as const).map(([key, means], side) => (
                  <td key={key} className="py-1 pl-1">
                    <Button
                      size="tall"
                      className="w-full"
                      aria-label={`${one.name}, ${SHOWN[key] ?? key.toUpperCase()} ${means}`}
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
        {!now?.home && (
          <Button disabled={touches.length === 0} onClick={undo}>
            Take the last move back
          </Button>
        )}
        {!now?.home && <Button onClick={() => setTold(true)}>Show me why</Button>}
        {tries.length > 0 && (
          <p className="text-quiet text-small">
            Your last tries here: {tries.map((one) => `${one.moves} of ${one.par} moves in ${one.seconds} s`).join('; ')}.
          </p>
        )}
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
