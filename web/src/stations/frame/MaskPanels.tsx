import type { Bench } from '../../api/client'
import { Num } from '../../parts/Num'

type Mask = Bench['cutting']['masks'][number]
const HIGH = 190

/** Mask panels from the back, to one scale: pieces lettered, magnets where they go. */
export const MaskPanels = ({ masks }: { masks: readonly Mask[] }) => {
  if (masks.length === 0) return null
  const scale = HIGH / Math.max(...masks.map((one) => one.height_mm))
  return (
    <section aria-label="Mask panels" className="pb-3">
      <h3 className="pb-1 font-bold">Mask panels, from the back: two of each, the right one mirrored</h3>
      <ul className="flex flex-wrap gap-x-10 gap-y-4">
        {masks.map((mask) => (
          <li key={mask.name} className="flex items-start gap-4">
            <Drawing mask={mask} scale={scale} />
            <dl className="grid grid-cols-[auto_auto] items-baseline gap-x-4 gap-y-0.5">
              <dt className="font-bold">{mask.name}</dt>
              <dd className="text-right text-quiet">for {mask.aspect}</dd>
              <dt className="text-quiet">Wide</dt>
              <dd className="text-right">
                <Num text={mask.width} className="text-value" />
              </dd>
              <dt className="text-quiet">High</dt>
              <dd className="text-right">
                <Num text={mask.height} className="text-value" />
              </dd>
              <dt className="text-quiet">Magnets, from below</dt>
              <dd className="text-right">
                {mask.holds.map((one) => (
                  <span key={one} className="block">
                    <Num text={one} />
                  </span>
                ))}
              </dd>
              <dt className="text-quiet">Velvet</dt>
              <dd className="text-right">
                <Num text={mask.velvet} />
              </dd>
            </dl>
          </li>
        ))}
      </ul>
    </section>
  )
}

const Drawing = ({ mask, scale }: { mask: Mask; scale: number }) => {
  const [wide, high] = [mask.width_mm * scale, mask.height_mm * scale]
  const middle = (a: number, b: number) => ((a + b) / 2) * scale
  return (
    <svg width={wide + 4} height={high + 4} role="img" aria-label={`Mask panel ${mask.name}, ${mask.width} by ${mask.height}`}>
      <g transform="translate(2 2)">
        {mask.pieces.map((one) => (
          <g key={one.letter}>
            <rect
              x={one.left_mm * scale}
              y={high - one.top_mm * scale}
              width={(one.right_mm - one.left_mm) * scale}
              height={(one.top_mm - one.bottom_mm) * scale}
              fill="var(--wood)"
              stroke="var(--wood-edge)"
            />
            <text
              x={middle(one.left_mm, one.right_mm)}
              y={high - middle(one.bottom_mm, one.top_mm) + 4}
              textAnchor="middle"
              fontSize="11"
              fontWeight="700"
              fill="var(--ink)"
            >
              {one.letter}
            </text>
          </g>
        ))}
        {mask.holds_mm.map(([u, v]) => (
          <circle key={v} cx={u * scale} cy={high - v * scale} r="3.5" fill="var(--stop)" />
        ))}
      </g>
    </svg>
  )
}
