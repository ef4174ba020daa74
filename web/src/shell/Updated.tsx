import { useEffect } from 'react'
import { useNewerBuild } from '../api/build'
import { Button } from '../parts/Button'

const LOOK_MS = 2000
const QUIET_LOOKS = 3
const RELOADED = 'gantline.reloaded'

/** Nobody is typing, choosing or dragging; what waits to be saved is kept over a reload. */
export const isSafe = (page: Document): boolean => {
  const held = page.activeElement
  const typing = held instanceof HTMLInputElement || held instanceof HTMLTextAreaElement || held instanceof HTMLSelectElement
  return page.hidden || !(typing || page.querySelector('[role="dialog"], [role="menu"], [data-held]'))
}

const reload = (build: string) => {
  sessionStorage.setItem(RELOADED, build)
  window.location.reload()
}

/** Says that the server was updated, and loads the new page when nothing is lost by it. */
export const Updated = () => {
  const build = useNewerBuild()
  useEffect(() => {
    // two servers of two versions beside each other: once is enough
    if (!build || sessionStorage.getItem(RELOADED) === build) return
    let quiet = 0
    const timer = setInterval(() => {
      quiet = isSafe(document) ? quiet + 1 : 0
      if (quiet >= QUIET_LOOKS) reload(build)
    }, LOOK_MS)
    return () => clearInterval(timer)
  }, [build])
  if (!build) return null
  return (
    <div
      role="status"
      className="fixed inset-x-0 bottom-0 z-50 flex flex-wrap items-center gap-x-4 gap-y-2 border-brass border-t-2 bg-lift px-4 py-2"
    >
      <p className="flex-1">
        <strong>Gantline was updated.</strong> This page reloads when you stop typing. What waits to be saved is kept.
      </p>
      <Button look="main" size="bar" onClick={() => reload(build)}>
        Reload now
      </Button>
    </div>
  )
}
