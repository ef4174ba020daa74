import type { SignalPlan } from '../api/client'
import { useThisJob } from '../job/context'
import { Menu, MenuItem } from '../parts/Menu'
import { EditCell } from './EditCell'

const BASE = '/throw/signal'
const BUTTON = 'min-h-10 rounded border border-seam px-3 text-left hover:border-brass'

/** The picture format that is wished, and every link it must pass. */
export const SignalChain = ({ signal }: { signal: SignalPlan }) => {
  const { edit } = useThisJob()
  return (
    <>
      <div className="pb-1">
        <p className="text-quiet text-sm">Picture format wished</p>
        <Formats label="Picture format wished" text={signal.wanted} pointer={`${BASE}/wanted`} signal={signal} />
      </div>
      <ol aria-label="Links of the signal chain">
        {signal.rows.map((row) => (
          <li key={row.index} className={`mb-2 border-l-2 pl-2 ${row.trouble ? 'border-brass' : 'border-seam'}`}>
            <span className="flex items-center gap-2">
              <span className="flex-1 font-semibold">
                <EditCell
                  label={`Name of the ${row.name}`}
                  pointer={`${BASE}/links/${row.index}/name`}
                  text={row.name}
                  numeric={false}
                />
              </span>
              <button
                type="button"
                aria-label={`Remove the ${row.name}`}
                onClick={() => void edit([{ pointer: `${BASE}/links/${row.index}`, value: null }])}
                className="size-9 rounded text-quiet hover:text-stop"
              >
                ×
              </button>
            </span>
            <Formats
              label={`What the ${row.name} carries`}
              text={row.carries}
              pointer={`${BASE}/links/${row.index}/carries`}
              signal={signal}
            />
            {row.kind === 'cable' && (
              <dl className="flex flex-wrap gap-x-3 text-[15px]">
                {(
                  [
                    ['length_mm', 'long', row.length],
                    ['good_for_mm', 'good for', row.good_for],
                  ] as const
                ).map(([field, word, text]) => (
                  <div key={field} className="flex items-center gap-1">
                    <dt className="text-[13.5px] text-quiet">{word}</dt>
                    <dd>
                      <EditCell label={`${row.name}, ${word}`} pointer={`${BASE}/links/${row.index}/${field}`} text={text} />
                    </dd>
                  </div>
                ))}
              </dl>
            )}
            {row.trouble && (
              <p className="text-[14px] text-brass">
                {row.trouble}
                {row.weakest && ', the weakest link'}
              </p>
            )}
          </li>
        ))}
      </ol>
      {signal.arrives && <p className="pb-2 text-[14.5px] text-quiet">Arrives: {signal.arrives}.</p>}
      {signal.kinds.length > 0 && (
        <Menu label="" className={BUTTON} trigger={<>Add a link ▾</>}>
          {signal.kinds.map((kind) => (
            <MenuItem key={kind} onSelect={() => void edit([{ pointer: `${BASE}/links/-`, value: { kind } }])}>
              {kind}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  )
}

type FormatsProps = { label: string; text: string; pointer: string; signal: SignalPlan }

const Formats = ({ label, text, pointer, signal }: FormatsProps) => {
  const { edit } = useThisJob()
  return (
    <Menu label={label} className="min-h-9 rounded text-left text-[15px]" trigger={<>{text || 'not known yet'} ▾</>}>
      {signal.formats.map((one) => (
        <MenuItem key={one.text} onSelect={() => void edit([{ pointer, value: one.value }])}>
          {one.text}
        </MenuItem>
      ))}
      {text && <MenuItem onSelect={() => void edit([{ pointer, value: null }])}>not known yet</MenuItem>}
    </Menu>
  )
}
