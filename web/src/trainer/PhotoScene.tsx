import type { Practice } from '../api/client'
import { Rich } from '../parts/Num'

type Photo = NonNullable<Practice['photo']>
type Point = readonly number[]

const NEAR = 5 // how much larger a corner is shown
const [LENS, GAP] = [0.2, 0.05] // of the photo's width
const NAMES = ['top left', 'top right', 'bottom right', 'bottom left'] as const
const ORDER = [0, 1, 3, 2] as const // as they lie on the screen, upper ones first

const line = (points: readonly Point[]) => `M${points.map((one) => one.join(' ')).join('L')}Z`

/** Frame and picture as the photo has them. */
const Screen = ({ photo, thin }: { photo: Photo; thin: number }) => (
  <>
    <path d={line(photo.outer)} fill="var(--frame)" stroke="var(--frame-edge)" strokeWidth={thin} />
    <path d={line(photo.inner)} fill="var(--canvas)" />
    <path d={line(photo.picture)} fill="var(--chalk)" fillOpacity={0.35} stroke="var(--chalk)" strokeWidth={thin} />
  </>
)

/** A photo of the lit screen from one side; under it each corner enlarged, to be read against the border, whose width is known. */
export const PhotoScene = ({ photo }: { photo: Photo }) => {
  const half = LENS / NEAR / 2
  return (
    <figure className="flex min-h-56 flex-1 flex-col overflow-hidden">
      <svg
        viewBox={`0 0 1 ${photo.high + GAP + LENS + 0.035}`}
        className="min-h-0 w-full flex-1"
        role="img"
        aria-label="A photo of the lit screen, its corners enlarged"
      >
        <rect width={1} height={photo.high} fill="var(--bench)" />
        <Screen photo={photo} thin={0.002} />
        {ORDER.map((corner, at) => {
          const [u = 0, v = 0] = photo.inner[corner] ?? []
          const [x, y] = [at * (LENS + (1 - 4 * LENS) / 3), photo.high + GAP]
          return (
            <g key={corner}>
              <svg
                x={x}
                y={y}
                width={LENS}
                height={LENS}
                viewBox={`${u - half} ${v - half} ${2 * half} ${2 * half}`}
                aria-hidden="true"
              >
                <rect x={u - half} y={v - half} width={2 * half} height={2 * half} fill="var(--bench)" />
                <Screen photo={photo} thin={0.0005} />
              </svg>
              <rect x={x} y={y} width={LENS} height={LENS} fill="none" stroke="var(--brass)" strokeWidth={0.002} />
              <text x={x + LENS / 2} y={y + LENS + 0.028} fontSize={0.022} textAnchor="middle" fill="var(--ink)">
                {NAMES[corner]}
              </text>
            </g>
          )
        })}
      </svg>
      <figcaption className="pt-1 text-quiet text-small">
        A photo from one side, to scale, and each corner {NEAR} times larger. The border is <Rich text={photo.border} /> wide.
      </figcaption>
    </figure>
  )
}
