import type { TapeWindow } from '../api/client'

const BAND = 14 // mm of tape shown, hook edge up

/** Whether a numeral keeps off both ends of its piece of tape. */
const clears = (at: number, wide: number, text: string) => Math.min(at, wide - at) > 1.6 * text.length + 0.4

/** A piece of real tape round one mark; the numerals stay clear of the mark. */
export const Tape = ({ piece, className = 'w-full' }: { piece: TapeWindow; className?: string }) => {
  const wide = piece.end_mm - piece.start_mm
  const x = (at: number) => at - piece.start_mm
  const mark = x(piece.read_mm)
  return (
    <svg
      viewBox={`0 -2.6 ${wide} ${BAND + 2.6}`}
      className={className}
      role="img"
      aria-label={`${piece.title}: ${piece.text} from the ${piece.hook}`}
    >
      <rect x="0" y="0" width={wide} height={BAND} fill="var(--tape)" />
      <path
        d={piece.ticks.map((share, at) => `M${x(piece.first_mm + at * piece.step_mm)} 0V${share * BAND * 0.92}`).join('')}
        stroke="var(--on-tape)"
        strokeWidth=".24"
      />
      {piece.numerals.map((one) =>
        clears(x(one.at_mm), wide, one.text) ? (
          <text
            key={one.at_mm}
            x={x(one.at_mm)}
            y={BAND - 1.1}
            textAnchor="middle"
            fontSize={one.text.length > 2 ? 4.3 : 5}
            fontWeight={one.strong ? 700 : 600}
            fill="var(--on-tape)"
          >
            {one.text}
          </text>
        ) : null,
      )}
      <path d={`M${mark - 2} -2.6h4L${mark} .2Z`} fill="var(--tape-mark)" />
      <path d={`M${mark} 0V${BAND * 0.6}`} stroke="var(--tape-mark)" strokeWidth=".5" />
      {piece.start_mm === 0 && <path d={`M.4 -1.5V${BAND}`} stroke="var(--quiet)" strokeWidth=".9" />}
    </svg>
  )
}
