import { useMutation } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { api, ask, type JobOut, Refused } from '../api/client'
import { Rich } from '../parts/Num'
import { Sheet } from '../parts/Sheet'

const STYLES = [
  ['in-fraction', 'inches and fractions'],
  ['ft-in', 'feet, inches and fractions'],
  ['in', 'inches, decimal'],
  ['mm', 'millimetres'],
  ['cm', 'centimetres'],
] as const
const ASPECTS = ['16:9', '2.39', '16:10', '4:3', '1.85', '2.00', '2.35', '2.40', '64:27']
const INPUT = 'mt-1 block min-h-11 w-full rounded border border-seam bg-velvet px-3 text-[17px]'

type NewJobProps = { open: boolean; onClose: () => void; onMade: (job: JobOut) => void }

/** A job needs a name and a diagonal; everything else can come later. */
export const NewJob = ({ open, onClose, onMade }: NewJobProps) => {
  const [style, setStyle] = useState<(typeof STYLES)[number][0]>('in-fraction')
  const make = useMutation({
    mutationFn: (form: FormData) =>
      ask<JobOut>(
        api.POST('/api/jobs', {
          body: {
            name: String(form.get('name')),
            place: String(form.get('place')),
            diagonal: String(form.get('diagonal')),
            aspect: String(form.get('aspect')),
            units: { style, denominator: 16 },
          },
        }),
      ),
    onSuccess: onMade,
  })
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    make.mutate(new FormData(event.currentTarget))
  }
  return (
    <Sheet open={open} onClose={onClose} title="A new job" describe="A name and a diagonal are enough to begin.">
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
            Aspect
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
          <select value={style} onChange={(event) => setStyle(event.target.value as typeof style)} className={INPUT}>
            {STYLES.map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
        {make.error && (
          <p role="alert" className="border-stop border-l-4 bg-stop-ground px-3 py-2">
            <Rich
              text={
                make.error instanceof Refused ? make.error.message : 'The server does not answer. What you typed is still here.'
              }
            />
          </p>
        )}
        <div className="flex justify-end gap-3">
          <button type="button" onClick={onClose} className="min-h-11 rounded-md border border-seam px-4">
            Leave it
          </button>
          <button type="submit" disabled={make.isPending} className="min-h-11 rounded-md bg-brass px-5 font-bold text-on-brass">
            Make the job
          </button>
        </div>
      </form>
    </Sheet>
  )
}
