const STACKED = /\u00a0?(\d+)\u2044(\d+)/g
const SMALL = 0.68 // of a stacked fraction's digits against the text
const GUESS = 0.56 // of the type size, a letter where no font can be asked

let pen: CanvasRenderingContext2D | null | undefined

const known = new Map<string, number>()
const MOST_KNOWN = 2000

/** How wide a text with stacked fractions is drawn [px], by the font's own letters. */
export const textPx = (text: string, px: number, weight = 500): number => {
  const key = `${weight} ${px} ${text}`
  let wide = known.get(key)
  if (wide === undefined) {
    wide = measured(text, px, weight)
    if (known.size > MOST_KNOWN) known.clear()
    known.set(key, wide)
  }
  return wide
}

const measured = (text: string, px: number, weight: number): number => {
  if (pen === undefined)
    pen = typeof document === 'undefined' ? null : (document.createElement('canvas').getContext?.('2d') ?? null)
  const font = (size: number) => `${weight} ${size}px Archivo, sans-serif`
  const plain = (part: string, size: number): number => {
    if (!pen) return part.length * size * GUESS
    pen.font = font(size)
    return pen.measureText(part).width
  }
  let wide = 0
  let at = 0
  for (const found of text.matchAll(STACKED)) {
    wide += plain(text.slice(at, found.index), px)
    wide += Math.max(plain(found[1] ?? '', px * SMALL), plain(found[2] ?? '', px * SMALL)) + 0.3 * px
    at = found.index + found[0].length
  }
  return wide + plain(text.slice(at), px)
}
