import { useEffect, useRef, useState } from 'react'
import type { Practice } from '../api/client'

const WIDE = 1000
const PAD = 0.16 // of the frame, around it
const TIMES = [4, 2, 1] // misses are drawn larger: a millimeter is not seen
const GLIDE_MS = 160

type Points = readonly (readonly [number, number])[]

/** The picture between two answers: it glides, so that the eye follows what a touch did. */
const useGlide = (to: Points): Points => {
  const [at, setAt] = useState(to)
  const now = useRef(to)
  useEffect(() => {
    const from = now.current
    const began = performance.now()
    let frame = 0
    const step = (time: number) => {
      const share = Math.min(1, (time - began) / GLIDE_MS)
      const eased = 1 - (1 - share) ** 3
      const between = to.map(([x, y], corner) => {
        const [a, b] = from[corner] ?? [x, y]
        return [a + (x - a) * eased, b + (y - b) * eased] as const
      })
      now.current = between
      setAt(between)
      if (share < 1) frame = requestAnimationFrame(step)
    }
    frame = requestAnimationFrame(step)
    return () => cancelAnimationFrame(frame)
  }, [to])
  return at
}

const enlarged = (practice: Practice, times: number): Points =>
  practice.picture.map(([x = 0, y = 0], corner) => {
    const [u = 0, v = 0] = practice.target[corner] ?? []
    return [u + (x - u) * times, v + (y - v) * times] as const
  })

/** How many times larger misses are drawn: as large as the scene holds them whole. */
export const timesOf = (practice: Practice): number =>
  TIMES.find((times) => enlarged(practice, times).every((point) => point.every((share) => share > -PAD && share < 1 + PAD))) ?? 1

/** The frame with the light on it, misses drawn larger. */
export const Scene = ({ practice }: { practice: Practice }) => {
  const larger = enlarged(practice, timesOf(practice))
  const key = JSON.stringify(larger)
  const [goal, setGoal] = useState<Points>(larger)
  useEffect(() => setGoal(JSON.parse(key)), [key])
  const points = useGlide(goal)
  const high = WIDE / practice.aspect
  const px = ([x = 0, y = 0]: readonly [number, number]) => `${x * WIDE} ${y * high}`
  const target = practice.target.map(([x = 0, y = 0]) => [x, y] as const)
  return (
    <svg
      viewBox={`${-PAD * WIDE} ${-PAD * high} ${WIDE * (1 + 2 * PAD)} ${high * (1 + 2 * PAD)}`}
      className="min-h-56 w-full flex-1"
      role="img"
      aria-label={practice.home ? 'The picture sits on the frame' : 'The picture, off the frame'}
    >
      <rect width={WIDE} height={high} fill="var(--frame)" stroke="var(--frame-edge)" strokeWidth={3} />
      <path d={`M${target.map(px).join('L')}Z`} fill="var(--canvas)" />
      <path
        d={`M${points.map(px).join('L')}Z`}
        fill="var(--chalk)"
        fillOpacity={practice.home ? 0.5 : 0.3}
        stroke="var(--chalk)"
        strokeWidth={3}
      />
      <path
        d={`M${px(points[0] ?? [0, 0])}L${px(points[2] ?? [0, 0])}M${px(points[1] ?? [0, 0])}L${px(points[3] ?? [0, 0])}`}
        stroke="var(--chalk)"
        strokeWidth={1}
      />
      <path d={`M${target.map(px).join('L')}Z`} fill="none" stroke="var(--brass)" strokeWidth={2} strokeDasharray="10 6" />
    </svg>
  )
}
