const ADVANCE = 0.56 // of the type size, the mean letter
const LINE = 1.5
const SIZES_PX = { large: [32, 26, 22, 17, 14], text: [16, 13.5] } as const
const STACKED = /\u00a0?\d+\u2044\d+/g // a stacked fraction takes about one letter

/** The largest type [px] in which a text of the picture stands in the room it has; null where it had better not. */
export const typePx = (text: string, size: 'large' | 'text', widthPx: number, heightPx: number): number | null => {
  const letters = text.replace(STACKED, 'x').length
  const fits = SIZES_PX[size].find((px) => letters * px * ADVANCE <= widthPx && px * LINE * 3 <= heightPx)
  return fits ?? (size === 'large' ? 14 : null)
}
