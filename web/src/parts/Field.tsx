import type { Figure, KnownWord } from '../api/client'
import { useThisJob } from '../job/context'
import { Explain, WhatIs } from './Explain'
import { KnownMark } from './KnownMark'
import { Lines } from './Lines'
import { Menu, MenuChoices, MenuHeading } from './Menu'
import { Typed } from './Typed'
import { Working } from './Working'

const KNOWN_CHOICES = [
  { value: 'measured', label: 'measured' },
  { value: 'decided', label: 'decided' },
  { value: 'assumed', label: 'assumed' },
]
const VALUE =
  'min-h-9 rounded border border-transparent border-b-seam px-1.5 text-right text-body font-semibold hover:border-seam hover:bg-lift'

/** An entered figure: how it is known, its name, its value to change. A choice that was left out reads usual. */
export const Field = ({ figure, lead = false }: { figure: Figure; lead?: boolean }) => {
  const { edit } = useThisJob()
  const entry = figure.entry
  if (!entry) return null
  const save = (value: string | boolean) => void edit([{ pointer: entry.pointer, value }])
  if (entry.kind === 'lines')
    return (
      <div className="py-1">
        <div className="flex min-h-11 items-center gap-2.5">
          <KnownButton figure={figure} />
          <span className="flex-1 leading-tight">{figure.label}</span>
        </div>
        <Lines label={figure.label} pointer={entry.pointer} text={figure.text} explain={<Explain name={figure.key} />} />
      </div>
    )
  return (
    <div className="flex min-h-11 items-center gap-2.5">
      <KnownButton figure={figure} />
      <span className="flex-1 leading-tight">
        {figure.label}
        {entry.source && <span className="block text-fine text-quiet">from {entry.source}</span>}
        {!entry.given && !entry.fact && figure.text && <span className="block text-fine text-quiet">usual</span>}
      </span>
      {entry.kind === 'choice' && (
        <Menu label={figure.label} className={VALUE} trigger={<>{figure.text || 'choose'} ▾</>}>
          <MenuChoices value={String(figure.value)} onChange={save} choices={entry.choices} />
        </Menu>
      )}
      {entry.kind === 'switch' && (
        <button
          type="button"
          role="switch"
          aria-checked={figure.value === true}
          aria-label={figure.label}
          className={VALUE}
          onClick={() => save(figure.value !== true)}
        >
          {figure.text}
        </button>
      )}
      {entry.kind !== 'choice' && entry.kind !== 'switch' && (
        <Typed
          label={figure.label}
          pointer={entry.pointer}
          text={figure.text}
          words={entry.kind === 'text'}
          choices={entry.choices}
          look={lead ? 'lead' : 'row'}
          explain={<Explain name={figure.key} />}
        />
      )}
    </div>
  )
}

const KnownButton = ({ figure }: { figure: Figure }) => {
  const { markKnown } = useThisJob()
  const entry = figure.entry
  return (
    <Menu
      iconOnly
      label={`${figure.label}: ${figure.known}. How it is known`}
      className="-m-2.5 grid size-9 shrink-0 place-items-center"
      trigger={<KnownMark known={figure.known} rests={figure.known === 'computed' && figure.rests_on.length > 0} />}
    >
      <WhatIs name={figure.key} />
      {entry?.given ? (
        <>
          <MenuHeading>{figure.label} is</MenuHeading>
          <MenuChoices
            value={figure.known}
            onChange={(next) => void markKnown(entry.pointer, next as KnownWord)}
            choices={KNOWN_CHOICES}
          />
        </>
      ) : (
        <div className="w-72 pt-2">
          <Working figure={figure} />
        </div>
      )}
    </Menu>
  )
}
