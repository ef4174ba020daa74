import { useState } from 'react'

const LIGHTS = ['dark', 'light', 'red'] as const
export type Light = (typeof LIGHTS)[number]

const read = (): Light => {
  try {
    const kept = localStorage.getItem('gantline.day.light')
    return LIGHTS.find((light) => light === kept) ?? (document.documentElement.dataset.theme === 'light' ? 'light' : 'dark')
  } catch {
    return 'dark'
  }
}

/** Dark, light or dim red, one after the other; kept in this phone. */
export const useLight = () => {
  const [light, setLight] = useState<Light>(read)
  document.documentElement.dataset.theme = light
  const turn = () => {
    const next = LIGHTS[(LIGHTS.indexOf(light) + 1) % LIGHTS.length] ?? 'dark'
    try {
      localStorage.setItem('gantline.day.light', next)
    } catch {
      // a browser that keeps nothing
    }
    setLight(next)
  }
  return [light, turn] as const
}
