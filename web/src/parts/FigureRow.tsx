import { useEffect, useId, useState } from 'react'
import type { Figure } from '../api/client'
import { useThisJob } from '../job/context'
import { KnownMark } from './KnownMark'
import { Num, Rich } from './Num'
import { Working } from './Working'

const SHORT = 22 // letters of a text that still stands as a number does

/** A computed figure; tap it to see its working. */
export const FigureRow = ({ figure, lead = false, refused = false }: { figure: Figure; lead?: boolean; refused?: boolean }) => {
  const { look } = useThisJob()
  const [open, setOpen] = useState(false)
  const id = useId()
  const sentence = typeof figure.value === 'string' && figure.text.length > SHORT
  useEffect(() => {
    // while something is dragged, the working of an open figure follows
    const open_ = look.current.open
    if (!open) return
    open_.push(figure.key)
    return () => void open_.splice(open_.indexOf(figure.key), 1)
  }, [open, figure.key, look])
  return (
    <div className={open ? '-mx-2 rounded bg-lift px-2' : ''}>
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        className={`flex w-full items-center gap-2.5 py-1 text-left ${lead ? 'min-h-11' : 'min-h-9'}`}
      >
        <KnownMark known={figure.known} rests={figure.rests_on.length > 0} />
        <span className={`flex-1 leading-tight ${lead ? '' : 'text-quiet'}`}>{figure.label}</span>
        {refused ? (
          <span className="font-bold text-stop text-value">Do not drill</span>
        ) : sentence ? (
          <span className="max-w-[60%] text-right font-semibold text-body leading-tight">
            <Rich text={figure.text} />
          </span>
        ) : (
          <Num text={figure.text || '—'} className={lead ? 'text-title' : 'text-value'} />
        )}
      </button>
      <div id={id} hidden={!open}>
        {open && !refused && <Working figure={figure} />}
      </div>
    </div>
  )
}
