import { useEffect, useState } from 'react'
import type { CastOut, CastShape } from '../api/client'

const GREYS = 11
const WIDE = 16
const HIGH = 9
const BLOCK = 0.12 // of the width: a group of single lines

const useWindow = () => {
  const [size, setSize] = useState([window.innerWidth, window.innerHeight] as const)
  useEffect(() => {
    const measure = () => setSize([window.innerWidth, window.innerHeight])
    window.addEventListener('resize', measure)
    return () => window.removeEventListener('resize', measure)
  }, [])
  return size
}

/** One pattern over the whole window, in device-independent shares of the light. */
export const Pattern = ({ cast }: { cast: CastOut }) => {
  const [wide, high] = useWindow()
  const ground = cast.pattern === 'white' ? '#fff' : '#000'
  return (
    <svg
      width={wide}
      height={high}
      role="img"
      aria-label={`Cast: ${cast.pattern}`}
      className="fixed inset-0 block cursor-none"
      style={{ background: ground }}
      stroke="#fff"
      fill="none"
      shapeRendering="crispEdges"
    >
      <Drawn cast={cast} wide={wide} high={high} />
    </svg>
  )
}

type Size = { wide: number; high: number }

const Drawn = ({ cast, wide, high }: Size & { cast: CastOut }) => {
  const long = Math.round(wide * 0.06)
  switch (cast.pattern) {
    case 'corners':
      return (
        <g strokeWidth={3}>
          {[
            [0, 0, 1, 1],
            [wide, 0, -1, 1],
            [wide, high, -1, -1],
            [0, high, 1, -1],
          ].map(([x = 0, y = 0, a = 1, b = 1]) => (
            <path key={`${x} ${y}`} d={`M${x + a * long} ${y + b * 1.5}H${x + a * 1.5}V${y + b * long}`} />
          ))}
          <path d={`M${wide / 2} 0v${long}M${wide / 2} ${high}v${-long}M0 ${high / 2}h${long}M${wide} ${high / 2}h${-long}`} />
          <path d={`M${wide / 2 - long} ${high / 2}h${2 * long}M${wide / 2} ${high / 2 - long}v${2 * long}`} strokeWidth={1} />
        </g>
      )
    case 'grid':
      return (
        <g strokeWidth={1}>
          <rect x={0.5} y={0.5} width={wide - 1} height={high - 1} />
          {Array.from({ length: WIDE - 1 }, (_, at) => (
            <path key={`x${String(at)}`} d={`M${Math.round(((at + 1) * wide) / WIDE) + 0.5} 0v${high}`} />
          ))}
          {Array.from({ length: HIGH - 1 }, (_, at) => (
            <path key={`y${String(at)}`} d={`M0 ${Math.round(((at + 1) * high) / HIGH) + 0.5}h${wide}`} />
          ))}
        </g>
      )
    case 'focus':
      return (
        <g>
          {[
            [0.5, 0.5],
            [0.09, 0.12],
            [0.91, 0.12],
            [0.91, 0.88],
            [0.09, 0.88],
          ].map(([u = 0, v = 0]) => (
            <Singles key={`${u} ${v}`} x={Math.round(u * wide)} y={Math.round(v * high)} size={Math.round(wide * BLOCK)} />
          ))}
        </g>
      )
    case 'greys':
      return (
        <g stroke="none">
          {Array.from({ length: GREYS }, (_, at) => {
            const level = Math.round((255 * at) / (GREYS - 1))
            return (
              <rect
                key={level}
                x={(at * wide) / GREYS}
                y={0}
                width={wide / GREYS + 1}
                height={high}
                fill={`rgb(${level} ${level} ${level})`}
              />
            )
          })}
        </g>
      )
    case 'lines':
      return (
        <g strokeWidth={1}>
          {Array.from({ length: Math.ceil(wide / 4) }, (_, at) => (
            <path key={`l${String(at)}`} d={`M${at * 2 + 0.5} 0v${high}`} />
          ))}
          {Array.from({ length: Math.ceil(high / 2) }, (_, at) => (
            <path key={`h${String(at)}`} d={`M${Math.ceil(wide / 2)} ${at * 2 + 0.5}h${wide}`} />
          ))}
        </g>
      )
    case 'cross': {
      const x = Math.round(cast.u * wide) + 0.5
      const y = Math.round(cast.v * high) + 0.5
      return <path strokeWidth={1} d={`M${x - long} ${y}h${2 * long}M${x} ${y - long}v${2 * long}`} />
    }
    case 'markers':
      return <Markers cast={cast} wide={wide} high={high} />
    case 'outline':
      return <Shapes shapes={cast.table.outlines} wide={wide} high={high} />
    case 'wall':
      return <Shapes shapes={cast.table.wall} wide={wide} high={high} />
    default:
      return null
  }
}

