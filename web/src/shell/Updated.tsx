import { useEffect } from 'react'
import { useNewerBuild } from '../api/build'
import { Button } from '../parts/Button'

const LOOK_MS = 2000
const QUIET_LOOKS = 3
const RELOADED = 'gantline.reloaded'

const IN_HAND = '[role="dialog"], [role="menu"], [data-held]'
const TYPED = 'input:not([type=checkbox]):not([type=radio]):not([type=range]):not([type=file]), textarea'

/** Whether a reload would take nothing from anybody: nothing is typed in a box, chosen, dragged or drawn, and nobody is about to.
 * What is in hand by more than a box says so by data-held, a box with nothing but what is saved by data-saved. */
export const isSafe = (page: Document): boolean => {
  const boxes = [...page.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(TYPED)]
  if (
    page.fullscreenElement ||
    page.querySelector(IN_HAND) ||
    boxes.some((box) => box.value !== '' && !box.closest('[data-saved]'))
  )
    return false
  return page.hidden || !page.activeElement?.matches('input, textarea, select')
}

const reload = (build: string) => {
  sessionStorage.setItem(RELOADED, build)
  window.location.reload()
}

/** Says that the server was updated, and loads the new page when nothing is lost by it. On what a projector casts it says nothing;
 * crew: few words over the head of the step, away from its numbers and keys. */
export const Updated = ({ crew = false }: { crew?: boolean }) => {
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
  if (!build || window.location.pathname.startsWith('/cast')) return null
  return (
    <div
      role="status"
      className={`fixed inset-x-0 z-50 flex items-center gap-x-4 border-brass bg-lift px-4 py-2 text-ink ${crew ? 'top-0 border-b-2' : 'bottom-0 border-t-2'}`}
    >
      <p className="flex-1">
        <strong>Gantline was updated.</strong>
        {!crew && ' This page reloads when nothing is being typed or drawn. What waits to be saved is kept.'}
      </p>
      <Button look="main" size="bar" onClick={() => reload(build)}>
        Reload now
      </Button>
    </div>
  )
}
