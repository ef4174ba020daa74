import { useState } from 'react'
import { type Edit, Refused } from '../api/client'
import { useThisJob } from '../job/context'
import { Button } from './Button'
import { said, Trouble } from './Trouble'
import { Meant } from './Typed'

type AddProps = {
  cells: readonly { name: string; label: string; hint: string; optional?: boolean }[]
  edit: (typed: Record<string, string>) => Edit
  button: string
}

/** A new line of a list: typed in one go, and kept as it was typed while it is refused. */
export const Add = ({ cells, edit: make, button }: AddProps) => {
  const { edit } = useThisJob()
  const [draft, setDraft] = useState<Record<string, string>>({})
  const [trouble, setTrouble] = useState('')
  const [[field = '', ...choices], setMeant] = useState<readonly string[]>([])
  const add = async () => {
    const missing = cells.find(({ name, optional }) => !optional && !draft[name]?.trim())
    if (missing) return setTrouble(`${missing.label}: enter a value first.`)
    try {
      setMeant([])
      await edit([make(Object.fromEntries(Object.entries(draft).filter(([, text]) => text.trim())))])
      setDraft({})
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
      const doubt = error instanceof Refused ? error.fields.find((one) => one.choices?.length) : undefined
      if (doubt) setMeant([doubt.pointer.split('/').at(-1) ?? '', ...(doubt.choices ?? [])])
    }
  }
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        {cells.map(({ name, label, hint }) => (
          <input
            key={name}
            aria-label={label}
            placeholder={hint}
            value={draft[name] ?? ''}
            onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
            onKeyDown={(event) => event.key === 'Enter' && void add()}
            className="min-h-9 min-w-14 max-w-32 flex-1 rounded border border-seam bg-velvet px-2 text-body"
          />
        ))}
        <Button className="whitespace-nowrap" onClick={() => void add()}>
          {button}
        </Button>
      </div>
      <Trouble text={trouble} />
      <Meant
        texts={choices}
        onTake={(text) => {
          setDraft({ ...draft, [field]: text })
          setTrouble('')
          setMeant([])
        }}
      />
    </>
  )
}
