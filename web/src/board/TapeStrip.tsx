import type { Plan, TapeWindow } from '../api/client'
import { Num, Rich } from '../parts/Num'
import { Tape } from './Tape'

/** One mark as it is read on a real tape. */
const TapePiece = ({ piece }: { piece: TapeWindow }) => (
  <figure>
    <figcaption className="flex h-9 items-center">
      <Num text={piece.text} className="text-title" />
    </figcaption>
    <Tape piece={piece} />
    <p className="mt-1 min-h-9 text-fine leading-tight">
      <span className="font-semibold">{piece.title}</span> <span className="text-quiet">from the {piece.hook}</span>
    </p>
  </figure>
)

/** A mark that leads only to holes that are not to be drilled: no number to drill by. */
const NoPiece = ({ piece }: { piece: TapeWindow }) => (
  <figure>
    <figcaption className="flex h-9 items-center font-bold text-stop text-value">Do not drill</figcaption>
    <svg viewBox="0 0 46 14" className="w-full" aria-hidden="true">
      <rect x=".4" y=".4" width="45.2" height="13.2" fill="var(--stop-ground)" stroke="var(--stop)" strokeWidth=".8" />
      <path d="M.4 .4L45.6 13.6M45.6 .4L.4 13.6" stroke="var(--stop)" strokeWidth=".8" />
    </svg>
    <p className="mt-1 min-h-9 font-semibold text-fine leading-tight">{piece.title}</p>
  </figure>
)

type TapeStripProps = { pieces: readonly TapeWindow[]; refused: Plan['refused']; without: readonly string[] }

/** The marks of the holes on the tape, in the order they are made; what must not be drilled comes first. */
export const TapeStrip = ({ pieces, refused, without }: TapeStripProps) => (
  <>
    {refused.length > 0 && (
      <p role="alert" className="border-stop border-l-[6px] bg-stop-ground px-4 py-1.5 font-semibold text-body">
        <strong className="text-stop">Do not drill</strong> {refused.map((one) => one.name).join(', ')}
        <span className="block font-normal text-small leading-snug">
          <Rich text={[...new Set(refused.flatMap((one) => one.why))].join(' ')} />
        </span>
      </p>
    )}
    <div className="grid min-h-[150px] grid-cols-[repeat(auto-fit,minmax(6rem,1fr))] content-center items-start gap-x-3 gap-y-1 px-4 py-1">
      {pieces.length > 0 ? (
        pieces.map((piece) =>
          without.includes(piece.key) ? <NoPiece key={piece.key} piece={piece} /> : <TapePiece key={piece.key} piece={piece} />,
        )
      ) : (
        <p className="col-span-full text-quiet">
          No marks yet: the wall has no holes until a height fits and the brackets have a place.
        </p>
      )}
    </div>
  </>
)
