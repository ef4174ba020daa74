import { memo } from 'react'
import type { Mark, Panel } from '../api/client'
import { isLit } from './layers'
import { DOT_PX } from './pens.generated'
import { type Sheet, toPx } from './sheet'

export type Shift = { key: string; dxPx: number; dyPx: number } | null

const path = (sheet: Sheet, points: readonly (readonly number[])[]) =>
  points
    .map(([x = 0, y = 0]) => toPx(sheet, { xMm: x, yMm: y }))
    .map(({ xPx, yPx }) => `${xPx.toFixed(1)} ${yPx.toFixed(1)}`)
    .join('L')

const PLAIN_PX = 4

type ShapeProps = {
  mark: Mark
  sheet: Sheet
  panel: Panel
  now?: ReadonlySet<number>
  done?: ReadonlySet<number>
}

const Shape = ({ mark, sheet, panel, now, done }: ShapeProps) => {
  const faint = isLit(mark, panel) ? '' : 'faint'
  if (mark.kind === 'area') return <path className={`mark ${mark.role} ${faint}`} d={`M${path(sheet, mark.points)}Z`} />
  if (mark.kind === 'line') return <path className={`mark ${mark.role} ${faint}`} d={`M${path(sheet, mark.points)}`} />
  if (mark.kind !== 'dot') return null
  const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0], yMm: mark.at[1] })
  const number = Number(mark.key.replace('point-', ''))
  const lit = now?.has(number) ? 'now' : done?.has(number) ? 'done' : ''
  const radius = (DOT_PX[mark.role] ?? PLAIN_PX) * (lit === 'now' ? 1.9 : 1)
  return (
    <g className={faint}>
      {(mark.role === 'hole' || mark.role === 'bracket') && <circle cx={xPx} cy={yPx} r={radius + 1} className="hole-ground" />}
      <circle data-key={mark.key} className={`mark ${mark.role} ${lit}`} cx={xPx} cy={yPx} r={radius} />
      {(mark.role === 'hole' || mark.role === 'bracket') && (
        <path className={`mark ${mark.role}`} d={`M${xPx - 10} ${yPx}h20M${xPx} ${yPx - 10}v20`} />
      )}
      {mark.role === 'hole-refused' && (
        <path className="mark hole-refused" d={`M${xPx - 9} ${yPx - 9}l18 18M${xPx + 9} ${yPx - 9}l-18 18`} />
      )}
    </g>
  )
}

type ShapesProps = {
  marks: readonly Mark[]
  sheet: Sheet
  panel: Panel
  shift: Shift
  now?: ReadonlySet<number>
  done?: ReadonlySet<number>
}

/** Areas, lines and dots; what travels with a dragged handle is moved as one group. */
export const Shapes = memo(({ marks, sheet, panel, shift, now, done }: ShapesProps) => {
  const moving = (mark: Mark) => shift !== null && 'moves' in mark && mark.moves === shift.key
  const draw = (mark: Mark) => <Shape key={mark.key} mark={mark} sheet={sheet} panel={panel} now={now} done={done} />
  const order = (mark: Mark) => (mark.kind === 'dot' ? 2 : mark.kind === 'line' && mark.role !== 'datum' ? 1 : 0)
  const sorted = [...marks].sort((a, b) => order(a) - order(b))
  return (
    <>
      {sorted.map((mark) =>
        moving(mark) ? (
          <g key={mark.key} transform={`translate(${shift?.dxPx ?? 0} ${shift?.dyPx ?? 0})`}>
            {draw(mark)}
          </g>
        ) : (
          draw(mark)
        ),
      )}
    </>
  )
})
