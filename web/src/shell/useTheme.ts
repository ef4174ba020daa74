import { useState } from 'react'

export type Theme = 'dark' | 'light'

/** The theme, kept for the next visit; theme.js sets it before the first paint. */
export const useTheme = () => {
  const [theme, setTheme] = useState<Theme>(document.documentElement.dataset.theme === 'light' ? 'light' : 'dark')
  const turn = () => {
    const next = theme === 'dark' ? 'light' : 'dark'
    document.documentElement.dataset.theme = next
    localStorage.setItem('gantline.theme', next)
    setTheme(next)
  }
  return [theme, turn] as const
}
