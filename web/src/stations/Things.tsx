import type { Edit, JobOut, Plan } from '../api/client'
import { useThisJob } from '../job/context'
import { Menu, MenuChoices, MenuItem } from '../parts/Menu'
import { EditCell } from './EditCell'

type Scalars = Record<string, string | number | boolean | null>
type ListName = 'seats' | 'boxes' | 'fittings'
type Sort = {
  list: ListName
  title: string
  add: string
  kinds: readonly string[]
  fields: readonly (readonly [string, string])[]
}

const SORTS: readonly Sort[] = [
  {
    list: 'seats',
    title: 'Seats',
    add: 'Add a seat',
    kinds: [],
    fields: [
      ['x_mm', 'from left'],
      ['from_wall_mm', 'from wall'],
      ['eye_mm', 'eye'],
      ['platform_mm', 'platform'],
    ],
  },
  {
    list: 'boxes',
    title: 'In the room',
    add: 'Add a thing in the room',
    kinds: ['cabinet', 'loudspeaker', 'furniture', 'soffit', 'beam', 'fan', 'pendant'],
    fields: [
      ['x_mm', 'from left'],
      ['y_mm', 'off floor'],
      ['z_mm', 'from wall'],
      ['width_mm', 'wide'],
      ['height_mm', 'high'],
      ['depth_mm', 'deep'],
    ],
  },
  {
    list: 'fittings',
    title: 'On the wall',
    add: 'Add a thing on the wall',
    kinds: ['outlet', 'switch', 'window', 'door', 'vent', 'return-air', 'thermostat', 'radiator', 'other'],
    fields: [
      ['x_mm', 'from left'],
      ['y_mm', 'off floor'],
      ['width_mm', 'wide'],
      ['height_mm', 'high'],
      ['band_mm', 'no drilling within'],
    ],
  },
]

/** New things begin where they can be seen and dragged; their sizes are the usual ones. */
const fresh = (list: ListName, kind: string, middle: number): Scalars => {
  if (list === 'seats') return { x_mm: middle, from_wall_mm: 3300, main: false }
  if (list === 'fittings') {
    const open = kind === 'window' || kind === 'door'
    return { kind, x_mm: 150, y_mm: open ? 900 : 300, width_mm: open ? 800 : 80, height_mm: open ? 1200 : 80 }
  }
  const high = ['soffit', 'beam', 'fan', 'pendant'].includes(kind)
  return {
    kind,
    x_mm: middle - 500,
    y_mm: high ? 2100 : 0,
    z_mm: high && kind !== 'soffit' ? 2000 : 20,
    width_mm: 1000,
    height_mm: 300,
    depth_mm: 400,
  }
}

/** Everything surveyed that can also be dragged on the board: typed exactly here. */
export const Things = ({ job, plan, texts }: { job: JobOut; plan: Plan; texts: Record<string, string> }) => (
  <>
    {SORTS.map((sort) => (
      <section key={sort.list} className="border-seam border-t py-2">
        <h3 className="pt-1 pb-1 font-semibold text-quiet text-sm">{sort.title}</h3>
        <ThingList sort={sort} job={job} plan={plan} texts={texts} />
      </section>
    ))}
  </>
)

const ThingList = ({ sort, job, plan, texts }: { sort: Sort; job: JobOut; plan: Plan; texts: Record<string, string> }) => {
  const { edit } = useThisJob()
  const things = job.document.survey[sort.list] as unknown as Scalars[]
  const centre = plan.figures.find((one) => one.key === 'centre_x')?.value
  const middle = typeof centre === 'number' ? centre : 1500
  const add = (kind: string) =>
    void edit([{ pointer: `/survey/${sort.list}/-`, value: fresh(sort.list, kind, middle) as Edit['value'] }])
  return (
    <>
      <ul>
        {things.map((thing, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a thing is known by its place in the list
          <Thing key={at} sort={sort} thing={thing} base={`/survey/${sort.list}/${at}`} texts={texts} number={at + 1} />
        ))}
      </ul>
      {sort.kinds.length === 0 ? (
        <button type="button" onClick={() => add('')} className="min-h-10 rounded border border-seam px-3 hover:border-brass">
          {sort.add}
        </button>
      ) : (
        <Menu label="" className="min-h-10 rounded border border-seam px-3 hover:border-brass" trigger={<>{sort.add} ▾</>}>
          {sort.kinds.map((kind) => (
            <MenuItem key={kind} onSelect={() => add(kind)}>
              {kind.replace('-', ' ')}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  )
}

type ThingProps = { sort: Sort; thing: Scalars; base: string; texts: Record<string, string>; number: number }

const Thing = ({ sort, thing, base, texts, number }: ThingProps) => {
  const { edit } = useThisJob()
  const called = String(thing.name || thing.kind || `Seat ${number}`).replace('-', ' ')
  return (
    <li className="mb-2 border-seam border-l-2 pl-2">
      <div className="flex items-center gap-2">
        <span className="flex-1 font-semibold">
          <EditCell label={`Name of ${called}`} pointer={`${base}/name`} text={called} numeric={false} />
        </span>
        {sort.kinds.length > 0 && (
          <Menu
            label={`Kind of ${called}`}
            className="min-h-9 rounded px-1.5 text-[14px] text-quiet"
            trigger={<>{String(thing.kind).replace('-', ' ')} ▾</>}
          >
            <MenuChoices
              value={String(thing.kind)}
              onChange={(value) => void edit([{ pointer: `${base}/kind`, value }])}
              choices={sort.kinds.map((value) => ({ value, label: value.replace('-', ' ') }))}
            />
          </Menu>
        )}
        {sort.list === 'seats' && (
          <button
            type="button"
            aria-pressed={thing.main === true}
            onClick={() => void edit([{ pointer: `${base}/main`, value: thing.main !== true }])}
            className={`min-h-9 rounded px-2 text-[14px] ${thing.main ? 'bg-lift font-semibold' : 'text-quiet'}`}
          >
            main
          </button>
        )}
        <button
          type="button"
          aria-label={`Remove ${called}`}
          onClick={() => void edit([{ pointer: base, value: null }])}
          className="size-9 rounded text-quiet hover:text-stop"
        >
          ×
        </button>
      </div>
      <dl className="flex flex-wrap gap-x-3 text-[15px]">
        {sort.fields.map(([field, word]) => (
          <div key={field} className="flex items-center gap-1">
            <dt className="text-[13.5px] text-quiet">{word}</dt>
            <dd>
              <EditCell label={`${called}, ${word}`} pointer={`${base}/${field}`} text={texts[`${base}/${field}`] ?? ''} />
            </dd>
          </div>
        ))}
      </dl>
    </li>
  )
}
