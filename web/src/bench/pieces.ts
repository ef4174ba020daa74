export type Point = { side: string; u_mm: number; v_mm: number; label?: string }
export type Head = {
  cells: [number, number]
  layers: number
  width_mm: number
  height_mm: number
  border_mm: number
  full_n_m: number
  line_n_m: number
  points: Point[]
  steps: number[]
  model: string
}
export type Moment = {
  step: number
  held: number[]
  texts: Record<string, string>
  bow_mm: number[]
  rack_mm: number
  drift_mm: number[]
  margins_mm: number[]
  bar_gap: string
  past: number[]
  stretch_mm: (number | null)[]
  picture: Uint8Array
}
export type Came = {
  evenness: number
  wrinkled: number
  drift_mm: number
  past_limit: number
  rests: string
  texts: Record<string, string>
  awaited: [number, string][]
}
export type Told = { pointer: string; value: unknown }
export type Run = { head: Head | null; moments: Moment[]; came: Came | null; changes: Told[]; read: number }

export const NOTHING: Run = { head: null, moments: [], came: null, changes: [], read: 0 }

/** A run with the whole pieces of some more bytes: each a length, the length of its JSON, the JSON, a picture. */
export const withPieces = (run: Run, bytes: Uint8Array): Run => {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const next: Run = { ...run, moments: [...run.moments] }
  let at = 0
  while (at + 8 <= bytes.length) {
    const whole = view.getUint32(at, true)
    const own = view.getUint32(at + 4, true)
    if (at + 4 + whole > bytes.length) break
    const body = JSON.parse(new TextDecoder().decode(bytes.subarray(at + 8, at + 8 + own)))
    if ('cells' in body) next.head = body as Head
    else if ('came' in body) {
      next.came = body.came as Came
      next.changes = body.changes as Told[]
    } else next.moments.push({ ...(body as Omit<Moment, 'picture'>), picture: bytes.slice(at + 8 + own, at + 4 + whole) })
    at += 4 + whole
  }
  next.read = run.read + at
  return next
}

/** The layers of a picture that comes as base64. */
export const unpacked = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
