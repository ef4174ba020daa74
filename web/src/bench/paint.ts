import { contours } from 'd3-contour'

export type Field = 'along' | 'up'
export type Sheet = {
  cells: [number, number]
  picture: Uint8Array
  width_mm: number
  height_mm: number
  full_n_m: number
}
type Ink = { ground: string; cloth: string; line: string; wave: string; quiet: string }

const layer = (sheet: Sheet, which: number) => {
  const size = sheet.cells[0] * sheet.cells[1]
  return sheet.picture.subarray(which * size, (which + 1) * size)
}
const WAVES = 2
const WAYS = 3
const SLACK = 255
const LEAST_WAVE = 12
const VALUES = 6

/** Round values between nothing and the end of the scale, for contours. */
export const levels = (full: number): number[] => {
  const rough = full / VALUES
  const ten = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((times) => times * ten).find((each) => each >= rough) ?? rough
  return Array.from({ length: Math.ceil(full / step) - 1 }, (_, at) => (at + 1) * step)
}

const parsed = (color: string) => {
  const value = color.trim().replace('#', '')
  return [0, 2, 4].map((at) => Number.parseInt(value.slice(at, at + 2), 16))
}

/** Every cell the mean of itself and its neighbors, twice: a byte a cell makes jagged lines. */
const smoothed = (values: Uint8Array, across: number, up: number): number[] => {
  let now = Array.from(values, Number)
  for (let turn = 0; turn < 2; turn++)
    now = now.map((_, at) => {
      const x = at % across
      const y = Math.floor(at / across)
      let sum = 0
      let count = 0
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++)
          if (x + dx >= 0 && x + dx < across && y + dy >= 0 && y + dy < up) {
            sum += now[(y + dy) * across + x + dx] ?? 0
            count++
          }
      return sum / count
    })
  return now
}

/** The sheet's tension as light on cloth, contours with their values, waves as strokes along their direction, slack hatched. */
export const paint = (canvas: HTMLCanvasElement, sheet: Sheet, field: Field, ink: Ink, fine: number) => {
  const draw = canvas.getContext('2d')
  if (!draw) return
  const [across, up] = sheet.cells
  const { width, height } = canvas
  const values = layer(sheet, field === 'along' ? 0 : 1)
  const small = new OffscreenCanvas(across, up)
  const spot = small.getContext('2d')
  if (!spot) return
  const image = spot.createImageData(across, up)
  const dark = parsed(ink.ground)
  const light = parsed(ink.cloth)
  for (let at = 0; at < values.length; at++) {
    const share = Math.min(1, (values[at] ?? 0) / 170)
    for (let part = 0; part < 3; part++)
      image.data[4 * at + part] = (dark[part] ?? 0) + ((light[part] ?? 0) - (dark[part] ?? 0)) * share
    image.data[4 * at + 3] = 255
  }
  spot.putImageData(image, 0, 0)
  draw.imageSmoothingEnabled = true
  draw.imageSmoothingQuality = 'high'
  draw.drawImage(small, 0, 0, width, height)
  const cell = width / across
  draw.lineWidth = fine
  draw.strokeStyle = ink.line
  draw.fillStyle = ink.line
  draw.font = `${12 * fine}px Archivo, sans-serif`
  draw.textAlign = 'center'
  draw.textBaseline = 'middle'
  const marks = levels(sheet.full_n_m)
  const even = smoothed(values, across, up)
  const drawn = contours()
    .size([across, up])
    .smooth(true)
    .thresholds(marks.map((value) => (value / sheet.full_n_m) * 255))(even)
  drawn.forEach((contour, which) => {
    draw.globalAlpha = 0.55
    let longest: [number, number][] = []
    for (const ring of contour.coordinates.flat()) {
      draw.beginPath()
      for (const [at, [x, y]] of (ring as [number, number][]).entries()) {
        const edge = x <= 0.01 || y <= 0.01 || x >= across - 0.01 || y >= up - 0.01
        if (at === 0 || edge) draw.moveTo(x * cell, (y * height) / up)
        else draw.lineTo(x * cell, (y * height) / up)
      }
      draw.stroke()
      const inside = (ring as [number, number][]).filter(([x, y]) => x > 2 && y > 1.5 && x < across - 2 && y < up - 1.5)
      if (inside.length > longest.length) longest = inside
    }
    draw.globalAlpha = 1
    const place = longest[Math.floor(longest.length * (0.2 + 0.1 * (which % 4)))]
    if (place && longest.length > 8) {
      const [x, y] = [place[0] * cell, (place[1] * height) / up]
      const text = String(marks[which])
      const wide = draw.measureText(text).width + 6 * fine
      draw.save()
      draw.fillStyle = ink.ground
      draw.globalAlpha = 0.75
      draw.fillRect(x - wide / 2, y - 8 * fine, wide, 16 * fine)
      draw.restore()
      draw.fillText(text, x, y)
    }
  })
  const waves = layer(sheet, WAVES)
  const ways = layer(sheet, WAYS)
  draw.strokeStyle = ink.wave
  draw.lineCap = 'round'
  for (let at = 0; at < waves.length; at++) {
    const x = ((at % across) + 0.5) * cell
    const y = ((Math.floor(at / across) + 0.5) * height) / up
    if (ways[at] === SLACK) {
      draw.lineWidth = fine
      draw.strokeStyle = ink.quiet
      draw.beginPath()
      draw.moveTo(x - cell * 0.4, y + cell * 0.4)
      draw.lineTo(x + cell * 0.4, y - cell * 0.4)
      draw.stroke()
      draw.strokeStyle = ink.wave
      continue
    }
    const deep = waves[at] ?? 0
    if (deep < LEAST_WAVE) continue
    const turn = ((ways[at] ?? 0) / 254) * Math.PI
    const half = cell * 0.62
    draw.lineWidth = fine * (0.8 + (deep / 255) * 3.2)
    draw.beginPath()
    draw.moveTo(x - Math.cos(turn) * half, y + Math.sin(turn) * half)
    draw.lineTo(x + Math.cos(turn) * half, y - Math.sin(turn) * half)
    draw.stroke()
  }
}
