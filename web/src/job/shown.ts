import { createContext, useContext } from 'react'

/** What the person is looking at on the board besides the station: the aspect ratio whose masks or light are drawn. */
export const ShownContext = createContext<{ shape: string; showShape: (shape: string) => void }>({
  shape: '',
  showShape: () => undefined,
})

export const useShown = () => useContext(ShownContext)
