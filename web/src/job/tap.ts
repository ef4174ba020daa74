import { createContext, useContext } from 'react'
import type { Edit, FaceName } from '../api/client'

/** What a tap on the board means while it is asked for: a place on a face becomes an edit. */
export type Tap = { name: string; face: FaceName; edit: (xMm: number, yMm: number) => Edit }

export const TapContext = createContext<{ tap: Tap | null; setTap: (tap: Tap | null) => void }>({
  tap: null,
  setTap: () => undefined,
})

export const useTap = () => useContext(TapContext)
