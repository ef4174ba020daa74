import { useId, useState } from 'react'
import type { Figure } from '../api/client'
import { KnownMark } from './KnownMark'
import { Num } from './Num'
import { Working } from './Working'

type FigureRowProps = { figure: Figure; all: readonly Figure[] }

export const restsOf = (figure: Figure, all: readonly Figure[]) =>
  figure.rests_on.flatMap((key) => all.filter((one) => one.key === key && one.key !== figure.key))

/** A computed figure; tap it to see its working. */
export const FigureRow = ({ figure, all }: FigureRowProps) => {
  const [open, setOpen] = useState(false)
  const id = useId()
  const rests = restsOf(figure, all)
  return (
    <div className={open ? '-mx-2 rounded bg-lift px-2' : ''}>
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        className="flex min-h-9 w-full items-center gap-2.5 py-1 text-left"
      >
        <KnownMark known={figure.known} rests={rests.length > 0} />
        <span className="flex-1 text-quiet leading-tight">{figure.label}</span>
        <Num text={figure.text} className="text-[17px]" />
      </button>
      <div id={id} hidden={!open}>
        {open && <Working figure={figure} rests={rests} />}
      </div>
    </div>
  )
}
