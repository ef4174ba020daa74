import type { Plan } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Add } from '../../parts/Add'
import { Button, Pick } from '../../parts/Button'
import { KnownMark } from '../../parts/KnownMark'
import { Typed } from '../../parts/Typed'

const MOST = 6

/** Every light state: its light on the screen, measured or from its lamps, and which lamps are lit in it. */
export const States = ({ plan }: { plan: Plan }) => {
  const { edit } = useThisJob()
  return (
    <>
      <ul aria-label="Light states">
        {plan.tables.states?.rows.map((row) => (
          <li key={row.id} className="py-0.5">
            <div className="flex min-h-9 items-center gap-2.5">
              <KnownMark known={row.known} />
              <span className="flex-1 leading-tight">
                Light, {row.name}
                {row.how && <span className="block text-fine text-quiet">{row.how}</span>}
              </span>
              <Typed label={`Light, ${row.name}`} pointer={`${row.pointer}/lux`} text={row.lux} />
              {(plan.tables.states?.rows.length ?? 0) > 1 && (
                <Button
                  look="remove"
                  aria-label={`Remove the light state ${row.name}`}
                  onClick={() => void edit([{ pointer: row.pointer, value: null }])}
                >
                  ×
                </Button>
              )}
            </div>
            {row.lamps.length > 0 && (
              <div className="flex flex-wrap justify-end gap-1">
                {row.lamps.map((lamp) => (
                  <Pick
                    key={lamp.id}
                    on={lamp.lit}
                    onClick={() => {
                      const lit = row.lamps.filter((one) => (one.id === lamp.id ? !one.lit : one.lit)).map((one) => one.id)
                      void edit([{ pointer: `${row.pointer}/lamps`, value: lit }])
                    }}
                  >
                    <span className="sr-only">Lit in {row.name}: </span>
                    <span aria-hidden="true">{lamp.lit ? '● ' : '○ '}</span>
                    {lamp.name}
                  </Pick>
                ))}
              </div>
            )}
          </li>
        ))}
      </ul>
      {(plan.tables.states?.rows.length ?? 0) < MOST && (
        <Add
          button="Add state"
          cells={[
            { name: 'name', label: 'Light state, name', hint: 'name' },
            { name: 'lux', label: 'Light state, lux on the screen', hint: 'lux', optional: true },
          ]}
          edit={(typed) => ({ pointer: '/light/states/-', value: typed })}
        />
      )}
    </>
  )
}
