import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { Dialog } from 'radix-ui'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import { ask, type JobOut, Refused } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { said, Trouble } from '../parts/Trouble'
import { Meant } from '../parts/Typed'
import { LENGTH_STYLES, type LengthStyle } from '../parts/units'
import { startWay } from '../shell/way'
import { Answer } from './Answer'
import { type Ask, exampleOf, ON_WALL, ROOM, SIZE, THROW } from './asks'

const ASPECTS = ['16:9', '2.39', '16:10', '4:3', '1.85', '2.00', '2.35', '2.40', '64:27']
const EXAMPLES = [
  ['mill-loft', 'a loft, two rows'],
  ['narrow-lounge', 'a lounge, a cabinet'],
  ['basement-den', 'a den, built by hand'],
] as const
const INPUT = 'mt-0.5 block min-h-10 w-full rounded border border-seam bg-velvet px-2.5 text-body max-[820px]:min-h-11'
const KEPT = 'gantline.units'

const remembered = (): LengthStyle => {
  const kept = localStorage.getItem(KEPT)
  return LENGTH_STYLES.find(({ value }) => value === kept)?.value ?? 'in-fraction'
}

type Typed = Record<string, string>
type NewJobProps = { onClose: () => void; onMade: (job: JobOut) => void }

const SETTLED_MS = 140

/** What is typed, once the hand rests: every letter by itself would have the server work out sizes that nobody wants. */
const useSettled = (typed: Typed): Typed => {
  const [settled, setSettled] = useState(typed)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(typed), SETTLED_MS)
    return () => clearTimeout(timer)
  }, [typed])
  return settled
}

/** What is known, in any order; what comes of it stands beside it while it is typed. */
export const NewJob = ({ onClose, onMade }: NewJobProps) => {
  const [style, setStyle] = useState<LengthStyle>(remembered)
  const [typed, setTyped] = useState<Typed>({})
  const form = useRef<HTMLFormElement>(null)
  const body = (now: Typed) => ({
    aspect: '16:9',
    place: '',
    name: '',
    ...Object.fromEntries(Object.entries(now).filter(([, text]) => text.trim())),
    units: { style, denominator: 16 as const },
  })
  const asked = useSettled(typed)
  const draft = useQuery({
    queryKey: keys.draft(style, asked),
    queryFn: ({ signal }) => ask.post('/api/jobs/draft', { body: body(asked), signal }),
    placeholderData: keepPreviousData,
    retry: false,
  })
  const make = useMutation({
    mutationFn: (now: Typed) => ask.post('/api/jobs', { body: body(now) }),
    onSuccess: (job) => {
      startWay()
      onMade(job)
    },
  })
  const example = useMutation({
    mutationFn: (key: (typeof EXAMPLES)[number][0]) => ask.post('/api/jobs/example/{key}', { params: { path: { key } } }),
    onSuccess: (job) => {
      startWay()
      onMade(job)
    },
  })
  const put = (name: string, text: string) => {
    if (make.error) make.reset() // what was refused is being mended; the answer beside it speaks on
    setTyped((now) => ({ ...now, [name]: text }))
  }
  const units = (value: LengthStyle) => {
    localStorage.setItem(KEPT, value)
    setStyle(value)
  }
  const error = make.error ?? draft.error
  const refused = error instanceof Refused ? error : null
  const about = (name: string) => refused?.fields.find((one) => one.pointer === `/${name}`)
  const part = (asks: readonly Ask[]) =>
    asks.map((one) => (
      <Known
        key={one.name}
        ask={one}
        style={style}
        text={typed[one.name] ?? ''}
        trouble={about(one.name)}
        onType={(text) => put(one.name, text)}
      />
    ))
  const elsewhere = refused?.fields.every((one) => one.pointer === '') ? said(error) : error && !refused ? said(error) : ''
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault()
            form.current?.querySelector<HTMLInputElement>('[name=name]')?.focus()
          }}
          className="fixed top-[4vh] left-1/2 z-50 max-h-[92vh] w-[min(60rem,96vw)] -translate-x-1/2 overflow-y-auto rounded-xl border border-seam bg-bench p-5 text-ink shadow-2xl"
        >
          <Dialog.Title className="font-bold text-lead">New job</Dialog.Title>
          <form
            ref={form}
            onSubmit={(event: FormEvent) => {
              event.preventDefault()
              make.mutate(typed)
            }}
            className="mt-2 grid grid-cols-[1fr_340px] gap-6 max-[820px]:grid-cols-1"
          >
            <div className="flex flex-col gap-2.5">
              <div className="grid grid-cols-[1fr_1fr_10rem] gap-3 max-[520px]:grid-cols-1">
                <Plain name="name" label="Name" most={120} text={typed.name ?? ''} onType={(text) => put('name', text)} />
                <Plain name="place" label="Place" most={160} text={typed.place ?? ''} onType={(text) => put('place', text)} />
                <label>
                  Lengths in
                  <select value={style} onChange={(event) => units(event.target.value as LengthStyle)} className={INPUT}>
                    {LENGTH_STYLES.map(({ value, short }) => (
                      <option key={value} value={value}>
                        {short}
                      </option>
                    ))}
                  </select>
                </label>
              </div>
              <Group title="The room">{part(ROOM)}</Group>
              <Group title="The size, if it is decided or on a leaflet" wide>
                {part(SIZE)}
                <label>
                  Aspect ratio
                  <input
                    name="aspect"
                    list="aspects"
                    placeholder="16:9"
                    value={typed.aspect ?? ''}
                    onChange={(event) => put('aspect', event.target.value)}
                    className={INPUT}
                  />
                  <datalist id="aspects">
                    {ASPECTS.map((one) => (
                      <option key={one} value={one} />
                    ))}
                  </datalist>
                  <FieldTrouble trouble={about('aspect')} onTake={(text) => put('aspect', text)} />
                </label>
              </Group>
              <Group title="From the stores">
                <Stored kind="projector" label="Projector" text={typed.projector ?? ''} onType={(key) => put('projector', key)} />
                <Stored kind="kit" label="Kit" text={typed.kit ?? ''} onType={(key) => put('kit', key)} />
              </Group>
              <details>
                <summary className="min-h-9 cursor-pointer py-1.5 font-semibold">A projector that is not in the stores</summary>
                <Group>{part(THROW)}</Group>
              </details>
              <details>
                <summary className="min-h-9 cursor-pointer py-1.5 font-semibold">A picture that is on the wall now</summary>
                <Group wide>{part(ON_WALL)}</Group>
              </details>
            </div>
            <aside aria-label="What comes of it" className="flex flex-col gap-3">
              <Answer draft={draft.data} />
              <Trouble text={elsewhere} />
              <div className="mt-auto flex justify-end gap-3">
                <Button size="tall" onClick={onClose}>
                  Cancel
                </Button>
                <Button type="submit" look="main" size="tall" disabled={make.isPending}>
                  Create job
                </Button>
              </div>
              <p className="text-small leading-snug">
                <span className="text-quiet">Or begin with an example: </span>
                {EXAMPLES.map(([key, label]) => (
                  <Button key={key} look="quiet" className="underline" onClick={() => example.mutate(key)}>
                    {label}
                  </Button>
                ))}
              </p>
            </aside>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

