import { type PointerEvent, type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { type Field, paint, type Sheet } from './paint'
import type { Point } from './pieces'

export type Mark = { from: [number, number]; to: [number, number]; bad: number; slack?: boolean }
/** How far the cloth hangs round the place a slack patch was begun at. */
export const radiusOf = (mark: Mark) => Math.hypot(mark.to[0] - mark.from[0], mark.to[1] - mark.from[1])
type Props = {
  sheet: Sheet | null
  size: { width_mm: number; height_mm: number }
  points: readonly Point[]
  field: Field
  held?: ReadonlySet<number>
  now?: ReadonlySet<number>
  past?: ReadonlySet<number>
  picked?: ReadonlySet<number>
  onPick?: (point: number) => void
  marks?: readonly Mark[]
  onDraw?: (from: [number, number], to: [number, number]) => void
  patches?: boolean
  bow?: readonly number[]
  label: string
  corner?: ReactNode
}

const MARGIN = 46
const BOW_TIMES = 8
const useBox = () => {
  const box = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  useLayoutEffect(() => {
    if (!box.current) return
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height })
    })
    watch.observe(box.current)
    return () => watch.disconnect()
  }, [])
  return { box, size }
}

/** The sheet from the back, to scale: its tension, its waves, its points, the frame that bows; lines are drawn on it by finger. */
export const SheetView = (props: Props) => {
  const { sheet, size, points, field, onDraw } = props
  const { box, size: room } = useBox()
  const canvas = useRef<HTMLCanvasElement>(null)
  const [line, setLine] = useState<Mark | null>(null)
  const scale = Math.max(0, Math.min((room.width - 2 * MARGIN) / size.width_mm, (room.height - 2 * MARGIN) / size.height_mm))
  const wide = size.width_mm * scale
  const high = size.height_mm * scale
  const left = (room.width - wide) / 2
  const top = (room.height - high) / 2
  const theme = document.documentElement.dataset.theme
  // biome-ignore lint/correctness/useExhaustiveDependencies: the theme's colors are read anew
  useEffect(() => {
    const own = canvas.current
    if (!own || !sheet || wide < 10) return
    const fine = window.devicePixelRatio || 1
    own.width = Math.round(wide * fine)
    own.height = Math.round(high * fine)
    const of = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name)
    const light = document.documentElement.dataset.theme === 'light'
    paint(
      own,
      sheet,
      field,
      {
        ground: light ? '#ffffff' : of('--velvet'),
        cloth: light ? '#9b9184' : '#6f675e',
        line: of('--chalk'),
        wave: of('--ink'),
        quiet: of('--quiet'),
      },
      fine,
    )
  }, [sheet, field, wide, high, theme])

  const place = (event: PointerEvent): [number, number] => {
    const at = (event.currentTarget as Element).getBoundingClientRect()
    return [(event.clientX - at.left - left) / scale, size.height_mm - (event.clientY - at.top - top) / scale]
  }
  const x = (u: number) => left + u * scale
  const y = (v: number) => top + high - v * scale
  const bow = (props.bow ?? [0, 0, 0, 0]).map((mm) => mm * scale * BOW_TIMES)
  const frame = `M ${left} ${top} Q ${left + wide / 2} ${top + 2 * (bow[0] ?? 0)} ${left + wide} ${top} Q ${left + wide - 2 * (bow[1] ?? 0)} ${top + high / 2} ${left + wide} ${top + high} Q ${left + wide / 2} ${top + high - 2 * (bow[2] ?? 0)} ${left} ${top + high} Q ${left + 2 * (bow[3] ?? 0)} ${top + high / 2} ${left} ${top} Z`
  const dense = points.length > 130
  return (
    <div ref={box} className="relative min-h-0 min-w-0 flex-1 overflow-hidden" data-testid="sheet">
      <canvas ref={canvas} className="absolute" style={{ left, top, width: Math.max(0, wide), height: Math.max(0, high) }} />
      <svg
        role="img"
        aria-label={props.label}
        className={`absolute inset-0 size-full ${onDraw ? 'cursor-crosshair touch-none' : ''}`}
        onPointerDown={(event) => {
          if (!onDraw) return
          event.currentTarget.setPointerCapture(event.pointerId)
          const at = place(event)
          setLine({ from: at, to: at, bad: 2, slack: props.patches ?? false })
        }}
        onPointerMove={(event) => line && setLine({ ...line, to: place(event) })}
        onPointerUp={() => {
          if (line && onDraw && Math.hypot(line.to[0] - line.from[0], line.to[1] - line.from[1]) > 25) onDraw(line.from, line.to)
          setLine(null)
        }}
        onPointerCancel={() => setLine(null)}
      >
        <path d={frame} fill="none" stroke="var(--wood-edge)" strokeWidth={3} />
        {points.map((point, at) => {
          const held = props.held?.has(at) ?? true
          const now = props.now?.has(at) ?? false
          const past = props.past?.has(at) ?? false
          const picked = props.picked?.has(at) ?? false
          const out = { top: [0, -9], bottom: [0, 9], left: [-9, 0], right: [9, 0] }[point.side] ?? [0, 0]
          const [px, py] = [x(point.u_mm) + (out[0] ?? 0), y(point.v_mm) + (out[1] ?? 0)]
          const size = now || picked ? 6.5 : dense ? 2 : 3.5
          return (
            <g key={`${point.side}-${point.u_mm}-${point.v_mm}`}>
              {past ? (
                <rect x={px - 5} y={py - 5} width={10} height={10} fill="var(--stop)" />
              ) : (
                <circle
                  cx={px}
                  cy={py}
                  r={size}
                  fill={held ? (now || picked ? 'var(--brass)' : 'var(--ink)') : 'none'}
                  stroke={now || picked ? 'var(--brass)' : 'var(--quiet)'}
                  strokeWidth={1.4}
                />
              )}
              {(now || picked) && point.label && (
                <text
                  x={px + (out[0] ?? 0) * 1.6}
                  y={py + (out[1] ?? 0) * 1.6 + 5}
                  textAnchor={point.side === 'left' ? 'end' : point.side === 'right' ? 'start' : 'middle'}
                  className="fill-ink font-bold text-small tabular-nums"
                >
                  {point.label}
                </text>
              )}
              {props.onPick && (
                <circle cx={px} cy={py} r={dense ? 9 : 16} fill="transparent" onPointerUp={() => props.onPick?.(at)} />
              )}
            </g>
          )
        })}
        {[...(props.marks ?? []), ...(line ? [line] : [])].map((mark, at) =>
          mark.slack ? (
            <circle
              // biome-ignore lint/suspicious/noArrayIndexKey: marks have no other name
              key={at}
              cx={x(mark.from[0])}
              cy={y(mark.from[1])}
              r={radiusOf(mark) * scale}
              fill="none"
              stroke="var(--chalk)"
              strokeWidth={3}
              strokeDasharray="8 6"
            />
          ) : (
            <line
              // biome-ignore lint/suspicious/noArrayIndexKey: marks have no other name
              key={at}
              x1={x(mark.from[0])}
              y1={y(mark.from[1])}
              x2={x(mark.to[0])}
              y2={y(mark.to[1])}
              stroke="var(--chalk)"
              strokeWidth={1.5 + 1.5 * mark.bad}
              strokeLinecap="round"
            />
          ),
        )}
      </svg>
      {props.corner && <div className="absolute top-2 right-2">{props.corner}</div>}
    </div>
  )
}
