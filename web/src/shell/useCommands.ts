import { useEffect, useRef } from 'react'
import { COMMANDS, type CommandName, keysOf } from './commands'

type Doers = Partial<Record<CommandName, () => void>>

/** Keys act only outside fields and open menus, and match the typed character. */
export const useCommands = (doers: Doers): void => {
  const latest = useRef(doers)
  latest.current = doers
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.defaultPrevented || !(event.target instanceof HTMLElement)) return
      if (event.target.closest('input, textarea, select, [role="menu"], [role="dialog"]')) return
      const keys = keysOf(event)
      const name = (Object.keys(COMMANDS) as CommandName[]).find((one) => COMMANDS[one].keys === keys && latest.current[one])
      if (!name) return
      event.preventDefault()
      latest.current[name]?.()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
