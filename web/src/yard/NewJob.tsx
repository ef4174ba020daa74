import { useMutation } from '@tanstack/react-query'
import { type FormEvent, useRef, useState } from 'react'
import { ask, type JobOut, Refused } from '../api/client'
import { Button } from '../parts/Button'
import { Sheet } from '../parts/Sheet'
import { said, Trouble } from '../parts/Trouble'
import { Meant } from '../parts/Typed'
import { LENGTH_STYLES, type LengthStyle } from '../parts/units'

const ASPECTS = ['16:9', '2.39', '16:10', '4:3', '1.85', '2.00', '2.35', '2.40', '64:27']
const INPUT = 'mt-1 block min-h-11 w-full rounded border border-seam bg-velvet px-3 text-value'
const KEPT = 'gantline.units'

type Ask = { name: string; label: string; example: Record<'inch' | 'feet' | 'mm' | 'cm', string>; optional?: boolean }
const length = (name: string, label: string, inch: string, feet: string, mm: string, optional = false): Ask => ({
  name,
  label,
  example: { inch, feet, mm, cm: String(Number(mm) / 10) },
  optional,
})
const plain = (name: string, label: string, example: string, optional = false): Ask => ({
  name,
  label,
  example: { inch: example, feet: example, mm: example, cm: example },
  optional,
})

/** What a size can start from, and what is asked for it. */
const STARTS = {
  diagonal: { label: 'the diagonal', asks: [length('value', 'Diagonal of the picture', '113', "9' 5", '2870')] },
  width: { label: 'the width', asks: [length('value', 'Width of the picture', '98 1/2', "8' 2 1/2", '2500')] },
  height: { label: 'the height', asks: [length('value', 'Height of the picture', '55 3/8', "4' 7 3/8", '1406')] },
  wall: { label: 'the free wall', asks: [length('value', 'Free wall, width', '150', "12' 6", '3800')] },
  angle: {
    label: 'a viewing angle',
    asks: [
      plain('angle_deg', 'Viewing angle, degrees', '40'),
      length('seat_from_wall', 'Main seat from the wall', '130', "10' 10", '3300'),
    ],
  },
  throw: {
    label: 'a projector that cannot move',
    asks: [
      plain('ratio_low', 'Throw ratio, wide', '1.3'),
      plain('ratio_high', 'Throw ratio, long', '2.1', true),
      length('lens_from_wall', 'Lens from the wall', '160', "13' 4", '4000'),
    ],
  },
  measured: {
    label: 'a picture on the wall',
    asks: [
      length('value', 'Its width', '98 1/2', "8' 2 1/2", '2500'),
      length('picture_height', 'Its height', '55 3/8', "4' 7 3/8", '1406', true),
      length('diagonal_rising', 'Lower left to upper right', '113', "9' 5", '2868', true),
      length('diagonal_falling', 'Upper left to lower right', '113', "9' 5", '2868', true),
    ],
  },
} as const
type Start = keyof typeof STARTS

const exampleOf = (one: Ask, style: LengthStyle) =>
  style === 'mm' || style === 'cm' ? one.example[style] : one.example[style === 'ft-in' ? 'feet' : 'inch']

const remembered = (): LengthStyle => {
  const kept = localStorage.getItem(KEPT)
  return LENGTH_STYLES.find(({ value }) => value === kept)?.value ?? 'in-fraction'
}

type NewJobProps = { open: boolean; onClose: () => void; onMade: (job: JobOut) => void }

/** A job needs a name and whatever is known of its size; everything else can come later. */
export const NewJob = ({ open, onClose, onMade }: NewJobProps) => {
  const [style, setStyle] = useState<LengthStyle>(remembered)
  const [start, setStart] = useState<Start>('diagonal')
  const form = useRef<HTMLFormElement>(null)
  const make = useMutation({
    mutationFn: (typed: Record<string, string>) =>
      ask.post('/api/jobs', {
        body: { aspect: '16:9', place: '', ...typed, name: typed.name ?? '', start, units: { style, denominator: 16 } },
      }),
    onSuccess: onMade,
  })
  const send = () => {
    if (!form.current) return
    const typed = [...new FormData(form.current)].filter(([, text]) => String(text).trim())
    make.mutate(Object.fromEntries(typed.map(([name, text]) => [name, String(text)])))
  }
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    send()
  }
  const units = (value: LengthStyle) => {
    localStorage.setItem(KEPT, value)
    setStyle(value)
  }
  const refused = make.error instanceof Refused ? make.error : null
  const doubt = refused?.fields.find((one) => one.choices?.length)
  const asks: readonly Ask[] = STARTS[start].asks
  return (
    <Sheet open={open} onClose={onClose} title="New job" describe="A name and what is known of the size are enough to begin.">
      <form ref={form} onSubmit={submit} className="mt-4 flex flex-col gap-4">
        <label>
          Lengths in
          <select value={style} onChange={(event) => units(event.target.value as LengthStyle)} className={INPUT}>
            {LENGTH_STYLES.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <div className="grid grid-cols-2 gap-4">
          <label>
            Name
            <input name="name" required maxLength={120} className={INPUT} />
          </label>
          <label>
            Place
            <input name="place" maxLength={160} className={INPUT} />
          </label>
        </div>
        <div className="grid grid-cols-2 gap-4">
          <label>
            The size starts from
            <select value={start} onChange={(event) => setStart(event.target.value as Start)} className={INPUT}>
              {Object.entries(STARTS).map(([value, { label }]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
          </label>
          <label>
            Aspect ratio
            <input name="aspect" defaultValue="16:9" list="aspects" className={INPUT} />
            <datalist id="aspects">
              {ASPECTS.map((one) => (
                <option key={one} value={one} />
              ))}
            </datalist>
          </label>
        </div>
        <div className="grid grid-cols-2 gap-4">
          {asks.map((one) => (
            <label key={start + one.name}>
              {one.label}
              {one.optional && <span className="text-quiet"> if known</span>}
              <input name={one.name} required={!one.optional} placeholder={exampleOf(one, style)} className={INPUT} />
            </label>
          ))}
        </div>
        <Trouble text={said(make.error)} />
        <Meant
          texts={doubt?.choices ?? []}
          onTake={(text) => {
            const input = form.current?.elements.namedItem(doubt?.pointer.slice(1) ?? '')
            if (input instanceof HTMLInputElement) input.value = text
            send()
          }}
        />
        <div className="flex justify-end gap-3">
          <Button size="tall" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" look="main" size="tall" disabled={make.isPending}>
            Create job
          </Button>
        </div>
      </form>
    </Sheet>
  )
}
