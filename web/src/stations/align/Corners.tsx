import { useState } from 'react'
import { createPortal } from 'react-dom'
import { useThisJob } from '../../job/context'
import { useShown } from '../../job/shown'
import { Button } from '../../parts/Button'
import { Kept } from '../../parts/Kept'
import { Rich } from '../../parts/Num'
import { said, Trouble } from '../../parts/Trouble'
import type { StationProps } from '../props'
import { Photo } from './Photo'

const CORNERS = [
  { key: 'tl', name: 'Top left', up: 'up' },
  { key: 'tr', name: 'Top right', up: 'up' },
  { key: 'bl', name: 'Bottom left', up: 'down' },
  { key: 'br', name: 'Bottom right', up: 'down' },
] as const
const BOWS = [
  { name: 'top_bow_mm', label: 'Middle of the top edge, out' },
  { name: 'bottom_bow_mm', label: 'Middle of the bottom edge, out' },
] as const
const WHEN = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const BOX = 'min-h-11 w-full min-w-0 rounded border border-seam bg-velvet px-1 text-small'

/** Eight numbers, laid out as the corners are: how far each stands outside the viewable area. */
export const Corners = ({ plan }: StationProps) => {
  const { edit } = useThisJob()
  const { corners } = useShown()
  const table = plan.tables.align
  const [draft, setDraft] = useState<Record<string, string>>({})
  const [last, setLast] = useState('tl_x_mm')
  const [photo, setPhoto] = useState('')
  const [filled, setFilled] = useState<Record<string, string>>({}) // by the photo
  const [trouble, setTrouble] = useState('')
  if (!table) return null
  const typed = Object.fromEntries(Object.entries(draft).filter(([, text]) => text.trim()))
  const count = Object.keys(typed).filter((name) => !name.endsWith('bow_mm')).length
  const set = (name: string, text: string) => setDraft((now) => ({ ...now, [name]: text }))
  const keep = async (read: Record<string, string>) => {
    try {
      await edit([{ pointer: '/align/rounds/-', value: { ...read, day: WHEN.format(new Date()) } }])
      setDraft({})
      setFilled({})
      setPhoto('')
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
    }
  }
  const input = (name: string, label: string, hint: string) => (
    <input
      key={name}
      aria-label={label}
      placeholder={hint}
      value={draft[name] ?? ''}
      onFocus={() => setLast(name)}
      onChange={(event) => set(name, event.target.value)}
      className={BOX}
    />
  )
  const chips = [
    ...(table.half_border ? [{ name: '½ border out', text: table.half_border }] : []),
    { name: `${table.wanted} out, as wanted`, text: table.wanted },
    { name: 'on it', text: '0' },
  ]
  return (
    <div>
      <p className="pb-2 text-quiet text-small leading-snug">
        Read how far each corner of the picture stands outside the corner of the viewable area: sideways, and up or down. Minus is
        inside.
      </p>
      <Button size="bar" className="mb-2" onClick={() => void keep({})}>
        Drag them on the board
      </Button>
      <Photo
        onRead={(read, key) => {
          // numbers of a photo go with it when the next is refused; those that somebody typed stay
          const typedOver = ([name, text]: [string, string]) => text !== filled[name]
          setDraft((now) => ({ ...Object.fromEntries(Object.entries(now).filter(typedOver)), ...read }))
          setFilled(read)
          setPhoto(key)
        }}
      />
      <div className={corners ? 'contents' : 'grid grid-cols-2 gap-2'}>
        {CORNERS.map(({ key, name, up }) => {
          const row = table.corners.find((one) => one.key === key)
          const read = (
            <fieldset
              key={key}
              className={`rounded border p-2 ${row?.doubted ? 'border-stop border-2' : row?.within ? 'border-chalk' : 'border-seam'}`}
            >
              <legend className="px-1 text-small">{name}</legend>
              <div className="flex gap-1">
                {input(`${key}_x_mm`, `${name}, sideways`, 'out')}
                {input(`${key}_y_mm`, `${name}, ${up}`, up)}
              </div>
              {row && (
                <p className="pt-1 text-small">
                  <Rich text={`${row.across}, ${row.up}`} />
                  {row.doubted && <strong> Read again.</strong>}
                </p>
              )}
            </fieldset>
          )
          const slot = corners?.[key]
          return slot ? createPortal(read, slot, key) : read
        })}
      </div>
      <div className="flex gap-1 pt-2">
        {BOWS.map(({ name, label }) => input(name, label, label.includes('top') ? 'top bow' : 'bottom bow'))}
      </div>
      <div className="flex flex-wrap gap-1 py-2">
        {chips.map((chip) => (
          <Button key={chip.name} size="bar" onClick={() => set(last, chip.text)}>
            <Rich text={chip.name} />
          </Button>
        ))}
      </div>
      <Button look="main" size="tall" disabled={count === 0} onClick={() => void keep(photo ? { ...typed, photo } : typed)}>
        {count === 8 ? 'Keep this round' : `Keep ${count} of 8`}
      </Button>
      <Trouble text={trouble} />
      <Kept list="/align/rounds" noun="round" rows={table.rounds} />
    </div>
  )
}
