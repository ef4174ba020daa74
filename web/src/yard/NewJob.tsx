import { useMutation } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { ask, type JobOut } from '../api/client'
import { Button } from '../parts/Button'
import { Sheet } from '../parts/Sheet'
import { said, Trouble } from '../parts/Trouble'
import { LENGTH_STYLES, type LengthStyle } from '../parts/units'

const ASPECTS = ['16:9', '2.39', '16:10', '4:3', '1.85', '2.00', '2.35', '2.40', '64:27']
const INPUT = 'mt-1 block min-h-11 w-full rounded border border-seam bg-velvet px-3 text-value'

type NewJobProps = { open: boolean; onClose: () => void; onMade: (job: JobOut) => void }

/** A job needs a name and a diagonal; everything else can come later. */
export const NewJob = ({ open, onClose, onMade }: NewJobProps) => {
  const [style, setStyle] = useState<LengthStyle>('in-fraction')
  const make = useMutation({
    mutationFn: (form: FormData) =>
      ask.post('/api/jobs', {
        body: {
          name: String(form.get('name')),
          place: String(form.get('place')),
          diagonal: String(form.get('diagonal')),
          aspect: String(form.get('aspect')),
          units: { style, denominator: 16 },
        },
      }),
    onSuccess: onMade,
  })
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    make.mutate(new FormData(event.currentTarget))
  }
  return (
    <Sheet open={open} onClose={onClose} title="New job" describe="A name and a diagonal are enough to begin.">
      <form onSubmit={submit} className="mt-4 flex flex-col gap-4">
        <label>
          Name
          <input name="name" required maxLength={120} className={INPUT} />
        </label>
        <label>
          Place
          <input name="place" maxLength={160} className={INPUT} />
        </label>
        <div className="grid grid-cols-2 gap-4">
          <label>
            Diagonal of the picture
            <input name="diagonal" required placeholder={style === 'mm' ? '2870' : '113'} className={INPUT} />
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
        <label>
          Lengths in
          <select value={style} onChange={(event) => setStyle(event.target.value as LengthStyle)} className={INPUT}>
            {LENGTH_STYLES.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <Trouble text={said(make.error)} />
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
