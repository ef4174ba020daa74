import { useRef, useState } from 'react'
import { ask } from '../api/client'
import { keepStepPhoto } from '../api/stepPhoto'
import { Button } from '../parts/Button'
import { FilePick } from '../parts/FilePick'
import { said, Trouble } from '../parts/Trouble'
import type { Mark } from './SheetView'

type Point = [number, number]
type Size = { wide: number; high: number }
const LOOK = 'tension/look' // the step that a photo of the sheet belongs to
const NAMES = ['top left', 'top right', 'bottom right', 'bottom left'] as const
const SLOW = 0.35 // a corner goes slower than the finger

const inside = ({ wide, high }: Size): Point[] => [
  [0.1 * wide, 0.1 * high],
  [0.9 * wide, 0.1 * high],
  [0.9 * wide, 0.9 * high],
  [0.1 * wide, 0.9 * high],
]

/** Waves taken from a photo with a lamp along the face: its four corners are set, lines are proposed, and corrected on the sheet. */
export const WavePhoto = ({
  job,
  front,
  onWaves,
}: {
  job: string
  front: boolean
  onWaves: (marks: readonly Mark[]) => void
}) => {
  const [photo, setPhoto] = useState('')
  const [size, setSize] = useState<Size | null>(null)
  const [corners, setCorners] = useState<readonly Point[]>([])
  const [busy, setBusy] = useState('')
  const [trouble, setTrouble] = useState('')
  const [told, setSaid] = useState('')
  const doing = async (what: string, act: () => Promise<void>) => {
    setBusy(what)
    setTrouble('')
    try {
      await act()
    } catch (error) {
      setTrouble(said(error))
    } finally {
      setBusy('')
    }
  }
  const pick = (file: File) =>
    doing('Keeping the photo', async () => {
      setSize(null)
      setPhoto(await keepStepPhoto(job, LOOK, file))
    })
  const propose = () =>
    doing('Looking for waves', async () => {
      const found = await ask.post('/api/jobs/{job_id}/tension/waves', {
        params: { path: { job_id: job } },
        body: { photo, corners: corners.flat(), front },
      })
      onWaves(found.lines.map((line) => ({ from: line.from_mm, to: line.to_mm, bad: line.bad, slack: false })))
      setSaid(
        found.lines.length
          ? `Waves drawn: ${found.lines.length}. Take out each that is only a shadow.`
          : 'No wave is seen in this photo.',
      )
    })
  const href = `/api/jobs/${job}/photos/${photo}`
  return (
    <section
      aria-label="From a photo"
      data-held={photo || busy ? true : undefined}
      className="flex flex-col gap-2 border-seam border-t pt-3"
    >
      <FilePick label="Photo of the sheet" accept="image/jpeg,image/png" size="bar" onPick={(file) => void pick(file)}>
        {busy || 'Take them from a photo'}
      </FilePick>
      <p className="text-quiet text-small">
        Room dark, a lamp along the face from one side, all of the frame in the photo. Then drag each corner onto the frame's.
      </p>
      {photo && (
        <img
          src={href}
          alt=""
          className="hidden"
          onLoad={({ currentTarget: image }) => {
            const now = { wide: image.naturalWidth, high: image.naturalHeight }
            setSize(now)
            setCorners(inside(now))
          }}
        />
      )}
      {size && (
        <fieldset aria-label="The photo, its four corners">
          <Handles href={href} size={size} corners={corners} onMove={setCorners} />
        </fieldset>
      )}
      {size && (
        <Button disabled={busy !== ''} onClick={() => void propose()}>
          Propose the waves
        </Button>
      )}
      {told && <p role="status">{told}</p>}
      <Trouble text={trouble} />
    </section>
  )
}

type HandlesProps = { href: string; size: Size; corners: readonly Point[]; onMove: (corners: readonly Point[]) => void }

/** The photo with a handle on each corner; arrow keys move the one that has the focus. */
const Handles = ({ href, size, corners, onMove }: HandlesProps) => {
  const box = useRef<SVGSVGElement>(null)
  const gripped = useRef<{ at: number; x: number; y: number; from: Point } | null>(null)
  const put = (at: number, to: Point) => onMove(corners.map((corner, place) => (place === at ? to : corner)))
  const scale = () => size.wide / (box.current?.getBoundingClientRect().width ?? 1)
  const dot = size.wide / 36
  const step: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${size.wide} ${size.high}`}
      className="w-full touch-none rounded"
      onPointerMove={(event) => {
        const grip = gripped.current
        if (!grip) return
        const by = scale() * SLOW
        put(grip.at, [grip.from[0] + (event.clientX - grip.x) * by, grip.from[1] + (event.clientY - grip.y) * by])
      }}
      onPointerUp={() => {
        gripped.current = null
      }}
    >
      <title>The photo, its four corners</title>
      <image href={href} width={size.wide} height={size.high} />
      <path
        d={`M${corners.map((corner) => corner.join(' ')).join('L')}Z`}
        fill="none"
        stroke="var(--brass)"
        strokeWidth={dot / 6}
      />
      {corners.map((corner, at) => (
        // biome-ignore lint/a11y/useSemanticElements: a handle in a drawing
        <circle
          key={NAMES[at]}
          cx={corner[0]}
          cy={corner[1]}
          r={dot}
          tabIndex={0}
          role="button"
          aria-label={`Corner, ${NAMES[at]}: ${Math.round(corner[0])}, ${Math.round(corner[1])}`}
          fill="var(--brass)"
          fillOpacity={0.3}
          stroke="var(--brass)"
          strokeWidth={dot / 6}
          className="cursor-grab"
          onKeyDown={(event) => {
            const by = step[event.key]
            if (!by) return
            event.preventDefault()
            const far = event.shiftKey ? 20 : 3
            put(at, [corner[0] + by[0] * far, corner[1] + by[1] * far])
          }}
          onPointerDown={(event) => {
            event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId)
            gripped.current = { at, x: event.clientX, y: event.clientY, from: corner }
          }}
        />
      ))}
    </svg>
  )
}
