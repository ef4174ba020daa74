import { type RefObject, useCallback, useRef } from 'react'
import { ask, type Edit, type FaceName, type JobOut, type PreviewOut, ServerAway } from '../api/client'

type Look = { station: string; open: string[]; shape: string }

/** Re-planning while something is dragged. */
export const useDrag = (
  id: string,
  newest: RefObject<JobOut | undefined>,
  setPreview: (preview: PreviewOut) => void,
  setAway: (why: string) => void,
) => {
  // what the page shows just now: a preview is of that and no more
  const look = useRef<Look>({ station: '', open: [], shape: '' })
  const dragging = useRef<{ next: Edit[] | null; face: FaceName; busy: boolean; live: boolean }>({
    next: null,
    face: 'front',
    busy: false,
    live: false,
  })
  /** Re-plan while something is dragged: one request under way, the newest place next. */
  const drag = useCallback(
    async (edits: Edit[] | null, face: FaceName = 'front'): Promise<void> => {
      const state = dragging.current
      state.face = face
      state.live = edits !== null
      state.next = edits
      while (!state.busy && state.next && newest.current) {
        const version = newest.current.version
        const body = { version, edits: state.next, face: state.face, ...look.current }
        state.next = null
        state.busy = true
        try {
          const found = await ask.post('/api/jobs/{job_id}/preview', { params: { path: { job_id: id } }, body })
          if (state.live && newest.current?.version === version) setPreview(found)
        } catch (error) {
          if (error instanceof ServerAway) setAway(error.message)
        } finally {
          state.busy = false
        }
      }
    },
    [id, newest, setPreview, setAway],
  )

  return { look, drag }
}
