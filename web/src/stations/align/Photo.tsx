import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ask, type PhotoReading, type StateReading } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { FilePick } from '../../parts/FilePick'
import { Num, Rich } from '../../parts/Num'
import { said, Trouble } from '../../parts/Trouble'

type PhotoProps = { onRead: (typed: Record<string, string>, photo: string) => void }
type Point = [number, number]

type Taken = { photo: string; frame?: number[] }
const MOST = 6

/** Photos of one state of the lit screen, read into the eight numbers; the frame's corners can be moved by hand. */
export const Photo = ({ onRead }: PhotoProps) => {
  const { saved } = useThisJob()
  const id = saved?.id ?? ''
  const [state, setState] = useState<readonly Taken[]>([])
  const [found, setFound] = useState<PhotoReading | null>(null)
  const [whole, setWhole] = useState<StateReading | null>(null)
  const [busy, setBusy] = useState(false)
  const [trouble, setTrouble] = useState('')
  const shown = state[state.length - 1]?.photo ?? ''
  /** The last photo by itself, then all of this state together where there are several. */
  const read = async (photos: readonly Taken[]) => {
    const last = photos[photos.length - 1]
    if (!last) return
    setBusy(true)
    setState(photos)
    try {
      const path = { job_id: id, photo_id: last.photo }
      const answer = await ask.get('/api/jobs/{job_id}/photos/{photo_id}/reading', {
        params: { path, query: last.frame ? { frame: last.frame } : {} },
      })
      const readable = !answer.trouble || answer.possible.length > 0
      const all =
        photos.length > 1 && readable
          ? await ask.post('/api/jobs/{job_id}/photos/together', {
              params: { path: { job_id: id } },
              body: { photos: [...photos] },
            })
          : null
      const told = all ?? answer
      setFound(answer)
      setWhole(all)
      setTrouble(told.trouble)
      // what is not trusted fills no box, and nothing of it can be kept
      if (told.trouble) onRead({}, '')
      else onRead(told.typed, last.photo)
    } catch (error) {
      setTrouble(said(error))
    } finally {
      setBusy(false)
    }
  }
  const pick = async (file: File, before: readonly Taken[]) => {
    setBusy(true)
    setFound(null)
    setWhole(null)
    setTrouble('')
    onRead({}, '')
    try {
      const { id: key } = await ask.post('/api/jobs/{job_id}/photos', {
        params: { path: { job_id: id } },
        body: file as unknown as string,
        bodySerializer: (body: unknown) => body as BodyInit,
        headers: { 'content-type': file.type },
      })
      await read([...before, { photo: key }])
    } catch (error) {
      setTrouble(said(error))
      setBusy(false)
    }
  }
  const without = (key: string) => {
    const rest = state.filter((one) => one.photo !== key)
    if (rest.length === state.length) return
    setState(rest)
    setFound(null)
    setWhole(null)
    onRead({}, '')
    void read(rest)
  }
  const told_ = whole ?? found
  return (
    <div className="pb-2" data-held={busy || state.length > 0 || undefined}>
      <FilePick label="Photo of the lit screen" accept="image/jpeg,image/png" size="bar" onPick={(file) => void pick(file, [])}>
        {busy ? 'Reading the photo' : 'Read a photo'}
      </FilePick>
      <p className="pt-1 text-quiet text-small leading-snug">
        Cast “For a photo”, switch some room light on, and take the whole screen with its border in the photo.
      </p>
      <Trouble text={trouble} />
      {found && found.possible.length > 1 && !whole && <Possible answers={found.possible} />}
      {found && shown && (
        <Corners
          key={shown}
          href={`/api/jobs/${id}/photos/${shown}`}
          found={found}
          onMoved={(frame) => void read([...state.slice(0, -1), { photo: shown, frame: frame.flat() }])}
        />
      )}
      {told_ && !told_.trouble && (
        <p className="text-small">
          {whole ? `${whole.photos} photos together read` : 'Read'} to ± <Rich text={told_.said} />
          {!whole && found && `, ${found.markers} of 12 markers seen`}. Look at the corners, then keep the round.
        </p>
      )}
      {found && (!found.trouble || found.possible.length > 0) && state.length < MOST && (
        <div className="pt-1">
          <FilePick
            label="One more photo of the same state"
            accept="image/jpeg,image/png"
            size="bar"
            onPick={(file) => void pick(file, state)}
          >
            One more of the same state
          </FilePick>
          <p className="pt-1 text-quiet text-small leading-snug">
            From another side, with nothing moved: together they read finer.
          </p>
        </div>
      )}
      {state.length > 1 && (
        <ul aria-label="Photos of this state" className="pt-1">
          {state.map((one, at) => (
            <li key={one.photo} className="flex min-h-10 items-center gap-2 text-small">
              <span className="flex-1">
                Photo {at + 1}
                {one.frame && <span className="text-quiet"> · corners by hand</span>}
              </span>
              <Button look="remove" aria-label={`Leave photo ${at + 1} out`} onClick={() => without(one.photo)}>
                ×
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Photos id={id} shown={shown} onRemoved={without} />
    </div>
  )
}

/** Both answers of a photo that may say either. */
const Possible = ({ answers }: { answers: PhotoReading['possible'] }) => {
  const keys = Object.keys(answers[0] ?? {})
  return (
    <table className="my-1 w-full text-small" aria-label="Two answers are possible">
      <thead>
        <tr>
          <th scope="col" className="text-left font-normal text-quiet">
            reading
          </th>
          <th scope="col" className="text-right font-normal text-quiet">
            likelier
          </th>
          <th scope="col" className="text-right font-normal text-quiet">
            or
          </th>
        </tr>
      </thead>
      <tbody>
        {keys.map((key) => (
          <tr key={key} className="border-seam border-t">
            <th scope="row" className="py-0.5 text-left font-normal text-quiet">
              {CORNER_WORDS[key.slice(0, 2)]}, {key[3] === 'x' ? 'sideways' : 'up and down'}
            </th>
            {answers.map((answer, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the answers have no name but their place
              <td key={at} className="text-right">
                <Num text={answer[key] ?? ''} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
const CORNER_WORDS: Record<string, string> = { tl: 'top left', tr: 'top right', br: 'bottom right', bl: 'bottom left' }

const WHEN = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

/** The photos that are kept with the job; one is taken away by a tap, and who did it stays. */
const Photos = ({ id, shown, onRemoved }: { id: string; shown: string; onRemoved: (key: string) => void }) => {
  const client = useQueryClient()
  const list = useQuery({
    queryKey: [...keys.photos(id), shown],
    queryFn: () => ask.get('/api/jobs/{job_id}/photos', { params: { path: { job_id: id } } }),
    enabled: id !== '',
  })
  const remove = useMutation({
    mutationFn: (key: string) =>
      ask.delete('/api/jobs/{job_id}/photos/{photo_id}', { params: { path: { job_id: id, photo_id: key } } }),
    onSuccess: (_, key) => {
      onRemoved(key)
      void client.invalidateQueries({ queryKey: keys.photos(id) })
    },
  })
  const rows = list.data ?? []
  if (!rows.length) return null
  return (
    <details>
      <summary className="min-h-10 cursor-pointer py-2 text-small">
        {rows.length === 1 ? 'One photo' : `${rows.length} photos`} kept with this job
      </summary>
      <ul>
        {rows.map((one) => (
          <li key={one.id} className="flex min-h-10 items-center gap-2 text-small">
            <span className="flex-1">
              {WHEN.format(new Date(one.taken_at))}
              {one.removed_at && <span className="text-quiet"> · removed by {one.removed_by}</span>}
            </span>
            {!one.removed_at && (
              <Button
                look="remove"
                aria-label={`Remove the photo of ${WHEN.format(new Date(one.taken_at))}`}
                onClick={() => remove.mutate(one.id)}
              >
                ×
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Trouble text={said(remove.error)} />
    </details>
  )
}

const [SLOW, NEAR_PX] = [0.1, 48]

/** What lies under the finger, enlarged, on the side of the photo where the finger is not. */
const Loupe = ({ href, found, at: [x, y] }: { href: string; found: PhotoReading; at: Point }) => {
  const side = found.width_px / 2.6
  const seen = found.width_px / 26
  const left = x < found.width_px / 2 ? found.width_px - side : 0
  return (
    <svg
      x={left}
      y={y < found.height_px / 2 ? found.height_px - side : 0}
      width={side}
      height={side}
      viewBox={`${x - seen / 2} ${y - seen / 2} ${seen} ${seen}`}
      aria-hidden="true"
    >
      <image href={href} width={found.width_px} height={found.height_px} />
      <path
        d={`M${x - seen / 2} ${y}H${x + seen / 2}M${x} ${y - seen / 2}V${y + seen / 2}`}
        stroke="var(--brass)"
        strokeWidth={seen / 160}
      />
      <rect
        x={x - seen / 2}
        y={y - seen / 2}
        width={seen}
        height={seen}
        fill="none"
        stroke="var(--brass)"
        strokeWidth={seen / 40}
      />
    </svg>
  )
}

type CornersProps = { href: string; found: PhotoReading; onMoved: (frame: Point[]) => void }

/** The photo with what was found in it; a corner of the frame is dragged where it really is. */
const Corners = ({ href, found, onMoved }: CornersProps) => {
  const box = useRef<SVGSVGElement>(null)
  const gripped = useRef<{ x: number; y: number; corner: Point } | null>(null)
  const [frame, setFrame] = useState<Point[]>(found.frame_px.map(([x = 0, y = 0]) => [x, y]))
  const [held, setHeld] = useState<number | null>(null)
  useEffect(() => setFrame(found.frame_px.map(([x = 0, y = 0]) => [x, y])), [found.frame_px])
  if (!found.width_px) return null
  const dot = found.width_px / 70
  const scale = () => found.width_px / (box.current?.getBoundingClientRect().width ?? 1)
  // a finger is coarser than a photo: near where it went down a corner follows slowly, farther off as fast as it
  const slowly = (moved: number) => moved * SLOW + Math.sign(moved) * Math.max(0, Math.abs(moved) - NEAR_PX)
  const place = (event: React.PointerEvent): Point => {
    const grip = gripped.current
    if (!grip) return [0, 0]
    return [grip.corner[0] + slowly(event.clientX - grip.x) * scale(), grip.corner[1] + slowly(event.clientY - grip.y) * scale()]
  }
  const outline = (points: readonly (readonly number[])[]) => `M${points.map((one) => one.join(' ')).join('L')}Z`
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${found.width_px} ${found.height_px}`}
      className="my-1 w-full touch-none rounded"
      role="img"
      aria-label="The photo with the corners found in it"
      onPointerMove={(event) => held !== null && setFrame((now) => now.map((one, at) => (at === held ? place(event) : one)))}
      onPointerUp={() => {
        if (held !== null) onMoved(frame)
        setHeld(null)
      }}
    >
      <image href={href} width={found.width_px} height={found.height_px} />
      {frame.length === 4 && <path d={outline(frame)} fill="none" stroke="var(--brass)" strokeWidth={dot / 4} />}
      {found.picture_px.length === 4 && (
        <path
          d={outline(found.picture_px)}
          fill="none"
          stroke="var(--chalk)"
          strokeWidth={dot / 4}
          strokeDasharray={`${dot} ${dot / 2}`}
        />
      )}
      {frame.map(([x, y], at) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: corners have no name but their place
          key={at}
          cx={x}
          cy={y}
          r={dot}
          fill="var(--brass)"
          fillOpacity={0.35}
          stroke="var(--brass)"
          strokeWidth={dot / 4}
          className="cursor-grab"
          onPointerDown={(event) => {
            event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId)
            gripped.current = { x: event.clientX, y: event.clientY, corner: [x, y] }
            setHeld(at)
          }}
        />
      ))}
      {held !== null && frame[held] && <Loupe href={href} found={found} at={frame[held]} />}
    </svg>
  )
}
