import { useEffect } from 'react'
import { useLocation } from 'react-router'

const BEGINS = '#figure-'

/** The figure that the address names, and the scroll to it; its part of the panel is opened by whoever draws it. */
export const useAddressed = (station: string): string => {
  const { hash } = useLocation()
  const key = hash.startsWith(BEGINS) ? decodeURIComponent(hash.slice(BEGINS.length)) : ''
  useEffect(() => {
    if (key && station) document.getElementById(`figure-${key}`)?.scrollIntoView({ block: 'center' })
  }, [key, station])
  return key
}
