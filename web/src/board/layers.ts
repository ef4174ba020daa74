import type { Mark, Panel } from '../api/client'
import { ALWAYS } from './pens.generated'

/** Whether a station lights a mark up; the rest of the board is dimmed. */
export const isLit = (mark: Mark, { lit }: Panel): boolean =>
  mark.layer === 'base' || mark.layer === 'content' || lit.layers.includes(mark.layer)

/** Whether a mark is drawn at all while this station is at work. shape: the aspect ratio that is looked at. */
export const isShown = (mark: Mark, panel: Panel, shape: string): boolean => {
  const { lit } = panel
  if (lit.hides.includes(mark.layer)) return false
  if (!lit.texts && mark.kind === 'label' && mark.role === 'picture') return false
  if ('of' in mark && mark.of) return mark.of === shape && (panel.shape === 'light') === mark.role.startsWith('spill')
  if (mark.layer === 'base') return true
  if (mark.layer === 'content') return false
  if (mark.kind === 'dimension' || mark.kind === 'label') return lit.dimensions.includes(mark.layer)
  if (mark.kind === 'handle') return lit.handles.includes(mark.layer)
  return lit.layers.includes(mark.layer) || ALWAYS.has(mark.role)
}
