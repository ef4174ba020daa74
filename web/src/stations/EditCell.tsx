import { useState } from 'react'
import { type Edit, Refused } from '../api/client'
import { useThisJob } from '../job/context'
import { Num, Rich, typeable } from '../parts/Num'

type EditCellProps = { label: string; pointer: string; text: string; numeric?: boolean; placeholder?: string }

/** One value in a list: tap, type, done; what is refused stays to be put right. */
export const EditCell = ({ label, pointer, text, numeric = true, placeholder = 'default' }: EditCellProps) => {
  const { edit } = useThisJob()
  const [draft, setDraft] = useState<string | null>(null)
  const [trouble, setTrouble] = useState('')
  const close = () => {
    setDraft(null)
    setTrouble('')
  }
  const commit = async () => {
    if (draft === null || draft.trim() === typeable(text)) return close()
    const value: Edit['value'] = draft.trim() === '' && numeric ? null : draft.trim()
    try {
      await edit([{ pointer, value }])
      close()
    } catch (error) {
      setTrouble(error instanceof Refused ? error.about(pointer) : 'This could not be saved.')
    }
  }
  if (draft === null)
    return (
      <button
        type="button"
        onClick={() => setDraft(typeable(text))}
        className="min-h-9 rounded border border-transparent border-b-seam px-1 hover:border-seam hover:bg-lift"
      >
        <span className="sr-only">{label}: </span>
        {text ? numeric ? <Num text={text} /> : text : <span className="text-quiet">{placeholder}</span>}
      </button>
    )
  return (
    <span className="inline-flex flex-col">
      <input
        // biome-ignore lint/a11y/noAutofocus: the field appears because its value was tapped
        autoFocus
        aria-label={label}
        aria-invalid={trouble !== ''}
        value={draft}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={() => void commit()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void commit()
          if (event.key === 'Escape') close()
        }}
        className={`min-h-9 rounded border-2 bg-velvet px-1.5 font-semibold ${trouble ? 'border-stop' : 'border-chalk'} ${numeric ? 'w-24' : 'w-36'}`}
      />
      {trouble && (
        <span role="alert" className="max-w-56 text-[13.5px] text-stop leading-tight">
          <Rich text={trouble} />
        </span>
      )}
    </span>
  )
}
