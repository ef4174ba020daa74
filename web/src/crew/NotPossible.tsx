import { useState } from 'react'

const WHY = ['pipe or cable', 'no stud, the bit turns free', 'part missing', 'part damaged', 'not enough hands', 'not today']
const WIDE = 'min-h-16 rounded-lg border border-seam px-4 text-left text-lead'

/** Why a step cannot be done: a word, or one's own. */
export const NotPossible = ({ onSay, onClose }: { onSay: (why: string) => void; onClose: () => void }) => {
  const [own, setOwn] = useState('')
  return (
    <div className="flex h-full flex-col gap-2 overflow-y-auto p-3">
      <div className="flex items-center justify-between">
        <h1 className="font-bold text-lead">Not possible, because</h1>
        <button type="button" className="min-h-11 px-3 text-body" onClick={onClose}>
          Close
        </button>
      </div>
      {WHY.map((why) => (
        <button key={why} type="button" className={WIDE} onClick={() => onSay(why)}>
          {why}
        </button>
      ))}
      <form
        className="mt-auto flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (own.trim()) onSay(own.trim())
        }}
      >
        <input
          aria-label="In own words"
          placeholder="in own words"
          value={own}
          maxLength={200}
          onChange={(event) => setOwn(event.target.value)}
          className="min-h-16 min-w-0 flex-1 rounded-lg border border-seam bg-velvet px-3 text-lead"
        />
        <button type="submit" className="min-h-16 rounded-lg bg-brass px-4 font-bold text-lead text-on-brass">
          Say
        </button>
      </form>
    </div>
  )
}
