import type { SeatView } from '../api/client'

const FILL: Record<string, string> = {
  'side-wall': 'var(--view-side)',
  floor: 'var(--view-floor)',
  ceiling: 'var(--view-ceiling)',
  wall: 'var(--view-wall)',
  fitting: 'var(--view-floor)',
  box: 'var(--view-box)',
  'box-top': 'var(--view-box-top)',
  frame: '#050406',
}

/** What a seat sees: white and black squares with this state's light on them. */
export const SeatViewFace = ({ view }: { view: SeatView }) => (
  <figure className="flex h-full min-h-0 flex-col gap-1">
    <svg
      viewBox={`${-view.half_width} ${-view.half_height} ${2 * view.half_width} ${2 * view.half_height}`}
      className="min-h-0 w-full flex-1 rounded"
      role="img"
      aria-label={`${view.name}, ${view.state}: ${view.said}`}
    >
      <rect
        x={-view.half_width}
        y={-view.half_height}
        width={2 * view.half_width}
        height={2 * view.half_height}
        fill="var(--view-side)"
      />
      {view.shapes.map((shape, at) => {
        const gray = shape.level === null || shape.level === undefined ? null : Math.round(shape.level * 255)
        return (
          <polygon
            // biome-ignore lint/suspicious/noArrayIndexKey: shapes are painted in their order
            key={at}
            points={shape.points.map(([x = 0, y = 0]) => `${x},${-y}`).join(' ')}
            fill={gray === null ? (FILL[shape.role] ?? 'none') : `rgb(${gray} ${gray} ${Math.round(gray * 0.97)})`}
          />
        )
      })}
    </svg>
    <figcaption className="text-center text-small leading-tight">
      <strong>{view.state}</strong>: {view.said}
      <span className="sr-only"> from {view.name}</span>
    </figcaption>
  </figure>
)
