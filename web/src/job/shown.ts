import { createContext, useContext } from 'react'

type Shown = {
  shape: string
  showShape: (shape: string) => void
  looked: string
  look: (key: string) => void
}

/** What the person is looking at on the board besides the station: the aspect ratio whose masks or light are drawn, and the
 * candidate of a comparison that it follows. */
export const ShownContext = createContext<Shown>({
  shape: '',
  showShape: () => undefined,
  looked: '',
  look: () => undefined,
})

export const useShown = () => useContext(ShownContext)
