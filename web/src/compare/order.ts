import type { CompareMeasure } from '../api/client'

/** The places of the candidates in the order of one measure, the better end first; those without a value last. */
export const orderBy = (measures: readonly CompareMeasure[], key: string, count: number): number[] => {
  const places = Array.from({ length: count }, (_, at) => at)
  const measure = measures.find((one) => one.key === key)
  if (!measure) return places
  const sign = measure.better === 'low' ? 1 : -1
  const value = (at: number) => measure.cells[at]?.value ?? null
  return places.sort((a, b) => {
    const [first, second] = [value(a), value(b)]
    if (first === null || second === null) return Number(first === null) - Number(second === null) || a - b
    return sign * (first - second) || a - b
  })
}

/** Where a key leads to from one of a row; null for a key that moves nothing. */
export const stepped = (key: string, at: number, count: number, back: string, on: string): number | null => {
  if (key === back) return Math.max(0, at - 1)
  if (key === on) return Math.min(count - 1, at + 1)
  if (key === 'Home') return 0
  if (key === 'End') return count - 1
  return null
}

/** Put the keyboard on a candidate by its key. */
export const focusOn = (box: HTMLElement | null, key: string): void =>
  [...(box?.querySelectorAll<HTMLElement>('[data-candidate]') ?? [])].find((one) => one.dataset.candidate === key)?.focus()
