import { createContext, useContext } from 'react'

/** What the person is looking at on the board besides the station: the content shape whose masks are drawn. */
export const ShownContext = createContext<{ shape: number | null; showShape: (shape: number | null) => void }>({
  shape: null,
  showShape: () => undefined,
})

export const useShown = () => useContext(ShownContext)
