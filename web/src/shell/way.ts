import { useSyncExternalStore } from 'react'

const KEY = 'gantline.way'
const listeners = new Set<() => void>()
const told = () => {
  for (const listener of listeners) listener()
}

/** The first job somebody makes here is walked through station by station, until it is ended. */
export const startWay = (): void => {
  if (localStorage.getItem(KEY) === null) localStorage.setItem(KEY, 'on')
  told()
}

/** Walk through it again. */
export const againWay = (): void => {
  localStorage.setItem(KEY, 'on')
  told()
}

export const endWay = (): void => {
  localStorage.setItem(KEY, 'ended')
  told()
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => void listeners.delete(listener)
}

export const useWay = (): boolean => useSyncExternalStore(subscribe, () => localStorage.getItem(KEY) === 'on')
