import type { Face } from '../api/client'

const path = (points: readonly (readonly number[])[]) => points.map(([x = 0, y = 0]) => `${x} ${-y}`).join('L')

/** A job's wall at the yard's one scale. */
export const LittleWall = ({ face, pxPerMm }: { face: Face; pxPerMm: number }) => {
  const wide = face.right_mm - face.left_mm
  const high = face.top_mm - face.bottom_mm
  return (
    <svg
      className="board block"
      width={wide * pxPerMm}
      height={high * pxPerMm}
      viewBox={`${face.left_mm} ${-face.top_mm} ${wide} ${high}`}
      role="img"
      aria-label={face.summary}
    >
      {face.marks.map((mark) =>
        mark.kind === 'area' ? (
          <path
            key={mark.key}
            className={`mark ${mark.role}`}
            d={`M${path(mark.points)}Z`}
            style={mark.role === 'floor' || mark.role === 'ceiling' ? { fill: 'var(--seam)' } : undefined}
          />
        ) : null,
      )}
    </svg>
  )
}
