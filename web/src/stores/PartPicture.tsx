type PartPictureProps = { into: string; on: string; stops: string }

const OUT = { left: 6, top: 5, right: 50, bottom: 31 }
const IN = { left: 12, top: 11, right: 44, bottom: 25 }

/** Four lines at a distance inside the outer edge, or those of the long or the short sides. */
const sides = (inset: number, on: string) => {
  const [l, t, r, b] = [OUT.left + inset, OUT.top + inset, OUT.right - inset, OUT.bottom - inset]
  const long = `M${l} ${t}H${r}M${l} ${b}H${r}`
  const short = `M${l} ${t}V${b}M${r} ${t}V${b}`
  return `${on === 'stiles' ? '' : long}${on === 'rails' ? '' : short}`
}

const corners = () =>
  [
    [OUT.left, OUT.top],
    [IN.right, OUT.top],
    [IN.right, IN.bottom],
    [OUT.left, IN.bottom],
  ].map(([x = 0, y = 0]) => `M${x} ${y}h6v6h-6z`)

/** Where a part of a kit belongs, on a frame seen from the back. */
export const PartPicture = ({ into, on, stops }: PartPictureProps) => {
  const place = into || stops
  const mark = { fill: 'none', stroke: 'var(--brass)', strokeWidth: 2.4 }
  return (
    <svg width="56" height="36" aria-hidden="true" className="block shrink-0">
      <path
        d={`M${OUT.left} ${OUT.top}H${OUT.right}V${OUT.bottom}H${OUT.left}zM${IN.left} ${IN.top}V${IN.bottom}H${IN.right}V${IN.top}z`}
        fill="none"
        stroke="var(--quiet)"
        strokeWidth="1"
      />
      {place === 'track' && <path d={sides(3, on)} {...mark} strokeWidth="1.8" />}
      {place === 'hem' && <path d={sides(9, on)} {...mark} strokeDasharray="4 2" strokeWidth="2" />}
      {place === 'groove' && <path d={`${sides(4.5, on)}${sides(7.5, on)}`} {...mark} strokeWidth="1.2" />}
      {place === 'outer' && <path d={sides(-2, on)} {...mark} />}
      {place === 'trim' && <path d={sides(0, on)} {...mark} />}
      {place === 'joint' && <path d={corners().join('')} fill="var(--brass)" />}
      {place === 'tension' && <path d={sides(6, on)} {...mark} strokeDasharray="1.6 3" strokeWidth="3" />}
      {place === 'frame' && <path d={sides(3, on)} {...mark} strokeWidth="5" strokeOpacity=".55" />}
      {place === 'bottom' && <path d="M12 27h8v4h-8zM36 27h8v4h-8z" fill="var(--brass)" />}
      {place === 'hang' && <path d="M16 1v6h5M40 1v6h-5" {...mark} strokeWidth="2" />}
    </svg>
  )
}
