import { useCallback, useRef, useState } from 'react'
import { Refused } from '../api/client'
import { fetchFile, keepFile } from '../api/file'

type Making = { label: string; progress: number; trouble: string }

/** One sheet at a time: how far it is, why it was not made, and a way to stop. */
export const useSheet = () => {
  const [making, setMaking] = useState<Making | null>(null)
  const under = useRef<AbortController | null>(null)
  const make = useCallback(async (label: string, path: string): Promise<void> => {
    under.current?.abort()
    const control = new AbortController()
    under.current = control
    setMaking({ label, progress: 0, trouble: '' })
    try {
      keepFile(await fetchFile(path, (progress) => setMaking({ label, progress, trouble: '' }), control.signal))
      if (under.current === control) setMaking(null)
    } catch (error) {
      if (control.signal.aborted) return
      const trouble = error instanceof Refused ? error.message : 'The server does not answer.'
      setMaking({ label, progress: 0, trouble })
    }
  }, [])
  const stop = useCallback(() => {
    under.current?.abort()
    setMaking(null)
  }, [])
  return { making, make, stop }
}
