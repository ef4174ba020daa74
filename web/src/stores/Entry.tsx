import type { RecordEntry } from '../api/client'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { PartPicture } from './PartPicture'

export type Said = Record<string, unknown>
type EntryProps = { entry: RecordEntry; value: unknown; trouble: string; onSet: (value: unknown) => void }
export const INPUT = 'min-h-9 w-full rounded border border-seam bg-velvet px-2 text-ink max-[820px]:min-h-11'

// words take what their label leaves, lines all of it
const COLUMNS: Partial<Record<RecordEntry['kind'], string>> = {
  text: 'grid-cols-[auto_minmax(170px,1fr)]',
  lines: 'grid-cols-1',
}

/** One field of a record. */
export const Entry = ({ entry, value, trouble, onSet }: EntryProps) => {
  if (entry.kind === 'rows') return <RowsEntry entry={entry} value={value} trouble={trouble} onSet={onSet} />
  if (entry.kind === 'switch') return <Switch entry={entry} value={value} onSet={onSet} />
  const id = `entry-${entry.key}`
  return (
    <div className={`grid items-center gap-x-2 ${COLUMNS[entry.kind] ?? 'grid-cols-[1fr_170px]'}`}>
      <label htmlFor={id} className="leading-tight">
        {entry.label}
      </label>
      <Box id={id} entry={entry} value={value} bad={trouble !== ''} onSet={onSet} />
      <div className="col-span-full">
        <Trouble text={trouble} />
      </div>
    </div>
  )
}

type BoxProps = Omit<EntryProps, 'trouble'> & { id: string; bad: boolean }

const Box = ({ id, entry, value, bad, onSet }: BoxProps) => {
  const text = typeof value === 'string' ? value : ''
  if (entry.kind === 'lines')
    return (
      <textarea
        id={id}
        rows={3}
        value={text}
        aria-invalid={bad}
        onChange={(event) => onSet(event.target.value)}
        className={`${INPUT} resize-y py-1 leading-snug ${bad ? 'border-stop' : ''}`}
      />
    )
  if (entry.kind !== 'choice')
    return (
      <input
        id={id}
        value={text}
        aria-invalid={bad}
        onChange={(event) => onSet(event.target.value)}
        className={`${INPUT} ${bad ? 'border-stop' : ''}`}
      />
    )
  return (
    <select id={id} value={text} onChange={(event) => onSet(event.target.value)} className={INPUT}>
      <option value="">not said</option>
      {entry.choices.map(([choice, label]) => (
        <option key={choice} value={choice}>
          {label}
        </option>
      ))}
    </select>
  )
}

const Switch = ({ entry, value, onSet }: Omit<EntryProps, 'trouble'>) => (
  <label className="flex min-h-9 items-center gap-2">
    <input
      type="checkbox"
      checked={value === true}
      onChange={(event) => onSet(event.target.checked)}
      className="size-4 accent-[var(--brass)]"
    />
    {entry.label}
  </label>
)

/** A list of things within a record: a row each. */
const RowsEntry = ({ entry, value, trouble, onSet }: EntryProps) => {
  const rows = Array.isArray(value) ? (value as Said[]) : []
  const put = (at: number, key: string, cell: unknown) =>
    onSet(rows.map((row, number) => (number === at ? { ...row, [key]: cell } : row)))
  return (
    <fieldset className="border-seam border-t pt-1">
      <legend className="font-semibold text-small">{entry.label}</legend>
      {rows.map((row, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows are typed in their order
        <div key={at} className="mb-1 flex flex-wrap items-end gap-1 border-seam/60 border-b pb-1">
          {entry.columns.some((column) => column.key === 'into') && (
            <PartPicture into={String(row['into'] ?? '')} on={String(row['on'] ?? '')} stops={String(row['stops'] ?? 'frame')} />
          )}
          {entry.columns.map((column) => {
            const id = `entry-${entry.key}-${at}-${column.key}`
            if (column.kind === 'switch')
              return <Switch key={id} entry={column} value={row[column.key]} onSet={(cell) => put(at, column.key, cell)} />
            return (
              <label
                key={id}
                htmlFor={id}
                className={`text-fine text-quiet ${column.key === 'name' ? 'min-w-[60%] flex-1' : 'w-[31%]'}`}
              >
                {column.label}
                <Box id={id} entry={column} value={row[column.key]} bad={false} onSet={(cell) => put(at, column.key, cell)} />
              </label>
            )
          })}
          <Button
            look="remove"
            aria-label={`Remove row ${at + 1} of ${entry.label}`}
            onClick={() => onSet(rows.filter((_, number) => number !== at))}
          >
            ×
          </Button>
        </div>
      ))}
      <Trouble text={trouble} />
      <Button onClick={() => onSet([...rows, {}])}>Add a row</Button>
    </fieldset>
  )
}
