import type { ReactNode } from 'react'
import type { Edit, Figure } from '../api/client'
import { useThisJob } from '../job/context'
import { Button } from './Button'
import { Num, Rich } from './Num'
import { Trouble } from './Trouble'
import { useTyping } from './useTyping'

type TypedProps = {
  label: string
  pointer: string
  text: string
  words?: boolean
  empty?: string
  choices?: NonNullable<Figure['entry']>['choices']
  look?: 'lead' | 'row' | 'cell'
  explain?: ReactNode
}

const OPEN = 'min-h-9 rounded border border-transparent border-b-seam px-1.5 hover:border-seam hover:bg-lift'
const SIZE = { lead: 'text-right text-title', row: 'text-right text-value', cell: 'text-left' }
const WIDTH = {
  lead: { words: 'w-44', number: 'w-36' },
  row: { words: 'w-40', number: 'w-32' },
  cell: { words: 'w-36', number: 'w-24' },
}

/** What was typed, as the API takes it: text, which Python reads; nothing is absent again. */
export const typedValue = (text: string, words: boolean): Edit['value'] => (text === '' && !words ? null : text)

/** What a doubtful length could mean: one tap each. */
export const Meant = ({ texts, onTake }: { texts: readonly string[]; onTake: (text: string) => unknown }) =>
  texts.length > 0 && (
    <span className="flex flex-wrap gap-1">
      {texts.map((one) => (
        <Button key={one} data-chip="1" look="main" className="text-small" onClick={() => void onTake(one)}>
          <Rich text={one} />
        </Button>
      ))}
    </span>
  )

/** One value of the job: tap, type, done. The one way of typing everywhere but on the board. */
export const Typed = ({
  label,
  pointer,
  text,
  words = false,
  empty = 'enter',
  choices = [],
  look = 'row',
  explain,
}: TypedProps) => {
  const { edit, saved } = useThisJob()
  const {
    typing,
    open,
    back,
    take,
    trouble,
    choices: meant,
    id,
    field,
  } = useTyping({
    text,
    save: (typed) => edit([{ pointer, value: typedValue(typed, words) }]),
    said: (refused) => refused.about(pointer),
    choices: (refused) => refused.choicesFor(pointer),
    keep: `${saved?.id ?? ''}${pointer}`,
  })
  const size = SIZE[look]
  if (!typing)
    return (
      <button
        type="button"
        // biome-ignore lint/a11y/noAutofocus: the keyboard goes on from the field it has just closed
        autoFocus={back}
        onClick={open}
        className={`${OPEN} ${size}`}
      >
        <span className="sr-only">{label}: </span>
        {text && words && <span className="font-semibold text-body leading-snug">{text}</span>}
        {text && !words && <Num text={text} />}
        {!text && <span className="text-body text-quiet">{empty}</span>}
      </button>
    )
  return (
    <span className={`relative inline-flex max-w-64 flex-col gap-1 ${look === 'cell' ? '' : 'items-end'}`}>
      <input
        {...field}
        aria-label={label}
        className={`min-h-9 rounded border-2 bg-velvet px-2 font-semibold ${size} ${trouble ? 'border-stop' : 'border-chalk'} ${WIDTH[look][words ? 'words' : 'number']}`}
      />
      {explain}
      {choices.length > 0 && (
        <span className="flex flex-wrap justify-end gap-1">
          {choices.map((one) => (
            <Button key={one.value} data-chip="1" className="text-small" onClick={() => void take(one.value)}>
              {one.label}
            </Button>
          ))}
        </span>
      )}
      <Trouble text={trouble} id={id} />
      <Meant texts={meant} onTake={take} />
    </span>
  )
}
