import { useMutation, useQueryClient } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import { useNavigate } from 'react-router'
import { ask, type RecordKind, type RecordTable, Refused } from '../api/client'
import { Button } from '../parts/Button'
import { said, Trouble } from '../parts/Trouble'
import type { LengthStyle } from '../parts/units'
import { Entry, INPUT, type Said } from './Entry'
import { Uses } from './Uses'
import { WouldChange } from './WouldChange'

export const NEW = 'new'
type FormProps = { kind: RecordKind; record: string; table: RecordTable; style: LengthStyle }

/** A key of its own from a name: small letters, digits, dashes. */
export const keyFor = (name: string, taken: ReadonlySet<string>): string => {
  const letters = name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
  const bare = letters.replace(/^-+|-+$/g, '').slice(0, 50) || 'record'
  let key = bare
  for (let at = 2; taken.has(key) || key === NEW; at += 1) key = `${bare}-${at}`
  return key
}

/** One record, field by field; what was typed stays until it is saved or left. */
export const RecordForm = ({ kind, record, table, style }: FormProps) => {
  const own = table.records.find((one) => one.key === record)
  const [name, setName] = useState(own?.name ?? '')
  const [typed, setTyped] = useState<Said>(own?.texts ?? {})
  const client = useQueryClient()
  const go = useNavigate()
  const put = useMutation({
    mutationFn: (to: { key: string; name: string }) =>
      ask.put('/api/stores/{kind}/{key}/form', {
        params: { path: { kind, key: to.key } },
        body: { name: to.name, said: typed, units: { style, denominator: 16 } },
      }),
    onSuccess: async (kept) => {
      await client.invalidateQueries()
      await go(`/stores/${kind}/${kept.key}`)
    },
  })
  const remove = useMutation({
    mutationFn: () => ask.delete('/api/stores/{kind}/{key}', { params: { path: { kind, key: record } } }),
    onSuccess: async () => {
      await client.invalidateQueries()
      await go(`/stores/${kind}`)
    },
  })
  if (!own && record !== NEW) return <p className="p-4 text-quiet">This record is not in the stores any more.</p>
  const taken = new Set(table.records.map((one) => one.key))
  const refused = put.error instanceof Refused ? put.error : null
  const about = (key: string) => refused?.fields.find((one) => one.pointer.split('/')[1] === key)?.text ?? ''
  const known = table.entries.some((entry) => about(entry.key))
  const changed = !own || name !== own.name || JSON.stringify(typed) !== JSON.stringify(own.texts)
  return (
    <form
      data-saved={!changed || undefined}
      className="flex flex-col gap-2"
      onSubmit={(event: FormEvent) => {
        event.preventDefault()
        put.mutate({ key: own ? record : keyFor(name, taken), name })
      }}
    >
      <h2 className="font-bold text-title">{own?.name ?? 'A new record'}</h2>
      <label>
        Name
        <input required maxLength={120} value={name} onChange={(event) => setName(event.target.value)} className={INPUT} />
      </label>
      {table.entries.map((entry) => (
        <Entry
          key={entry.key}
          entry={entry}
          value={typed[entry.key]}
          trouble={about(entry.key)}
          onSet={(value) => setTyped((now) => ({ ...now, [entry.key]: value }))}
        />
      ))}
      {own && Object.keys(own.further).length > 0 && (
        <dl className="text-quiet text-small">
          {Object.entries(own.further).map(([key, text]) => (
            <div key={key} className="flex gap-2">
              <dt>{key.replaceAll('_', ' ')}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        </dl>
      )}
      <Trouble text={known ? '' : said(put.error ?? remove.error)} />
      <div className="sticky -bottom-3 flex flex-wrap gap-2 bg-bench py-2">
        <Button type="submit" look="main" size="tall" disabled={!changed || put.isPending}>
          {own ? 'Save' : 'Make it'}
        </Button>
        {own && (
          <>
            <Button size="tall" onClick={() => put.mutate({ key: keyFor(`${name} copy`, taken), name: `${name}, copy` })}>
              Copy
            </Button>
            <Button look="danger" size="tall" onClick={() => remove.mutate()}>
              Remove
            </Button>
          </>
        )}
      </div>
      {own && <Uses kind={kind} record={record} />}
      {own && changed && <WouldChange kind={kind} record={record} name={name} typed={typed} style={style} />}
    </form>
  )
}
