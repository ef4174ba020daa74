import { useEffect, useId, useRef, useState } from 'react'
import { type Edit, type Figure, type KnownWord, Refused } from '../api/client'
import { useThisJob } from '../job/context'
import { restsOf } from './FigureRow'
import { KnownMark } from './KnownMark'
import { Menu, MenuChoices, MenuHeading } from './Menu'
import { Num, Rich, typeable } from './Num'
import { Working } from './Working'

type FieldProps = { figure: Figure; all: readonly Figure[]; also?: Edit[] }

const KNOWN_CHOICES = [
  { value: 'measured', label: 'measured' },
  { value: 'decided', label: 'decided' },
  { value: 'assumed', label: 'assumed' },
]
const VALUE =
  'min-h-9 rounded border border-transparent border-b-seam px-1.5 text-right text-[17px] hover:border-seam hover:bg-lift'

/** An entered figure: how it is known, its name, its value to change. */
export const Field = ({ figure, all, also = [] }: FieldProps) => {
  const entry = figure.entry
  const [trouble, setTrouble] = useState('')
  const { edit } = useThisJob()
  const errorId = useId()
  if (!entry) return null
  const save = async (value: Edit['value']): Promise<boolean> => {
    try {
      await edit([{ pointer: entry.pointer, value }, ...also])
      setTrouble('')
      return true
    } catch (error) {
      setTrouble(error instanceof Refused ? error.about(entry.pointer) : 'This could not be saved.')
      return false
    }
  }
  const common = {
    figure,
    label: figure.label,
    save,
    describedBy: trouble ? errorId : undefined,
    clear: () => setTrouble(''),
  }
  return (
    <div>
      <div className="flex min-h-11 items-center gap-2.5">
        <KnownButton figure={figure} all={all} />
        <span className="flex-1 leading-tight">{figure.label}</span>
        {entry.kind === 'choice' && <ChoiceValue {...common} />}
        {entry.kind === 'switch' && <SwitchValue {...common} />}
        {entry.kind !== 'choice' && entry.kind !== 'switch' && <TypedValue {...common} />}
      </div>
      {trouble && (
        <p id={errorId} role="alert" className="mb-2 border-stop border-l-4 pl-2 text-[14px] text-stop leading-snug">
          <Rich text={trouble} />
        </p>
      )}
    </div>
  )
}

const KnownButton = ({ figure, all }: { figure: Figure; all: readonly Figure[] }) => {
  const { markKnown } = useThisJob()
  const pointer = figure.entry?.pointer ?? ''
  const set = figure.value !== null && figure.known !== 'computed' && figure.working.formula === 'entered'
  return (
    <Menu
      iconOnly
      label={`${figure.label}: ${figure.known}. How it is known`}
      className="-m-2.5 grid size-9 shrink-0 place-items-center"
      trigger={<KnownMark known={figure.known} />}
    >
      {set ? (
        <>
          <MenuHeading>{figure.label} is</MenuHeading>
          <MenuChoices
            value={figure.known}
            onChange={(next) => void markKnown(pointer, next as KnownWord)}
            choices={KNOWN_CHOICES}
          />
        </>
      ) : (
        <div className="w-72 pt-2">
          <Working figure={figure} rests={restsOf(figure, all)} />
        </div>
      )}
    </Menu>
  )
}

type ValueProps = {
  figure: Figure
  label: string
  save: (value: Edit['value']) => Promise<boolean>
  describedBy: string | undefined
  clear: () => void
}

const ChoiceValue = ({ figure, label, save }: ValueProps) => (
  <Menu label={label} className={VALUE} trigger={<span className="font-semibold text-[15.5px]">{figure.text} ▾</span>}>
    <MenuChoices value={String(figure.value)} onChange={(next) => void save(next)} choices={figure.entry?.choices ?? []} />
  </Menu>
)

const SwitchValue = ({ figure, label, save }: ValueProps) => (
  <button
    type="button"
    role="switch"
    aria-checked={figure.value === true}
    aria-label={label}
    className={`${VALUE} font-semibold text-[15.5px]`}
    onClick={() => void save(figure.value !== true)}
  >
    {figure.text}
  </button>
)

/** What was typed, as the API takes it: text, which Python reads; empty means the default again. */
export const typedValue = (kind: string, text: string): Edit['value'] =>
  text.trim() === '' && kind !== 'text' ? null : text.trim()

const TypedValue = ({ figure, label, save, describedBy, clear }: ValueProps) => {
  const [draft, setDraft] = useState<string | null>(null)
  const input = useRef<HTMLInputElement>(null)
  const kind = figure.entry?.kind ?? 'text'
  useEffect(() => {
    if (draft !== null) input.current?.focus()
  }, [draft])
  const open = () => setDraft(typeable(figure.text))
  const close = () => {
    clear()
    setDraft(null)
  }
  const commit = async () => {
    if (draft === null) return
    if (await save(typedValue(kind, draft))) setDraft(null)
  }
  if (draft === null)
    return (
      <button type="button" onClick={open} className={VALUE}>
        <span className="sr-only">{label}: </span>
        {figure.text && kind === 'text' && <span className="font-semibold text-[16px] leading-snug">{figure.text}</span>}
        {figure.text && kind !== 'text' && <Num text={figure.text} />}
        {!figure.text && <span className="text-[15px] text-quiet">enter</span>}
      </button>
    )
  const choices = figure.entry?.choices ?? []
  return (
    <span className="flex flex-col items-end gap-1">
      <input
        ref={input}
        aria-label={label}
        aria-invalid={describedBy !== undefined}
        aria-describedby={describedBy}
        value={draft}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setDraft(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void commit()
          if (event.key === 'Escape') close()
        }}
        onBlur={(event) => {
          if (event.relatedTarget instanceof HTMLElement && event.relatedTarget.dataset.chip) return
          if (draft === typeable(figure.text)) close()
          else void commit()
        }}
        className={`min-h-9 rounded border-2 bg-velvet px-2 text-right font-semibold text-[17px] ${describedBy ? 'border-stop' : 'border-chalk'} ${kind === 'text' ? 'w-40' : 'w-32'}`}
      />
      {choices.length > 0 && (
        <span className="flex max-w-60 flex-wrap justify-end gap-1">
          {choices.map((one) => (
            <button
              key={one.value}
              type="button"
              data-chip="1"
              onClick={() => void save(one.value).then((ok) => ok && setDraft(null))}
              className="min-h-9 rounded border border-seam px-2 text-[14px] hover:border-brass"
            >
              {one.label}
            </button>
          ))}
        </span>
      )}
    </span>
  )
}
