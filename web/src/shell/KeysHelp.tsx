import { Button } from '../parts/Button'
import { Sheet } from '../parts/Sheet'
import { COMMANDS, spoken } from './commands'
import { againWay } from './way'

/** All keys, from the one registry. */
export const KeysHelp = ({ open, onClose }: { open: boolean; onClose: () => void }) => (
  <Sheet open={open} onClose={onClose} title="Keys" describe="They rest while you type in a field.">
    <dl className="mt-4 grid grid-cols-[9rem_1fr] gap-y-2">
      {Object.values(COMMANDS).map((one) => (
        <div key={one.label} className="contents">
          <dt>
            <kbd className="rounded border border-seam bg-lift px-2 py-0.5 font-sans font-semibold">{spoken(one.keys)}</kbd>
          </dt>
          <dd>{one.label}</dd>
        </div>
      ))}
    </dl>
    <Button
      className="mt-4"
      onClick={() => {
        againWay()
        onClose()
      }}
    >
      Say at each station what to do there
    </Button>
    <p className="mt-4 text-quiet">
      On the board: Tab to the frame or the lens, arrow keys move it one tape step, with Shift ten.
    </p>
  </Sheet>
)
