/** A text's room on the board: its middle and its size [px]. */
export type Room = { xPx: number; yPx: number; widthPx: number; heightPx: number }

const meet = (a: Room, b: Room) =>
  Math.abs(a.xPx - b.xPx) < (a.widthPx + b.widthPx) / 2 && Math.abs(a.yPx - b.yPx) < (a.heightPx + b.heightPx) / 2

/** Those that do not run into one before them: what matters most comes first. */
export const apart = <T>(all: readonly T[], room: (one: T) => Room): T[] => {
  const taken: Room[] = []
  return all.filter((one) => {
    const here = room(one)
    if (taken.some((other) => meet(here, other))) return false
    taken.push(here)
    return true
  })
}
