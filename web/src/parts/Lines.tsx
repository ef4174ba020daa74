import type { ReactNode } from 'react'
import { useThisJob } from '../job/context'
import { Button } from './Button'
import { FilePick } from './FilePick'
import { Trouble } from './Trouble'
import { typedValue } from './Typed'
import { useTyping } from './useTyping'

const MOST_READ = 65_536 // far more than is allowed: what is longer is refused in words, and no page is filled with it

type LinesProps = { label: string; pointer: string; text: string; explain?: ReactNode }

/** Several lines of the job's own words or numbers: tapped, typed, or taken from a file of plain text. */
export const Lines = ({ label, pointer, text, explain }: LinesProps) => {
  const { edit, saved } = useThisJob()
  const { typing, open, back, take, trouble, id, field } = useTyping({
    text,
    save: (typed) => edit([{ pointer, value: typedValue(typed, false) }]),
    said: (refused) => refused.about(pointer),
    keep: `${saved?.id ?? ''}${pointer}`,
    lines: true,
  })
  return (
    <div className="flex flex-col gap-1.5">
      {typing ? (
        <>
          <textarea
            {...field}
            rows={5}
            aria-label={label}
            className={`w-full resize-y rounded border-2 bg-velvet px-2 py-1 text-body leading-snug ${trouble ? 'border-stop' : 'border-chalk'}`}
          />
          {explain}
          <Trouble text={trouble} id={id} />
        </>
      ) : (
        text && <p className="line-clamp-4 whitespace-pre-line break-words px-1.5 text-body leading-snug">{text}</p>
      )}
      <div className="flex flex-wrap justify-end gap-2">
        {!typing && (
          <Button autoFocus={back} onClick={open}>
            {text ? 'Change' : 'Write'}
            <span className="sr-only"> {label}</span>
          </Button>
        )}
        <FilePick
          label={`${label}, from a file`}
          accept=".txt,.csv,text/plain,text/csv"
          onPick={(file) =>
            void file
              .slice(0, MOST_READ)
              .text()
              .then((content) => take(content))
          }
        >
          From a file
        </FilePick>
      </div>
    </div>
  )
}
