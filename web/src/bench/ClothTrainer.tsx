import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { ask, type ClothSheet } from '../api/client'
import { Button, Pick } from '../parts/Button'
import type { Field } from './paint'
import { unpacked } from './pieces'
import { SheetView } from './SheetView'

/** Ten sheets with something wrong: look, say what and where, see what it was. */
export const ClothTrainer = () => {
  const [number, setNumber] = useState(1)
  const [sheet, setSheet] = useState<ClothSheet | null>(null)
  const [kind, setKind] = useState('')
  const [point, setPoint] = useState(-1)
  const [field, setField] = useState<Field>('along')
  const [trouble, setTrouble] = useState('')
  useEffect(() => {
    let wanted = true
    setSheet(null)
    setKind('')
    setPoint(-1)
    ask
      .post('/api/trainer/cloth', { body: { number } })
      .then((answer) => wanted && setSheet(answer))
      .catch((error: Error) => wanted && setTrouble(error.message))
    return () => {
      wanted = false
    }
  }, [number])
  const guess = () =>
    ask
      .post('/api/trainer/cloth', { body: { number, guess: { kind, point } } })
      .then(setSheet)
      .catch((error: Error) => setTrouble(error.message))
  const answer = sheet?.answer
  const whole = kind === 'racked' || kind === 'askew'
  return (
    <main
      data-held={number > 1 || kind ? true : undefined}
      className="flex h-dvh flex-col bg-velvet text-ink max-md:h-auto max-md:min-h-dvh"
    >
      <header className="flex flex-wrap items-center gap-x-4 border-seam border-b px-4 py-2">
        <Link to="/trainer" className="inline-flex min-h-11 items-center underline decoration-dotted underline-offset-4">
          Align trainer
        </Link>
        <h1 className="font-bold text-lead">Wrinkle trainer</h1>
        {sheet && (
          <p className="text-quiet">
            Sheet {sheet.number} of {sheet.of}, held by {sheet.hold}
          </p>
        )}
      </header>
      {trouble && <p className="m-4 border-stop border-l-[6px] bg-stop-ground px-3 py-1.5">{trouble}</p>}
      {sheet && (
        <div className="grid min-h-0 flex-1 md:grid-cols-[1fr_340px]">
          <div className="flex min-h-0 min-w-0 flex-col max-md:h-[56dvh]">
            <SheetView
              sheet={{ ...sheet, cells: sheet.cells as [number, number], picture: unpacked(sheet.picture) }}
              size={sheet}
              points={sheet.points}
              field={field}
              picked={new Set(answer && answer.point >= 0 ? [answer.point] : point >= 0 && !whole ? [point] : [])}
              onPick={answer ? undefined : setPoint}
              label={`Sheet ${sheet.number} from the back`}
            />
          </div>
          <aside className="flex flex-col gap-3 overflow-auto border-seam border-l bg-bench p-4 max-md:border-t max-md:border-l-0">
            <fieldset className="flex gap-1" aria-label="Tension shown">
              <Pick on={field === 'along'} onClick={() => setField('along')}>
                Tension along
              </Pick>
              <Pick on={field === 'up'} onClick={() => setField('up')}>
                up and down
              </Pick>
            </fieldset>
            <p>What is wrong with it?</p>
            <div className="flex flex-col gap-1">
              {sheet.choices.map((choice) => (
                <Button
                  key={choice.key}
                  look={choice.key === kind ? 'main' : 'plain'}
                  aria-pressed={choice.key === kind}
                  disabled={Boolean(answer)}
                  onClick={() => setKind(choice.key)}
                >
                  {choice.label}
                </Button>
              ))}
            </div>
            {kind && !whole && (
              <label className="flex items-center gap-2">
                At point
                <input
                  inputMode="numeric"
                  className="min-h-11 w-20 rounded-md border border-seam bg-velvet px-2"
                  value={point >= 0 ? (sheet.points[point]?.label ?? '') : ''}
                  onChange={(event) => setPoint(sheet.points.findIndex((each) => each.label === event.target.value.trim()))}
                />
                <span className="text-quiet text-small">or tap it</span>
              </label>
            )}
            {!answer && (
              <Button look="main" size="tall" disabled={!kind || (!whole && point < 0)} onClick={() => void guess()}>
                That is it
              </Button>
            )}
            {answer && (
              <div className="border-brass border-l-[6px] bg-lift px-3 py-2" role="status">
                <p className="font-semibold">{answer.text}</p>
                <p className="pt-1">{answer.why}</p>
              </div>
            )}
            <div className="flex gap-2">
              <Button disabled={number <= 1} onClick={() => setNumber(number - 1)}>
                Sheet before
              </Button>
              <Button look={answer ? 'main' : 'plain'} disabled={number >= sheet.of} onClick={() => setNumber(number + 1)}>
                Next sheet
              </Button>
            </div>
            <p className="text-quiet text-small">{sheet.model}</p>
          </aside>
        </div>
      )}
    </main>
  )
}
