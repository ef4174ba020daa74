import { type ChangeEvent, type FocusEvent, type KeyboardEvent, useId, useRef, useState } from 'react'
import { Refused } from '../api/client'
import { typeable } from './Num'

type Typing = {
  text: string
  save: (typed: string) => Promise<unknown>
  said?: (refused: Refused) => string
  choices?: (refused: Refused) => readonly string[]
  keep?: string
  lines?: boolean
}
type Box = HTMLInputElement | HTMLTextAreaElement
type Kept = { typed: string; trouble: string; choices: readonly string[] }

/** What was refused and not put right, by its field: it is there again when its station is. */
const kept = new Map<string, Kept>()
const NONE: readonly string[] = []

/** A value that is tapped, typed and saved; what is refused stays to be put right. keep: the name it is kept under. lines: Enter
 * begins a new one, and Ctrl and Enter save. */
export const useTyping = ({
  text,
  save,
  said = (refused) => refused.message,
  choices = () => NONE,
  keep,
  lines = false,
}: Typing) => {
  const before = keep === undefined ? undefined : kept.get(keep)
  const [draft, setDraft] = useState<string | null>(before?.typed ?? null)
  const [refusal, setRefusal] = useState({ trouble: before?.trouble ?? '', choices: before?.choices ?? NONE })
  // by the keyboard one goes on from where one was; a field that was left open before takes no focus
  const [from, setFrom] = useState<'tap' | 'key' | 'before'>(before ? 'before' : 'tap')
  const saving = useRef(false)
  const id = useId()
  const box = useRef<HTMLElement>(null)
  // a save that comes back late must not take the focus from what was opened meanwhile
  const elsewhere = () => {
    const now = document.activeElement
    return now instanceof HTMLElement && now !== document.body && now !== box.current && !now.dataset.chip
  }
  const close = (by: 'tap' | 'key' = 'tap') => {
    setDraft(null)
    setRefusal({ trouble: '', choices: NONE })
    setFrom(by)
    if (keep !== undefined) kept.delete(keep)
  }
  const commit = async (typed = draft, by: 'tap' | 'key' = 'tap') => {
    if (typed === null || typed.trim() === typeable(text)) return close(by)
    if (saving.current) return
    saving.current = true
    try {
      await save(typed.trim())
      close(elsewhere() ? 'tap' : by)
    } catch (error) {
      const refused = error instanceof Refused ? error : null
      const trouble = refused ? said(refused) : 'This could not be saved.'
      const found = refused ? choices(refused) : NONE
      setRefusal({ trouble, choices: found })
      if (keep !== undefined) kept.set(keep, { typed, trouble, choices: found })
    } finally {
      saving.current = false
    }
  }
  const field = {
    ref: (element: HTMLElement | null) => {
      box.current = element
    },
    // the field appears because its value was tapped
    autoFocus: from !== 'before',
    'aria-invalid': refusal.trouble !== '',
    'aria-describedby': refusal.trouble ? id : undefined,
    value: draft ?? '',
    onFocus: (event: FocusEvent<Box>) => event.target.select(),
    onChange: (event: ChangeEvent<Box>) => setDraft(event.target.value),
    onBlur: (event: FocusEvent<Box>) => {
      const chip = event.relatedTarget instanceof HTMLElement && event.relatedTarget.dataset.chip
      if (!chip) void commit()
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter' && (!lines || event.ctrlKey || event.metaKey)) void commit(draft, 'key')
      if (event.key === 'Escape') close('key')
    },
  }
  return {
    typing: draft !== null,
    open: () => {
      setFrom('tap')
      setDraft(typeable(text))
    },
    /** What opens the field takes the focus back when the keyboard closed it: Tab goes on from there. */
    back: from === 'key',
    /** What is taken whole is seen like what is typed: refused, it stays to be put right. */
    take: (value: string) => {
      setDraft(value)
      return commit(value, 'key')
    },
    trouble: refusal.trouble,
    choices: refusal.choices,
    id,
    field,
  }
}
