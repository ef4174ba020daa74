import type { Practice } from '../api/client'
import { Rich } from '../parts/Num'

type Photo = NonNullable<Practice['photo']>
type Point = readonly number[]

const NEAR = 14 // how much larger a corner is shown
const LENS = 0.2 // of the photo's width

const line = (points: readonly Point[]) => `M${points.map((one) => one.join(' ')).join('L')}Z`

/** Frame and picture as the photo has them. */
const Screen = ({ photo, thin }: { photo: Photo; thin: number }) => (
  <>
    <path d={line(photo.outer)} fill="var(--frame)" stroke="var(--frame-edge)" strokeWidth={thin} />
    <path d={line(photo.inner)} fill="var(--canvas)" />
    <path d={line(photo.picture)} fill="var(--chalk)" fillOpacity={0.35} stroke="var(--chalk)" strokeWidth={thin} />
  </>
)

/** A photo of the lit screen from one side; each corner enlarged, to be read against the border, whose width is known. */
export const PhotoScene = ({ photo }: { photo: Photo }) => {
  const places = [
    [0, 0],
    [1 - LENS, 0],
    [1 - LENS, photo.high - LENS],
    [0, photo.high - LENS],
  ] as const
  return (
    <figure className="flex min-h-56 flex-1 flex-col">
      <svg
        viewBox={`0 0 1 ${photo.high}`}
        className="min-h-0 w-full flex-1"
        role="img"
        aria-label="A photo of the lit screen, its corners enlarged"
      >
        <rect width={1} height={photo.high} fill="var(--bench)" />
        <Screen photo={photo} thin={0.002} />
        {places.map(([x, y], at) => {
          const [u = 0, v = 0] = photo.inner[at] ?? []
          const half = LENS / NEAR / 2
          return (
            <svg
              key={`${x} ${y}`}
              x={x}
              y={y}
              width={LENS}
              height={LENS}
              viewBox={`${u - half} ${v - half} ${2 * half} ${2 * half}`}
              aria-hidden="true"
            >
              <rect x={u - half} y={v - half} width={2 * half} height={2 * half} fill="var(--bench)" />
              <Screen photo={photo} thin={0.0002} />
              <rect
                x={u - half}
                y={v - half}
                width={2 * half}
                height={2 * half}
                fill="none"
                stroke="var(--brass)"
                strokeWidth={0.0004}
              />
            </svg>
          )
        })}
      </svg>
      <figcaption className="pt-1 text-quiet text-small">
        A photo from one side, to scale; each corner {NEAR} times larger. The border is <Rich text={photo.border} /> wide.
      </figcaption>
    </figure>
  )
}
