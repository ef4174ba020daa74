import type { Plan, ThingList } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Add } from '../../parts/Add'
import { Button } from '../../parts/Button'
import { Typed } from '../../parts/Typed'

/** Readings along the wall, neither ceiling nor floor being level. */
export const Readings = ({ plan }: { plan: Plan }) => (
  <>
    {plan.tables.ceiling_list && <ReadingList list={plan.tables.ceiling_list} field="up_mm" word="up" />}
    {plan.tables.floor_list && <ReadingList list={plan.tables.floor_list} field="down_mm" word="down" />}
  </>
)

const ReadingList = ({ list, field, word }: { list: ThingList; field: string; word: string }) => {
  const { edit } = useThisJob()
  const deep = field === 'up_mm' // a ceiling may slope or drop out in the room
  return (
    <div className="mt-1">
      <h4 className="text-quiet text-small">{list.title}</h4>
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>from the left wall end</th>
            {deep && <th>out from the wall</th>}
            <th>{word}</th>
            <th>remove</th>
          </tr>
        </thead>
        <tbody>
          {list.rows.map((row) => {
            const text = (name: string) => row.cells.find((one) => one.field === name)?.text ?? ''
            return (
              <tr key={row.id} className="h-9">
                <td className="text-quiet">
                  at <Typed look="cell" label={`${row.name}, at`} pointer={`${row.pointer}/x_mm`} text={text('x_mm')} />
                </td>
                {deep && (
                  <td className="text-quiet">
                    out{' '}
                    <Typed
                      look="cell"
                      label={`${row.name}, out from the wall`}
                      pointer={`${row.pointer}/z_mm`}
                      text={text('z_mm') || 'at wall'}
                    />
                  </td>
                )}
                <td className="text-right text-body">
                  <Typed look="cell" label={`${row.name}, ${word}`} pointer={`${row.pointer}/${field}`} text={text(field)} />
                </td>
                <td className="w-11 text-right">
                  <Button
                    look="remove"
                    aria-label={`Remove the reading at ${text('x_mm')}`}
                    onClick={() => void edit([{ pointer: row.pointer, value: null }])}
                  >
                    ×
                  </Button>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <Add
        button="Add"
        cells={[
          { name: 'x_mm', label: `${list.title}: place from the left wall end`, hint: 'at' },
          ...(deep ? [{ name: 'z_mm', label: `${list.title}: out from the wall`, hint: 'out', optional: true }] : []),
          { name: field, label: `${list.title}: reading`, hint: word },
        ]}
        edit={(typed) => ({ pointer: `${list.pointer}/-`, value: typed })}
      />
    </div>
  )
}
