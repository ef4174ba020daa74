import type { SignalPlan } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Button, buttonLook } from '../../parts/Button'
import { Menu, MenuItem } from '../../parts/Menu'
import { Typed } from '../../parts/Typed'

/** The picture format that is wanted, and every link it must pass. */
export const SignalChain = ({ signal }: { signal: SignalPlan }) => {
  const { edit } = useThisJob()
  return (
    <>
      <div className="pb-1">
        <p className="text-quiet text-small">Picture format wanted</p>
        <Formats label="Picture format wanted" text={signal.wanted} pointer={signal.wanted_pointer} signal={signal} />
      </div>
      <ol aria-label="Links of the signal chain">
        {signal.rows.map((row) => (
          <li key={row.id} className={`mb-2 border-l-2 pl-2 ${row.trouble ? 'border-brass' : 'border-seam'}`}>
            <span className="flex items-center gap-2">
              <span className="flex-1 font-semibold">
                <Typed look="cell" words label={`Name of the ${row.name}`} pointer={`${row.pointer}/name`} text={row.name} />
              </span>
              <Button
                look="remove"
                aria-label={`Remove the ${row.name}`}
                onClick={() => void edit([{ pointer: row.pointer, value: null }])}
              >
                ×
              </Button>
            </span>
            <Formats
              label={`What the ${row.name} carries`}
              text={row.carries}
              pointer={`${row.pointer}/carries`}
              signal={signal}
            />
            {row.kind === 'cable' && (
              <dl className="flex flex-wrap gap-x-3 text-body">
                {(
                  [
                    ['length_mm', 'length', row.length],
                    ['good_for_mm', 'good for', row.good_for],
                  ] as const
                ).map(([field, word, text]) => (
                  <div key={field} className="flex items-center gap-1">
                    <dt className="text-fine text-quiet">{word}</dt>
                    <dd>
                      <Typed look="cell" label={`${row.name}, ${word}`} pointer={`${row.pointer}/${field}`} text={text} />
                    </dd>
                  </div>
                ))}
              </dl>
            )}
            {row.trouble && (
              <p className="text-brass text-small">
                {row.trouble}
                {row.weakest && ', the bottleneck'}
              </p>
            )}
          </li>
        ))}
      </ol>
      {signal.arrives && <p className="pb-2 text-quiet text-small">Arrives: {signal.arrives}.</p>}
      {signal.kinds.length > 0 && (
        <Menu label="" className={buttonLook('plain')} trigger={<>Add a link ▾</>}>
          {signal.kinds.map((kind) => (
            <MenuItem key={kind} onSelect={() => void edit([{ pointer: `${signal.pointer}/-`, value: { kind } }])}>
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
    <Menu label={label} className="min-h-9 rounded text-left text-body" trigger={<>{text || 'not known yet'} ▾</>}>
      {signal.formats.map((one) => (
        <MenuItem key={one.text} onSelect={() => void edit([{ pointer, value: one.value }])}>
          {one.text}
        </MenuItem>
      ))}
      {text && <MenuItem onSelect={() => void edit([{ pointer, value: null }])}>not known yet</MenuItem>}
    </Menu>
  )
}
