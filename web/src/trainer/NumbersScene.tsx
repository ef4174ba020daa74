import type { Practice } from '../api/client'
import { Rich } from '../parts/Num'

const PLACES = ['items-start text-left', 'items-end text-right', 'items-start text-left', 'items-end text-right'] as const
const ORDER = [0, 1, 3, 2] as const // the readings run clockwise, the grid line by line

/** The frame without its picture: each corner's two readings stand where that corner is. */
export const NumbersScene = ({ practice }: { practice: Practice }) => (
  <div className="flex min-h-56 flex-1 flex-col justify-center gap-4">
    <div
      className="grid w-full grid-cols-2 content-between rounded border-4 border-frame-edge p-4 text-lead"
      style={{ aspectRatio: practice.aspect, background: 'var(--bench)' }}
    >
      {ORDER.map((corner, at) => {
        const one = practice.readings[corner]
        return (
          one && (
            <div key={one.name} className={`flex flex-col ${PLACES[at]}`}>
              <span className="text-quiet text-small">{one.name}</span>
              <strong>
                <Rich text={one.across} />
              </strong>
              <strong>
                <Rich text={one.up} />
              </strong>
            </div>
          )
        )
      })}
    </div>
    <p className="text-quiet leading-snug">
      You do not see the picture here: how far each corner stands outside, minus is inside. One side edge taller than the other is
      a turn, top and bottom of different lengths a tilt, all corners to one side a shift.
    </p>
  </div>
)
