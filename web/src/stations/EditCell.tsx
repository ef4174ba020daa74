import { useThisJob } from '../job/context'
import { Num, Rich } from '../parts/Num'
import { useTyping } from '../parts/useTyping'

type EditCellProps = { label: string; pointer: string; text: string; numeric?: boolean; placeholder?: string }

/** One value in a list: tap, type, done; what is refused stays to be put right. */
export const EditCell = ({ label, pointer, text, numeric = true, placeholder = 'default' }: EditCellProps) => {
  const { edit } = useThisJob()
  const { typing, open, trouble, field } = useTyping({
    text,
    save: (typed) => edit([{ pointer, value: typed === '' && numeric ? null : typed }]),
    said: (refused) => refused.about(pointer),
  })
  if (!typing)
    return (
      <button
        type="button"
        onClick={open}
        className="min-h-9 rounded border border-transparent border-b-seam px-1 hover:border-seam hover:bg-lift"
      >
        <span className="sr-only">{label}: </span>
        {text ? numeric ? <Num text={text} /> : text : <span className="text-quiet">{placeholder}</span>}
      </button>
    )
  return (
    <span className="inline-flex flex-col">
      <input
        {...field}
        aria-label={label}
        className={`min-h-9 rounded border-2 bg-velvet px-1.5 font-semibold ${trouble ? 'border-stop' : 'border-chalk'} ${numeric ? 'w-24' : 'w-36'}`}
      />
      {trouble && (
        <span role="alert" className="max-w-56 text-[13.5px] text-stop leading-tight">
          <Rich text={trouble} />
        </span>
      )}
    </span>
  )
}
