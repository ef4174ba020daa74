import { useSyncExternalStore } from 'react'

/** Which pages the server has: said with every answer. Other ones than at the first answer: it was updated meanwhile, and an
 * answer that the old server had still under way takes nothing of that back. */
let first = ''
let newer = ''
const listeners = new Set<() => void>()

/** Looks at an answer, and hands it on. */
export const seenBuild = (answer: Response): Response => {
  const build = answer.headers.get('gantline-build') ?? ''
  first ||= build
  if (build && build !== first && build !== newer) {
    newer = build
    for (const tell of listeners) tell()
  }
  return answer
}

const subscribe = (tell: () => void) => {
  listeners.add(tell)
  return () => listeners.delete(tell)
}

/** The newer pages' name, empty while this page is the newest. */
export const newerBuild = (): string => newer
export const useNewerBuild = (): string => useSyncExternalStore(subscribe, newerBuild)
