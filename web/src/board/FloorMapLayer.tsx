import type { FloorMap } from '../api/client'
import { apart } from './apart'
import { type Sheet, toPx } from './sheet'

const SHADES = [0.05, 0.14, 0.26, 0.4, 0.56]

/** The better the brighter; what is best also bears dots, so that it is found without comparing grays. */
const shade = (map: FloorMap, rank: number) => {
  const most = Math.max(...map.bands.map((band) => band.rank))
  return { opacity: SHADES[Math.round((rank / most) * (SHADES.length - 1))] ?? 0, best: rank === most }
}

const drawn = (sheet: Sheet, points: readonly (readonly number[])[]) =>
  points
    .map(([x = 0, z = 0]) => toPx(sheet, { xMm: x, yMm: z }))
    .map(({ xPx, yPx }) => `${xPx.toFixed(1)} ${yPx.toFixed(1)}`)
    .join('L')

/** The floor shaded by one measure, under the top face's marks: smooth between lines of equal value. */
export const FloorMapLayer = ({ map, sheet }: { map: FloorMap; sheet: Sheet }) => (
  <g>
    <defs>
      <pattern id="best-dots" width="12" height="12" patternUnits="userSpaceOnUse">
        <circle cx="6" cy="6" r="2.1" fill="var(--brass)" />
      </pattern>
    </defs>
    {map.bands.map((band) => {
      const { opacity, best } = shade(map, band.rank)
      const d = band.rings.map((ring) => `M${drawn(sheet, ring)}Z`).join('')
      return (
        <g key={band.word}>
          <path d={d} fillRule="evenodd" fill="var(--chalk)" fillOpacity={opacity} />
          {best && <path d={d} fillRule="evenodd" fill="url(#best-dots)" fillOpacity={0.8} />}
        </g>
      )
    })}
    {map.levels.map((level, at) => (
      <path
        // biome-ignore lint/suspicious/noArrayIndexKey: lines of one map never reorder
        key={at}
        d={`M${drawn(sheet, level.points)}`}
        fill="none"
        stroke="var(--chalk)"
        strokeOpacity=".75"
        strokeWidth="1.2"
      />
    ))}
  </g>
)

const LETTER_PX = 8
const HIGH_PX = 20
const UNDER_SEAT_PX = 26

/** The numbers of the map: each seat's at the seat, then the lines' where nothing stands in their way. */
export const FloorNumbers = ({ map, sheet }: { map: FloorMap; sheet: Sheet }) => {
  const seats = map.seats.map((seat) => {
    const { xPx, yPx } = toPx(sheet, { xMm: seat.at[0], yMm: seat.at[1] })
    return {
      key: seat.name,
      text: seat.text,
      seat,
      room: { xPx, yPx: yPx + UNDER_SEAT_PX, widthPx: seat.text.length * LETTER_PX + 10, heightPx: HIGH_PX },
    }
  })
  const lines = map.levels.flatMap((level, at) => {
    if (!level.at) return []
    const { xPx, yPx } = toPx(sheet, { xMm: level.at[0], yMm: level.at[1] })
    return [
      {
        key: `line-${at}`,
        text: level.text,
        seat: null,
        room: { xPx, yPx, widthPx: level.text.length * LETTER_PX + 4, heightPx: HIGH_PX },
      },
    ]
  })
  return (
    <>
      {apart([...seats, ...lines], (one) => one.room).map(({ key, text, seat, room }) => (
        <span
          key={key}
          className={`-translate-1/2 pointer-events-none absolute whitespace-nowrap rounded px-1 leading-tight ${seat ? `bg-velvet/85 text-body ${seat.main ? 'font-bold' : 'font-semibold'}` : 'haloed text-fine text-chalk'}`}
          style={{ left: room.xPx, top: room.yPx }}
        >
          {seat && <span className="sr-only">{seat.name}: </span>}
          {text}
        </span>
      ))}
    </>
  )
}

export const FloorLegend = ({ map }: { map: FloorMap }) => (
  <ul className="absolute right-2 bottom-2 rounded bg-bench/95 px-3 py-2 text-fine" aria-label="Shades of the floor">
    {map.bands.map((band) => (
      <li key={band.word} className="flex items-center gap-2">
        <span
          className="relative size-5 border border-seam"
          style={{ background: `color-mix(in srgb, var(--chalk) ${shade(map, band.rank).opacity * 100}%, transparent)` }}
        >
          {shade(map, band.rank).best && (
            <span className="-translate-1/2 absolute top-1/2 left-1/2 size-1.5 rounded-full bg-brass" />
          )}
        </span>
        <span className={shade(map, band.rank).best ? 'font-semibold' : ''}>{band.word}</span>
      </li>
    ))}
    <li className="text-quiet">{map.at}</li>
  </ul>
)
