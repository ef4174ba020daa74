import { useEffect, useState } from 'react'
import { useThisJob } from '../../job/context'
import { useTap } from '../../job/tap'
import { Add } from '../../parts/Add'
import { Button, buttonLook, Pick } from '../../parts/Button'
import { Menu, MenuChoices } from '../../parts/Menu'
import { Typed } from '../../parts/Typed'
import type { StationProps } from '../props'

const READINGS = '/survey/stud_readings/-'
const MARKS = '/survey/stud_marks/-'
const X = [{ name: 'x_mm', label: 'Place from the left wall end', hint: 'from left' }]

/** Readings of sensor and magnet, typed or tapped; studs set or struck out by hand. */
export const StudFinder = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const { tap, setTap } = useTap()
  const [kind, setKind] = useState('magnet')
  const list = plan.tables.stud_list
  useEffect(() => () => setTap(null), [setTap])
  if (!list) return null
  const said = list.kinds.find(([value]) => value === kind)?.[1] ?? kind
  const take = (next: string) => {
    setKind(next)
    if (tap) setTap(tapFor(next, list.kinds.find(([value]) => value === next)?.[1] ?? next))
  }
  const choices = list.kinds.map(([value, label]) => ({ value, label }))
  return (
    <div>
      <fieldset aria-label="What the next reading found" className="flex flex-wrap gap-1 pb-2">
        {list.kinds.map(([value, label]) => (
          <Pick key={value} on={kind === value} onClick={() => take(value)} className="border border-seam">
            {label}
          </Pick>
        ))}
      </fieldset>
      <Add cells={X} button="Add reading" edit={(typed) => ({ pointer: READINGS, value: { ...typed, kind } })} />
      <Button className="my-2" aria-pressed={tap !== null} onClick={() => setTap(tap ? null : tapFor(kind, said))}>
        {tap ? 'Stop tapping' : 'Tap readings on the board'}
      </Button>
      <ul>
        {list.readings.map((row, at) => (
          <li key={row.id} className="flex min-h-9 items-center gap-2">
            <Menu
              label={`Reading ${at + 1} found`}
              className={`${buttonLook('quiet')} flex-1 text-left leading-tight`}
              trigger={
                <span>
                  {list.kinds.find(([value]) => value === row.kind)?.[1]} ▾
                  {row.said && <span className="block text-fine text-stop">{row.said}</span>}
                </span>
              }
            >
              <MenuChoices
                value={row.kind}
                onChange={(value) => void edit([{ pointer: `${row.pointer}/kind`, value }])}
                choices={choices}
              />
            </Menu>
            <Typed look="cell" label={`Reading ${at + 1}, from left`} pointer={`${row.pointer}/x_mm`} text={row.x} />
            <Button
              look="remove"
              aria-label={`Remove reading ${at + 1}`}
              onClick={() => void edit([{ pointer: row.pointer, value: null }])}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      <p className="pt-2 text-quiet text-small">{list.confirms}</p>
      <p className="pt-2 pb-1 text-quiet text-small">You know better? Set or strike out a stud. It stays as you say.</p>
      <ul>
        {list.marks.map((row) => (
          <li key={row.id} className="flex min-h-9 items-center gap-2">
            <span className="flex-1">{row.said}</span>
            <Typed look="cell" label={`${row.said}, from left`} pointer={`${row.pointer}/x_mm`} text={row.x} />
            <Button
              look="remove"
              aria-label={`Take back: ${row.said}`}
              onClick={() => void edit([{ pointer: row.pointer, value: null }])}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      <Add cells={X} button="Set a stud" edit={(typed) => ({ pointer: MARKS, value: { ...typed, there: true } })} />
      <div className="pt-1">
        <Add cells={X} button="Strike out" edit={(typed) => ({ pointer: MARKS, value: { ...typed, there: false } })} />
      </div>
    </div>
  )
}

const tapFor = (kind: string, said: string) => ({
  name: said,
  face: 'front' as const,
  edit: (x_mm: number) => ({ pointer: READINGS, value: { x_mm, kind } }),
})
