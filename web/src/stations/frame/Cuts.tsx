import type { Bench, CutGroup } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Num, Rich } from '../../parts/Num'
import { MaskPanels } from './MaskPanels'

type Board = CutGroup['boards'][number]
const HIGH = 52
const money = (value: number) => value.toFixed(2)

/** Every board as a tape with its cuts; a piece is ticked off by a tap. */
export const Cuts = ({ cutting, done }: { cutting: Bench['cutting']; done: readonly string[] }) => {
  const { edit } = useThisJob()
  const turn = (key: string) => {
    const next = done.includes(key) ? done.filter((one) => one !== key) : [...done, key]
    void edit([{ pointer: '/frame/cut', value: next }])
  }
  if (cutting.groups.length === 0)
    return <p className="p-3 text-quiet">Nothing to cut: a kit comes in its own pieces. Choose timber to cut boards.</p>
  return (
    <>
      {cutting.groups.map((group) => (
        <Group key={group.board + group.name} group={group} done={done} turn={turn} />
      ))}
      <MaskPanels masks={cutting.masks} />
      <p className="py-1 text-quiet text-small">
        Kerf <Num text={cutting.kerf} />, <Num text={cutting.end_trim} /> off each board end. Hook the tape on the board's left
        end; a mark is the right end of its piece, the blade goes to the right of it.
      </p>
    </>
  )
}

type Turn = (key: string) => void

const Group = ({ group, done, turn }: { group: CutGroup; done: readonly string[]; turn: Turn }) => {
  const longest = Math.max(...group.boards.map((one) => one.length_mm))
  return (
    <section aria-label={`${group.board}, ${group.name}`} className="pb-3">
      <h3 className="flex flex-wrap items-baseline gap-x-4 pb-1">
        <span className="font-bold">
          {group.board}, {group.name}
        </span>
        {!group.trouble && (
          <span>
            {group.boards.length} {group.boards.length === 1 ? 'board' : 'boards'}
            {group.priced && <strong className="ml-2">{money(group.price)}</strong>}
          </span>
        )}
        <span className="text-quiet text-small">
          {group.trouble ? '' : group.proven ? 'nothing is cheaper, proven' : `may be ${(100 * group.gap).toFixed(1)} % too dear`}
        </span>
        {!group.priced && !group.trouble && (
          <span className="text-quiet text-small">the stores have no price for this board: least wood instead</span>
        )}
      </h3>
      {group.trouble && (
        <p className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5">
          <Rich text={group.trouble} />
        </p>
      )}
      <ul className="flex flex-col gap-1.5">
        {group.boards.map((board, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: boards of one plan never reorder
          <li key={at} className="flex items-start gap-3">
            <span className="w-24 shrink-0 pt-1 leading-tight">
              <Num text={board.length} className="text-body" />
              {group.priced && <span className="block text-fine text-quiet">{money(board.price)}</span>}
            </span>
            <BoardTape board={board} longest={longest} done={done} turn={turn} />
          </li>
        ))}
      </ul>
      {group.others.length > 1 && <Others group={group} />}
    </section>
  )
}

const BoardTape = ({ board, longest, done, turn }: { board: Board; longest: number; done: readonly string[]; turn: Turn }) => {
  const share = (mm: number) => `${(100 * mm) / board.length_mm}%`
  return (
    <div className="relative min-w-0 flex-1" style={{ height: HIGH }}>
      <div
        className="absolute top-0 left-0 h-8 rounded-sm border border-wood-edge bg-hatch-fine"
        style={{ width: `${(100 * board.length_mm) / longest}%` }}
      >
        {board.cuts.map((cut) => {
          const cutAlready = done.includes(cut.key)
          return (
            <button
              key={cut.name}
              type="button"
              aria-pressed={cutAlready}
              aria-label={`${cut.name}, ${cut.length}, mark at ${cut.to_text}${cutAlready ? ', cut' : ''}`}
              onClick={() => turn(cut.key)}
              className={`absolute top-0 flex h-full items-center justify-center gap-2 overflow-hidden border-ink border-r-2 bg-wood leading-none ${cutAlready ? 'text-quiet line-through' : ''}`}
              style={{ left: share(cut.from_mm), width: share(cut.to_mm - cut.from_mm) }}
            >
              <strong className="whitespace-nowrap text-body">{cutAlready ? `✓ ${cut.name}` : cut.name}</strong>
              <span className="text-small max-[820px]:hidden">
                <Num text={cut.length} />
              </span>
            </button>
          )
        })}
        {board.cuts.map((cut) => (
          <span
            key={`${cut.name} mark`}
            aria-hidden="true"
            className="absolute top-8 -translate-x-full whitespace-nowrap border-tape border-r-2 bg-tape px-1 font-semibold text-fine text-on-tape leading-5"
            style={{ left: share(cut.to_mm) }}
          >
            <Num text={cut.to_text} />
          </span>
        ))}
        <span className="absolute right-1 -bottom-5 whitespace-nowrap text-fine text-quiet">
          {board.offcut_mm > 300 && (
            <>
              left <Num text={board.offcut} />
            </>
          )}
        </span>
      </div>
    </div>
  )
}

const Others = ({ group }: { group: CutGroup }) => (
  <p className="mt-1 flex flex-wrap gap-x-5 text-quiet text-small">
    <span>From one length only:</span>
    {group.others.map((one) => (
      <span key={one.length} className="whitespace-nowrap">
        <Rich text={one.length} />{' '}
        {one.boards === 0
          ? 'too short'
          : `× ${one.boards}${one.more === null ? '' : one.more > 0.004 ? `, ${money(one.more)} more` : ', the same price'}`}
      </span>
    ))}
  </p>
)
