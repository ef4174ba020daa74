export type LabelBox = { key: string; xPx: number; yPx: number; widthPx: number }

const HEIGHT_PX = 19
const STEPS = [0, 1, -1, 2, -2, 3]

/** How far each label is moved down [px] so that none covers another; the first in the list stays. */
export const placeLabels = (labels: readonly LabelBox[]): Map<string, number> => {
  const placed: LabelBox[] = []
  const moved = new Map<string, number>()
  for (const label of labels) {
    const free = STEPS.map((step) => step * HEIGHT_PX).find((dy) =>
      placed.every(
        (one) =>
          Math.abs(one.yPx - label.yPx - dy) >= HEIGHT_PX - 1 ||
          one.xPx + one.widthPx < label.xPx ||
          label.xPx + label.widthPx < one.xPx,
      ),
    )
    moved.set(label.key, free ?? 0)
    placed.push({ ...label, yPx: label.yPx + (free ?? 0) })
  }
  return moved
}
