import type { FloorMap } from '../api/client'
import { type Sheet, toPx } from './sheet'

const SHADES = [0.05, 0.14, 0.26, 0.4, 0.56]

/** The better the brighter; what is best also bears dots, so that it is found without comparing greys. */
const shade = (map: FloorMap, kind: number) => {
  const most = Math.max(...map.ranks)
  const rank = map.ranks[kind] ?? 0
  return { opacity: SHADES[Math.round((rank / most) * (SHADES.length - 1))] ?? 0, best: rank === most }
}

/** The floor colored by one measure, under the top face's marks; the legend names every shade. */
export const FloorMapLayer = ({ map, sheet }: { map: FloorMap; sheet: Sheet }) => {
  const wide = ((map.right_mm - map.left_mm) / map.columns) * sheet.pxPerMm
  const high = ((map.far_mm - map.near_mm) / map.rows) * sheet.pxPerMm
  const start = toPx(sheet, { xMm: map.left_mm, yMm: map.near_mm })
  return (
    <g>
      <defs>
        <pattern id="best-dots" width="12" height="12" patternUnits="userSpaceOnUse">
          <circle cx="6" cy="6" r="2.1" fill="var(--brass)" />
        </pattern>
      </defs>
      {runs(map).map(({ row, from, to, kind }) => (
        <rect
          key={`${row}-${from}`}
          x={start.xPx + from * wide}
          y={start.yPx + row * high}
          width={(to - from) * wide + 0.4}
          height={high + 0.4}
          fill="var(--chalk)"
          fillOpacity={shade(map, kind).opacity}
        />
      ))}
      {runs(map)
        .filter(({ kind }) => shade(map, kind).best)
        .map(({ row, from, to }) => (
          <rect
            key={`best-${row}-${from}`}
            x={start.xPx + from * wide}
            y={start.yPx + row * high}
            width={(to - from) * wide + 0.4}
            height={high + 0.4}
            fill="url(#best-dots)"
          />
        ))}
    </g>
  )
}

/** neighboring cells of one class drawn as one strip. */
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
  <ul className="absolute right-2 bottom-2 rounded bg-bench/95 px-3 py-2 text-fine" aria-label="Shades of the floor">
    {map.words.map((word, at) => (
      <li key={word} className="flex items-center gap-2">
        <span
          className="relative size-5 border border-seam"
          style={{ background: `color-mix(in srgb, var(--chalk) ${shade(map, at).opacity * 100}%, transparent)` }}
        >
          {shade(map, at).best && <span className="-translate-1/2 absolute top-1/2 left-1/2 size-1.5 rounded-full bg-brass" />}
        </span>
        <span className={shade(map, at).best ? 'font-semibold' : ''}>{word}</span>
      </li>
    ))}
    <li className="text-quiet">{map.at}</li>
  </ul>
)
