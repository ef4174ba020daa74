const HIGH = 15
const WIDE = 20

/** A viewing angle as the eye has it: two lines from the seat to the edges of the picture. */
export const Wedge = ({ degrees }: { degrees: number }) => {
  const half = (Math.min(degrees, 170) * Math.PI) / 360
  const out = Math.min(WIDE / 2, HIGH * Math.tan(half))
  const up = out / Math.tan(half)
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="mr-1 inline-block h-[14px] w-[19px] align-[-2px]" aria-hidden="true">
      <path
        d={`M${WIDE / 2} ${HIGH}L${WIDE / 2 - out} ${HIGH - up}H${WIDE / 2 + out}Z`}
        fill="var(--chalk)"
        fillOpacity=".35"
        stroke="var(--chalk)"
      />
    </svg>
  )
}
