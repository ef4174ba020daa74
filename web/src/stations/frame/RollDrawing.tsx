import type { Plan } from '../../api/client'
import { Num } from '../../parts/Num'

type Roll = NonNullable<Plan['tables']['roll']>
const WIDE = 560
const HIGH = 150

/** The blank on its roll, to scale: what is cut, and what is left beside it. */
export const RollDrawing = ({ roll }: { roll: Roll | null }) => {
  if (!roll)
    return (
      <p className="p-3 text-quiet">
        Enter the roll width at Light, or take a fabric, and build in timber: then the blank is drawn on its roll.
      </p>
    )
  const scale = Math.min(WIDE / (roll.along_mm * 1.12), HIGH / roll.roll_mm)
  const [long, roller, blank] = [roll.along_mm * scale, roll.roll_mm * scale, Math.min(roll.across_mm, roll.roll_mm) * scale]
  return (
    <div className="flex flex-wrap items-start gap-8 py-3">
      <svg
        width={long + 60}
        height={roller + 30}
        role="img"
        aria-label={`Blank ${roll.along} along the roll, ${roll.across} across, roll ${roll.roll} wide, ${roll.spare} left beside it`}
      >
        <rect x="0.500" y="0.500" width={long + 40} height={roller} className="fill-hatch-fine stroke-seam" />
        <rect x="0.500" y="0.500" width={long} height={blank} fill="var(--canvas)" stroke="var(--frame-edge)" strokeWidth="2" />
        <ellipse cx={long + 44} cy={roller / 2} rx="10" ry={roller / 2} fill="var(--lift)" stroke="var(--quiet)" />
        <line x1={long} x2={long} y1={-4} y2={roller + 6} stroke="var(--stop)" strokeWidth="2" strokeDasharray="6 4" />
        <text x={long / 2} y={blank / 2 + 6} textAnchor="middle" fill="var(--on-canvas)" fontSize="15">
          {roll.turned ? 'picture, turned: its top to the side' : 'picture, as it hangs'}
        </text>
        <text x={long} y={roller + 24} textAnchor="end" fill="var(--stop)" fontSize="14">
          cut here
        </text>
      </svg>
      <dl className="grid grid-cols-[auto_auto] items-baseline gap-x-6 gap-y-1">
        {(
          [
            ['Along the roll', roll.along],
            ['Across', roll.across],
            ['Roll width', roll.roll],
            ['Left beside it', roll.spare],
          ] as const
        ).map(([name, text]) => (
          <div key={name} className="contents">
            <dt className="text-quiet">{name}</dt>
            <dd className="text-right">
              <Num text={text} className="text-value" />
            </dd>
          </div>
        ))}
        <dd className="col-span-2 max-w-72 pt-2 text-small leading-snug">{roll.front}</dd>
      </dl>
    </div>
  )
}
