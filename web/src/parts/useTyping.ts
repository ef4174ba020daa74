import { type ChangeEvent, type FocusEvent, type KeyboardEvent, useId, useState } from 'react'
import { Refused } from '../api/client'
import { typeable } from './Num'

type Typing = {
  text: string
  save: (typed: string) => Promise<unknown>
  said?: (refused: Refused) => string
}

/** A value that is tapped, typed and saved; what is refused stays to be put right. */
export const useTyping = ({ text, save, said = (refused) => refused.message }: Typing) => {
  const [draft, setDraft] = useState<string | null>(null)
  const [trouble, setTrouble] = useState('')
  const id = useId()
  const close = () => {
    setDraft(null)
    setTrouble('')
  }
  const commit = async (typed = draft) => {
    if (typed === null || typed.trim() === typeable(text)) return close()
    try {
      await save(typed.trim())
      close()
    } catch (error) {
      setTrouble(error instanceof Refused ? said(error) : 'This could not be saved.')
    }
  }
  const field = {
    // the field appears because its value was tapped
    autoFocus: true,
    'aria-invalid': trouble !== '',
    'aria-describedby': trouble ? id : undefined,
    value: draft ?? '',
    onFocus: (event: FocusEvent<HTMLInputElement>) => event.target.select(),
    onChange: (event: ChangeEvent<HTMLInputElement>) => setDraft(event.target.value),
    onBlur: (event: FocusEvent<HTMLInputElement>) => {
      const chip = event.relatedTarget instanceof HTMLElement && event.relatedTarget.dataset.chip
      if (!chip) void commit()
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter') void commit()
      if (event.key === 'Escape') close()
    },
  }
  return {
    typing: draft !== null,
    open: () => setDraft(typeable(text)),
    take: (value: string) => commit(value),
    trouble,
    id,
    field,
  }
}
