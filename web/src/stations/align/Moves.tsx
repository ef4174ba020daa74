import type { Plan } from '../../api/client'
import { Button } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import { Cell, Line, Table } from '../../parts/Table'
import { said, Trouble } from '../../parts/Trouble'
import { useProjector } from './useProjector'

type Turned = 'zoom' | 'shift-h' | 'shift-v'

const HEADS = ['', 'Move', 'top left', 'top right', 'bottom right', 'bottom left'] as const

/** The moves in order, and what the corners read after each. */
export const Moves = ({ plan }: { plan: Plan }) => {
  const table = plan.tables.align
  const { now, act, trouble } = useProjector()
  if (!table?.corners.length)
    return <p className="p-4 text-quiet">Read the corners of the picture: the moves appear here, with what to read after each.</p>
  if (table.done)
    return <p className="p-4 font-semibold text-body">Aligned: every corner is within tolerance. Move nothing more.</p>
  if (!table.moves.length) return <p className="p-4 text-quiet">No moves yet: see what the findings ask for.</p>
  return (
    <div className="h-full overflow-auto px-3 pb-2">
      {!table.fits && (
        <p className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5 text-small">
          <strong>One reading does not fit.</strong> The moves below depend on it: read it again first.
        </p>
      )}
      <Trouble text={trouble ? said(trouble) : ''} />
      <Table label="Moves in order" heads={HEADS}>
        {table.moves.map((row, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: moves have no name but their place in the order
          <Line key={at} lit={at === 0}>
            <Cell className="font-semibold">{at + 1}</Cell>
            <Cell className="text-body">
              <Rich text={row.text} />
              {row.control && now?.power === 'on' && (
                <Button
                  className="ml-2"
                  disabled={act.isPending}
                  onClick={() => act.mutate({ name: now.name, turn: { what: row.control as Turned, by: row.by } })}
                >
                  Set on the projector
                </Button>
              )}
            </Cell>
            {[0, 2, 4, 6].map((from) => (
              <Cell key={from} className="whitespace-nowrap tabular-nums">
                <Rich text={`${row.after[from]} · ${row.after[from + 1]}`} />
              </Cell>
            ))}
          </Line>
        ))}
      </Table>
      <p className="px-2 pt-1 text-quiet text-small">
        Sideways · up or down, outside after the move. If they read otherwise, stop and read all four corners again.
      </p>
    </div>
  )
}
