const WIDE = 52
const HIGH = 34

/** A record in a few lines. */
export const Drawn = ({ shapes }: { shapes: readonly (readonly (readonly number[])[])[] }) => {
  const points = shapes.flat()
  if (points.length === 0) return <span className="block" style={{ width: WIDE, height: HIGH }} />
  const xs = points.map(([x = 0]) => x)
  const ys = points.map(([, y = 0]) => y)
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = Math.min((WIDE - 4) / Math.max(1e-6, right - left), (HIGH - 4) / Math.max(1e-6, high - low))
  const at = ([x = 0, y = 0]: readonly number[]) =>
    `${(WIDE / 2 + (x - (left + right) / 2) * scale).toFixed(1)} ${(HIGH / 2 - (y - (low + high) / 2) * scale).toFixed(1)}`
  return (
    <svg width={WIDE} height={HIGH} aria-hidden="true" className="block">
      {shapes.map((shape, number) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: outlines of one record never reorder
        <path key={number} d={`M${shape.map(at).join('L')}`} fill="none" stroke="var(--chalk)" strokeWidth="1.6" />
      ))}
    </svg>
  )
}
