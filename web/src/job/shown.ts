import { createContext, useContext } from 'react'

type Shown = {
  shape: string
  showShape: (shape: string) => void
  looked: string
  look: (key: string) => void
  /** where on the board the readings of each corner of the picture are typed; none where the board has no room for them */
  corners: Record<string, HTMLElement> | null
}

/** What the person is looking at on the board besides the station: the aspect ratio whose masks or light are drawn, and the
 * candidate of a comparison that it follows. */
export const ShownContext = createContext<Shown>({
  shape: '',
  showShape: () => undefined,
  looked: '',
  look: () => undefined,
  corners: null,
})

export const useShown = () => useContext(ShownContext)
