import { type ThingRow, type ThingList as Things, toEdits } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Button, buttonLook, Pick } from '../../parts/Button'
import { Menu, MenuChoices, MenuItem } from '../../parts/Menu'
import { Typed } from '../../parts/Typed'

const spoken = (kind: string) => kind.replace('-', ' ')

/** Everything surveyed that can also be dragged on the board: typed exactly here. */
export const ThingList = ({ list }: { list: Things }) => {
  const { edit } = useThisJob()
  const kinds = list.additions.map((one) => one.kind).filter((kind) => kind !== '')
  const [only] = list.additions
  return (
    <>
      <ul>
        {list.rows.map((row) => (
          <Thing key={row.id} row={row} kinds={kinds} />
        ))}
      </ul>
      {kinds.length === 0
        ? only && <Button onClick={() => void edit(toEdits(only.changes))}>{list.add}</Button>
        : list.additions.length > 0 && (
            <Menu label="" className={buttonLook('plain')} trigger={<>{list.add} ▾</>}>
              {list.additions.map((one) => (
                <MenuItem key={one.kind} onSelect={() => void edit(toEdits(one.changes))}>
                  {spoken(one.kind)}
                </MenuItem>
              ))}
            </Menu>
          )}
    </>
  )
}

const Thing = ({ row, kinds }: { row: ThingRow; kinds: readonly string[] }) => {
  const { edit } = useThisJob()
  return (
    <li className="mb-2 border-seam border-l-2 pl-2">
      <div className="flex items-center gap-2">
        <span className="flex-1 font-semibold">
          <Typed look="cell" words label={`Name of ${row.name}`} pointer={`${row.pointer}/name`} text={row.name} />
        </span>
        {kinds.length > 0 && (
          <Menu label={`Kind of ${row.name}`} className={buttonLook('quiet')} trigger={<>{spoken(row.kind)} ▾</>}>
            <MenuChoices
              value={row.kind}
              onChange={(value) => void edit([{ pointer: `${row.pointer}/kind`, value }])}
              choices={kinds.map((value) => ({ value, label: spoken(value) }))}
            />
          </Menu>
        )}
        {row.pointer.startsWith('/survey/seats/') && (
          <Pick on={row.main} onClick={() => void edit([{ pointer: `${row.pointer}/main`, value: !row.main }])}>
            main
          </Pick>
        )}
        <Button
          look="remove"
          aria-label={`Remove ${row.name}`}
          onClick={() => void edit([{ pointer: row.pointer, value: null }])}
        >
          ×
        </Button>
      </div>
      <dl className="flex flex-wrap gap-x-3 text-body">
        {row.cells.map(({ field, label, text }) => (
          <div key={field} className="flex items-center gap-1">
            <dt className="text-fine text-quiet">{label}</dt>
            <dd>
              <Typed look="cell" label={`${row.name}, ${label}`} pointer={`${row.pointer}/${field}`} text={text} empty="usual" />
            </dd>
          </div>
        ))}
      </dl>
    </li>
  )
}