/** Groups of single lines, upright and level: sharp where they stand apart. */
const Singles = ({ x, y, size }: { x: number; y: number; size: number }) => {
  const half = Math.round(size / 2)
  const count = Math.floor(half / 2)
  return (
    <g strokeWidth={1}>
      {Array.from({ length: count }, (_, at) => (
        <path key={`l${String(at)}`} d={`M${x - half + at * 2 + 0.5} ${y - half}v${size}`} />
      ))}
      {Array.from({ length: Math.floor(size / 2) }, (_, at) => (
        <path key={`h${String(at)}`} d={`M${x + 4} ${y - half + at * 2 + 0.5}h${half}`} />
      ))}
    </g>
  )
}

/** Square markers on whole pixels, black on the white of the picture; no light beside it. */
const Markers = ({ cast, wide, high }: Size & { cast: CastOut }) => (
  <g stroke="none">
    <path
      d={`M${cast.picture.map(([u = 0, v = 0]) => `${Math.round(u * wide)} ${Math.round(v * high)}`).join('L')}Z`}
      fill="#fff"
    />
    {cast.markers.map((one) => {
      const [[u = 0, v = 0] = [], , [farU = 0, farV = 0] = []] = one.corners
      const left = Math.round(u * wide)
      const top = Math.round(v * high)
      const side = (Math.round(farU * wide) - left) / one.cells.length
      const tall = (Math.round(farV * high) - top) / one.cells.length
      return (
        <g key={`${String(u)} ${String(v)}`}>
          <rect x={left} y={top} width={side * one.cells.length} height={tall * one.cells.length} fill="#000" />
          {one.cells.flatMap((row, down) =>
            row.map(
              (white, across) =>
                white && (
                  <rect
                    // biome-ignore lint/suspicious/noArrayIndexKey: cells have no name but their place
                    key={`${down} ${across}`}
                    x={left + across * side}
                    y={top + down * tall}
                    width={side}
                    height={tall}
                    fill="#fff"
                  />
                ),
            ),
          )}
        </g>
      )
    })}
  </g>
)

const Shapes = ({ shapes, wide, high }: Size & { shapes: readonly CastShape[] }) => {
  const font = Math.max(14, Math.round(wide / 90))
  return (
    <g shapeRendering="geometricPrecision">
      {shapes.map((one, number) => {
        // half a pixel over, as the cross is: a share of the light is the middle of its pixel
        const points = one.points.map(([u = 0, v = 0]) => [u * wide + 0.5, v * high + 0.5] as const)
        const [left, top] = points[0] ?? [0, 0]
        const x = Math.min(left, wide - (one.text.length * 0.6 + 1) * font)
        const y = Math.max(2 * font, Math.min(top, high - (one.line * 1.4 + 0.5) * font + 8))
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no name but their place
          <g key={number}>
            <path
              d={`M${points.map((at) => at.join(' ')).join('L')}${one.closed ? 'Z' : ''}`}
              strokeWidth={one.thin ? 1 : 2}
              strokeDasharray={one.thin ? '6 4' : undefined}
            />
            {one.text && (
              <text x={x + 8} y={y - 8 + one.line * 1.4 * font} fill="#fff" stroke="none" fontSize={font}>
                {one.text}
              </text>
            )}
          </g>
        )
      })}
    </g>
  )
}
