import { useEffect } from 'react'

const ON = new Set(['PageDown', 'ArrowRight', 'ArrowDown', ' ', 'Enter'])
const BACK = new Set(['PageUp', 'ArrowLeft', 'ArrowUp'])

/** Both hands busy: a pedal or a remote sends one of these. A key that somebody types in a field, or on a button, is theirs. */
export const useKeys = (on: () => void, back: () => void, active: boolean) => {
  useEffect(() => {
    if (!active) return
    const pressed = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      const typing = target.matches('input, textarea, select')
      const pressing = target.matches('button, a') && (event.key === ' ' || event.key === 'Enter')
      if (typing || pressing || event.ctrlKey || event.metaKey || event.altKey) return
      if (ON.has(event.key)) on()
      else if (BACK.has(event.key)) back()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', pressed)
    return () => window.removeEventListener('keydown', pressed)
  }, [on, back, active])
}
