import { useState } from 'react'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Kept } from '../../parts/Kept'
import { Rich } from '../../parts/Num'
import { said, Trouble } from '../../parts/Trouble'
import type { StationProps } from '../props'

const GROUPS = [
  {
    name: 'Level',
    cells: [
      { name: 'level_mm', label: 'Right end higher than left by (minus: lower)', hint: 'right end higher by' },
      { name: 'level_deg', label: 'Or degrees of a digital level, right end up', hint: 'or degrees' },
    ],
  },
  {
    name: 'Or both ends above the floor or the datum line',
    cells: [
      { name: 'height_left_mm', label: 'Left end above the floor or the datum line', hint: 'left end' },
      { name: 'height_right_mm', label: 'Right end above the floor or the datum line', hint: 'right end' },
    ],
  },
  {
    name: 'Center, frame to the ends of the wall',
    cells: [
      { name: 'gap_left_mm', label: 'Frame to the left wall end', hint: 'to the left end' },
      { name: 'gap_right_mm', label: 'Frame to the right wall end', hint: 'to the right end' },
    ],
  },
  {
    name: 'Plumb, top leans in',
    cells: [
      { name: 'plumb_left_mm', label: 'Top leans in at the left end (minus: back)', hint: 'left end' },
      { name: 'plumb_right_mm', label: 'Top leans in at the right end (minus: back)', hint: 'right end' },
    ],
  },
  {
    name: 'Wind',
    cells: [
      { name: 'crossing_mm', label: 'Diagonals apart where they cross, the one from upper left in front', hint: 'strings apart' },
    ],
  },
  {
    name: 'Border seen from the front, frame edge to picture edge',
    cells: [
      { name: 'margin_left_mm', label: 'Fabric margin left', hint: 'left' },
      { name: 'margin_right_mm', label: 'Fabric margin right', hint: 'right' },
      { name: 'margin_top_mm', label: 'Fabric margin top', hint: 'top' },
      { name: 'margin_bottom_mm', label: 'Fabric margin bottom', hint: 'bottom' },
    ],
  },
] as const
const WHEN = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

/** Readings of the hung screen, any of them at a time, and the move that cures each. */
export const Hung = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const [draft, setDraft] = useState<Record<string, string>>({})
  const [trouble, setTrouble] = useState('')
  const table = plan.tables.hang
  if (!table) return null
  const typed = Object.fromEntries(Object.entries(draft).filter(([, text]) => text.trim()))
  const keep = async () => {
    try {
      await edit([{ pointer: '/hang/readings/-', value: { ...typed, day: WHEN.format(new Date()) } }])
      setDraft({})
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
    }
  }
  return (
    <div>
      {table.checks.map((row) => (
        <div key={row.key} className={`my-1 border-l-[6px] px-3 py-1.5 ${row.within ? 'border-chalk' : 'border-brass bg-lift'}`}>
          <p className="text-small">
            <strong>{row.name}</strong>: <Rich text={row.stands} />
            {row.within && ', within tolerance'}
          </p>
          {row.move && (
            <p className="font-semibold text-body">
              <Rich text={row.move} />
            </p>
          )}
        </div>
      ))}
      <p className="py-2 text-quiet text-small leading-snug">Type what you read, any of it. The last reading of each counts.</p>
      {GROUPS.map((group) => (
        <fieldset key={group.name} className="pb-2">
          <legend className="text-quiet text-small">{group.name}</legend>
          <div className="flex gap-1">
            {group.cells.map(({ name, label, hint }) => (
              <div key={name} className="min-w-0 flex-1">
                <p aria-hidden className="truncate text-fine text-quiet">
                  {hint}
                </p>
                <input
                  aria-label={label}
                  value={draft[name] ?? ''}
                  onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
                  onKeyDown={(event) => event.key === 'Enter' && void keep()}
                  className="min-h-11 w-full min-w-0 rounded border border-seam bg-velvet px-2 text-body"
                />
              </div>
            ))}
          </div>
        </fieldset>
      ))}
      <Button look="main" size="tall" disabled={Object.keys(typed).length === 0} onClick={() => void keep()}>
        Keep these readings
      </Button>
      <Trouble text={trouble} />
      <Kept list="/hang/readings" noun="reading" rows={table.readings} />
    </div>
  )
}
