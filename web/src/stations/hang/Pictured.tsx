import { useState } from 'react'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Kept } from '../../parts/Kept'
import { said, Trouble } from '../../parts/Trouble'
import type { StationProps } from '../props'

const CORNERS = [
  { key: 'tl', name: 'Top left' },
  { key: 'tr', name: 'Top right' },
  { key: 'br', name: 'Bottom right' },
  { key: 'bl', name: 'Bottom left' },
] as const
const SIDES = [
  { key: 'x_mm', name: 'from the left wall end', hint: 'from left' },
  { key: 'y_mm', name: 'above the floor', hint: 'off floor' },
] as const
const WHEN = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

/** The four corners of the picture as taped onto the bare wall. */
export const Pictured = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const [draft, setDraft] = useState<Record<string, string>>({})
  const [trouble, setTrouble] = useState('')
  const typed = Object.fromEntries(Object.entries(draft).filter(([, text]) => text.trim()))
  const keep = async () => {
    try {
      await edit([{ pointer: '/hang/picture/-', value: { ...typed, day: WHEN.format(new Date()) } }])
      setDraft({})
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
    }
  }
  return (
    <div className="pb-2">
      <div className="grid grid-cols-[auto_1fr_1fr] items-center gap-1">
        {CORNERS.flatMap((corner) => [
          <span key={corner.key} className="pr-2 text-quiet text-small">
            {corner.name}
          </span>,
          ...SIDES.map((side) => {
            const name = `${corner.key}_${side.key}`
            return (
              <input
                key={name}
                aria-label={`${corner.name} corner of the picture, ${side.name}`}
                placeholder={side.hint}
                value={draft[name] ?? ''}
                onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
                className="min-h-11 w-full min-w-0 rounded border border-seam bg-velvet px-2 text-body"
              />
            )
          }),
        ])}
        <span className="pr-2 text-quiet text-small">Lens</span>
        <input
          aria-label="Lens from the bare wall, as it stood"
          placeholder="from wall"
          value={draft.lens_mm ?? ''}
          onChange={(event) => setDraft({ ...draft, lens_mm: event.target.value })}
          className="min-h-11 w-full min-w-0 rounded border border-seam bg-velvet px-2 text-body"
        />
      </div>
      <Button
        look="main"
        size="tall"
        className="mt-1"
        disabled={!CORNERS.every((corner) => SIDES.every((side) => typed[`${corner.key}_${side.key}`]))}
        onClick={() => void keep()}
      >
        Keep these corners
      </Button>
      <Trouble text={trouble} />
      <Kept list="/hang/picture" noun="picture" rows={plan.tables.hang?.pictures ?? []} />
    </div>
  )
}