const Group = ({ title = '', wide = false, children }: { title?: string; wide?: boolean; children: React.ReactNode }) => (
  <fieldset>
    {title && <legend className="font-semibold text-quiet text-small">{title}</legend>}
    <div className={`grid gap-3 max-[520px]:grid-cols-1 ${wide ? 'grid-cols-4' : 'grid-cols-3'}`}>{children}</div>
  </fieldset>
)

type PlainProps = { name: string; label: string; most: number; text: string; onType: (text: string) => void }

const Plain = ({ name, label, most, text, onType }: PlainProps) => (
  <label>
    {label}
    <input name={name} maxLength={most} value={text} onChange={(event) => onType(event.target.value)} className={INPUT} />
  </label>
)

type Refusal = { text: string; choices?: readonly string[] } | undefined

const FieldTrouble = ({ trouble, onTake }: { trouble: Refusal; onTake: (text: string) => void }) => (
  <>
    <Trouble text={trouble?.text ?? ''} />
    <Meant texts={trouble?.choices ?? []} onTake={onTake} />
  </>
)

type KnownProps = { ask: Ask; style: LengthStyle; text: string; trouble: Refusal; onType: (text: string) => void }

/** One thing that may be known, with what it is said under it while it is typed in. */
const Known = ({ ask: one, style, text, trouble, onType }: KnownProps) => (
  <div className="group relative">
    <label>
      {one.label}
      <input
        name={one.name}
        value={text}
        placeholder={exampleOf(one, style)}
        aria-invalid={trouble !== undefined}
        onChange={(event) => onType(event.target.value)}
        className={`${INPUT} placeholder:italic placeholder:opacity-60 ${trouble ? 'border-stop' : ''}`}
      />
    </label>
    <span className="pointer-events-none absolute inset-x-0 top-full z-10 mt-1 hidden rounded border border-seam bg-lift px-2 py-1 text-fine leading-snug shadow-xl group-focus-within:block">
      {one.says}
    </span>
    <FieldTrouble trouble={trouble} onTake={onType} />
  </div>
)

type StoredProps = { kind: 'projector' | 'kit'; label: string; text: string; onType: (key: string) => void }

const Stored = ({ kind, label, text, onType }: StoredProps) => {
  const records = useQuery({
    queryKey: keys.stores(kind),
    queryFn: () => ask.get('/api/stores/{kind}', { params: { path: { kind } } }),
  })
  return (
    <label>
      {label}
      <select name={kind} value={text} onChange={(event) => onType(event.target.value)} className={INPUT}>
        <option value="">not known yet</option>
        {records.data?.map((one) => (
          <option key={one.key} value={one.key}>
            {one.name}
          </option>
        ))}
      </select>
    </label>
  )
}
