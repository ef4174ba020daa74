import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { ask, type RecordKind, type RecordTable } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { LENGTH_STYLES, type LengthStyle } from '../parts/units'
import { KeysHelp } from '../shell/KeysHelp'
import { TopBar } from '../shell/TopBar'
import { RecordFiles } from '../stations/common/RecordFiles'
import { Drawn } from './Drawn'
import { KINDS } from './kinds'
import { NEW, RecordForm } from './RecordForm'

const KEPT = 'gantline.units'

const remembered = (): LengthStyle => {
  const kept = localStorage.getItem(KEPT)
  return LENGTH_STYLES.find(({ value }) => value === kept)?.value ?? 'in-fraction'
}

/** The shop's own records: all of a kind in a table, and one of them to be read, changed, copied. */
export const StoresPage = () => {
  const { kind: asked = 'fabric', record = '' } = useParams()
  const [help, setHelp] = useState(false)
  const [style, setStyle] = useState<LengthStyle>(remembered)
  const go = useNavigate()
  const [kind, many, single] = KINDS.find(([one]) => one === asked) ?? (['fabric', 'Fabrics', 'fabric'] as const)
  const table = useQuery({
    queryKey: keys.recordTable(kind, style),
    queryFn: () => ask.get('/api/stores/{kind}/table', { params: { path: { kind }, query: { style } } }),
  })
  const units = (value: LengthStyle) => {
    localStorage.setItem(KEPT, value)
    setStyle(value)
  }
  return (
    <div className="flex h-full flex-col">
      <TopBar
        onHelp={() => setHelp(true)}
        tools={
          <>
            <select
              aria-label="Lengths in"
              value={style}
              onChange={(event) => units(event.target.value as LengthStyle)}
              className="min-h-10 rounded-md border border-seam bg-velvet px-2"
            >
              {LENGTH_STYLES.map(({ value, short }) => (
                <option key={value} value={value}>
                  {short}
                </option>
              ))}
            </select>
            <Button look="main" size="bar" onClick={() => void go(`/stores/${kind}/${NEW}`)}>
              New {single}
            </Button>
          </>
        }
      >
        <h1 className="font-bold text-lead">The stores</h1>
        <span className="text-quiet max-[520px]:hidden">jobs that took a record keep their own copy</span>
      </TopBar>
      <div className="flex min-h-0 flex-1 max-[820px]:flex-col max-[820px]:overflow-y-auto">
        <nav
          aria-label="Kinds of records"
          className="w-[150px] shrink-0 border-seam border-r py-3 max-[820px]:flex max-[820px]:w-full max-[820px]:overflow-x-auto"
        >
          {KINDS.map(([one, label]) => (
            <Link
              key={one}
              to={`/stores/${one}`}
              aria-current={one === kind ? 'page' : undefined}
              className={`flex min-h-11 items-center whitespace-nowrap px-4 ${one === kind ? 'bg-lift font-bold' : ''}`}
            >
              {label}
            </Link>
          ))}
        </nav>
        <main className="flex min-w-0 flex-1 flex-col">
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard */}
          <section tabIndex={0} aria-label={many} className="min-h-0 flex-1 overflow-auto px-4 py-3">
            {table.data && <All table={table.data} kind={kind} many={many} chosen={record} />}
          </section>
          <div className="flex items-center gap-2 border-seam border-t px-4 py-2">
            <span className="flex-1 text-quiet text-small">{table.data?.records.length ?? 0} in the stores</span>
            <RecordFiles kind={kind} />
          </div>
        </main>
        {table.data && record && (
          <aside
            aria-label="Record"
            className="w-[420px] shrink-0 overflow-y-auto border-seam border-l bg-bench px-4 py-3 max-[820px]:w-full"
          >
            <RecordForm key={`${kind}/${record}/${style}`} kind={kind} record={record} table={table.data} style={style} />
          </aside>
        )}
      </div>
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </div>
  )
}

type AllProps = { table: RecordTable; kind: RecordKind; many: string; chosen: string }

/** All records of a kind: each with its drawing and the first of what is known of any of them. */
const All = ({ table, kind, many, chosen }: AllProps) => {
  const shown = table.telling.flatMap((key) => table.entries.find((entry) => entry.key === key) ?? [])
  if (table.records.length === 0) return <p className="p-6 text-quiet">Nothing here yet. Make one, or import a file.</p>
  return (
    <table aria-label={many} className="w-full text-small">
      <thead className="text-left text-fine text-quiet">
        <tr>
          <td className="w-16" />
          <th scope="col" className="px-2 font-normal">
            Name
          </th>
          {shown.map((entry) => (
            <th key={entry.key} scope="col" className="px-2 font-normal">
              {entry.label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.records.map((one) => (
          <tr key={one.key} className={`border-seam border-t ${one.key === chosen ? 'bg-lift' : ''}`}>
            <td className="py-1">
              <Drawn shapes={one.drawn} />
            </td>
            <td className="px-2">
              <Link to={`/stores/${kind}/${one.key}`} className="flex min-h-11 items-center font-semibold">
                {one.name}
              </Link>
            </td>
            {shown.map((entry) => (
              <td key={entry.key} className="px-2">
                {called(entry, one.texts[entry.key])}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const called = (entry: RecordTable['entries'][number], value: unknown): string => {
  const text = value === undefined || value === null ? '' : String(value)
  return entry.choices.find(([choice]) => choice === text)?.[1] ?? text
}
