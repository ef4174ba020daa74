/** What a label or a dot covers on the board, from its upper left corner [px]. */
export type LabelBox = { key: string; xPx: number; yPx: number; widthPx: number; heightPx: number }

const STEPS = [0, 1, -1, 2, -2, 3]

const meet = (a: LabelBox, b: LabelBox) =>
  a.xPx < b.xPx + b.widthPx && b.xPx < a.xPx + a.widthPx && a.yPx < b.yPx + b.heightPx && b.yPx < a.yPx + a.heightPx

/** How far each label is moved down [px] so that it covers no dot and no label before it in the list. */
export const placeLabels = (labels: readonly LabelBox[], dots: readonly LabelBox[] = []): Map<string, number> => {
  const placed = [...dots]
  const moved = new Map<string, number>()
  for (const label of labels) {
    const free = STEPS.map((step) => step * label.heightPx).find(
      (dy) => !placed.some((one) => meet(one, { ...label, yPx: label.yPx + dy })),
    )
    moved.set(label.key, free ?? 0)
    placed.push({ ...label, yPx: label.yPx + (free ?? 0) })
  }
  return moved
}
