import { type JobOut, type Plan, toEdits } from '../api/client'
import { useThisJob } from '../job/context'
import { Menu, MenuChoices, MenuItem } from '../parts/Menu'
import { EditCell } from './EditCell'

type Scalars = Record<string, string | number | boolean | null>
type ListName = 'seats' | 'boxes' | 'fittings' | 'lamps'
type Sort = {
  list: ListName
  title: string
  add: string
  fields: readonly (readonly [string, string])[]
}

const SORTS: readonly Sort[] = [
  {
    list: 'seats',
    title: 'Seats',
    add: 'Add a seat',
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
    fields: [
      ['x_mm', 'from left'],
      ['y_mm', 'off floor'],
      ['width_mm', 'wide'],
      ['height_mm', 'high'],
      ['band_mm', 'no drilling within'],
    ],
  },
  {
    list: 'lamps',
    title: 'Lamps',
    add: 'Add a lamp',
    fields: [
      ['x_mm', 'from left'],
      ['y_mm', 'off floor'],
      ['z_mm', 'from wall'],
      ['lumens', 'lm'],
    ],
  },
]

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
  const toAdd = plan.additions.filter((one) => one.into === sort.list)
  const kinds = toAdd.map((one) => one.kind).filter((kind) => kind !== '')
  return (
    <>
      <ul>
        {things.map((thing, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a thing is known by its place in the list
          <Thing key={at} {...{ sort, thing, texts, kinds }} base={`/survey/${sort.list}/${at}`} number={at + 1} />
        ))}
      </ul>
      {kinds.length === 0 ? (
        toAdd.map((one) => (
          <button
            key={one.into}
            type="button"
            onClick={() => void edit(toEdits(one.changes))}
            className="min-h-10 rounded border border-seam px-3 hover:border-brass"
          >
            {sort.add}
          </button>
        ))
      ) : (
        <Menu label="" className="min-h-10 rounded border border-seam px-3 hover:border-brass" trigger={<>{sort.add} ▾</>}>
          {toAdd.map((one) => (
            <MenuItem key={one.kind} onSelect={() => void edit(toEdits(one.changes))}>
              {one.kind.replace('-', ' ')}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  )
}

type ThingProps = {
  sort: Sort
  thing: Scalars
  base: string
  texts: Record<string, string>
  number: number
  kinds: readonly string[]
}

const Thing = ({ sort, thing, base, texts, number, kinds }: ThingProps) => {
  const { edit } = useThisJob()
  const called = String(thing.name || thing.kind || `Seat ${number}`).replace('-', ' ')
  return (
    <li className="mb-2 border-seam border-l-2 pl-2">
      <div className="flex items-center gap-2">
        <span className="flex-1 font-semibold">
          <EditCell label={`Name of ${called}`} pointer={`${base}/name`} text={called} numeric={false} />
        </span>
        {kinds.length > 0 && (
          <Menu
            label={`Kind of ${called}`}
            className="min-h-9 rounded px-1.5 text-[14px] text-quiet"
            trigger={<>{String(thing.kind).replace('-', ' ')} ▾</>}
          >
            <MenuChoices
              value={String(thing.kind)}
              onChange={(value) => void edit([{ pointer: `${base}/kind`, value }])}
              choices={kinds.map((value) => ({ value, label: value.replace('-', ' ') }))}
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
              <EditCell
                label={`${called}, ${word}`}
                pointer={`${base}/${field}`}
                text={textOf(field, thing, texts[`${base}/${field}`])}
              />
            </dd>
          </div>
        ))}
      </dl>
    </li>
  )
}

/** Lengths are texts made by the plan; lumens are the plain number that was entered. */
const textOf = (field: string, thing: Scalars, text?: string) => text ?? (field === 'lumens' ? String(thing[field] ?? '') : '')
