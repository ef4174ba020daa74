import { type ReactNode, useEffect, useState } from 'react'
import { Rich } from './Num'

type FoldedProps = { name: string; title: string; gist: string; named?: boolean; children: ReactNode }

/** Detail under its gist of one line; whether it is open is remembered. named: the address leads to something in it. */
export const Folded = ({ name, title, gist, named = false, children }: FoldedProps) => {
  const key = `gantline.open.${name}`
  const [open, setOpen] = useState(() => named || localStorage.getItem(key) === '1')
  useEffect(() => {
    if (named) setOpen(true)
  }, [named])
  const turn = () => {
    setOpen(!open)
    if (open) localStorage.removeItem(key)
    else localStorage.setItem(key, '1')
  }
  return (
    <section className="border-seam border-t">
      <h3>
        <button
          type="button"
          aria-expanded={open}
          onClick={turn}
          className="flex min-h-11 w-full items-center gap-2 py-1 text-left"
        >
          <svg viewBox="0 0 12 12" className={`size-3 shrink-0 ${open ? 'rotate-90' : ''}`} aria-hidden="true">
            <path d="M3.500 1.500 8.500 6l-5 4.500" fill="none" stroke="var(--brass)" strokeWidth="2" />
          </svg>
          <span className="min-w-0 flex-1 leading-tight">
            <span className="block font-semibold text-small">{title}</span>
            {!open && gist && (
              <span className="block truncate text-fine text-quiet">
                <Rich text={gist} />
              </span>
            )}
          </span>
        </button>
      </h3>
      {open && <div className="pb-2">{children}</div>}
    </section>
  )
}
