import type { FloorMap } from '../api/client'
import { type Sheet, toPx } from './sheet'

const SHADES = ['.06', '.16', '.3', '.46', '.62', '.78']

/** The floor coloured by one measure, under the top face's marks; the legend names every shade. */
export const FloorMapLayer = ({ map, sheet }: { map: FloorMap; sheet: Sheet }) => {
  const wide = ((map.right_mm - map.left_mm) / map.columns) * sheet.pxPerMm
  const high = ((map.far_mm - map.near_mm) / map.rows) * sheet.pxPerMm
  const start = toPx(sheet, { xMm: map.left_mm, yMm: map.near_mm })
  return (
    <g>
      {runs(map).map(({ row, from, to, kind }) => (
        <rect
          key={`${row}-${from}`}
          x={start.xPx + from * wide}
          y={start.yPx + row * high}
          width={(to - from) * wide + 0.4}
          height={high + 0.4}
          fill="var(--chalk)"
          fillOpacity={SHADES[kind]}
        />
      ))}
    </g>
  )
}

/** Neighbouring cells of one class drawn as one strip. */
const runs = (map: FloorMap) => {
  const out: { row: number; from: number; to: number; kind: number }[] = []
  for (let row = 0; row < map.rows; row++) {
    let from = 0
    for (let column = 1; column <= map.columns; column++) {
      const kind = map.classes[row * map.columns + from] ?? 0
      if (column < map.columns && map.classes[row * map.columns + column] === kind) continue
      out.push({ row, from, to: column, kind })
      from = column
    }
  }
  return out
}

export const FloorLegend = ({ map }: { map: FloorMap }) => (
  <ul className="absolute right-2 bottom-2 rounded bg-bench/95 px-3 py-2 text-[13.5px]" aria-label="Shades of the floor">
    {map.words.map((word, at) => (
      <li key={word} className="flex items-center gap-2">
        <span
          className="size-4 border border-seam"
          style={{ background: `color-mix(in srgb, var(--chalk) ${Number(SHADES[at]) * 100}%, transparent)` }}
        />
        {word}
      </li>
    ))}
    <li className="text-quiet">{map.at}</li>
  </ul>
)
