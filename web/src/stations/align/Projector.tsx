import type { ProjectorState } from '../../api/client'
import { Button } from '../../parts/Button'
import { said, Trouble } from '../../parts/Trouble'
import { type Setting, useProjector } from './useProjector'

const POWER = { off: 'off', warming: 'warming up', on: 'on', cooling: 'cooling down' } as const

/** The projector from a distance: its light first, for that is what somebody at the wall waits for. */
export const Projector = () => {
  const { names, now, act, trouble } = useProjector()
  if (!names.length)
    return <p className="py-1 text-quiet text-small">No projectors set up. Add them to GANTLINE_PROJECTORS on the server.</p>
  return (
    <div className="flex flex-col gap-2 py-1">
      <div className="flex flex-wrap gap-1">
        {names.map((name) => (
          <Button key={name} size="tall" disabled={act.isPending} onClick={() => act.mutate({ name })}>
            {now?.name === name ? 'Ask again' : `Ask ${name}`}
          </Button>
        ))}
      </div>
      <Trouble text={trouble ? `${said(trouble)} Nothing is known of its light until it answers: ask it again.` : ''} />
      {now && (
        <Controls now={now} busy={act.isPending} onSet={(what, value) => act.mutate({ name: now.name, set: { what, value } })} />
      )}
    </div>
  )
}

type ControlsProps = { now: ProjectorState; busy: boolean; onSet: (what: Setting, value: string) => void }

const Controls = ({ now, busy, onSet }: ControlsProps) => {
  const on = now.power === 'on'
  const dark = on && !now.light
  return (
    <>
      {now.errors.map((text) => (
        <p key={text} className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5 text-small">
          {text}
        </p>
      ))}
      {on && (
        <Button size="step" look={dark ? 'plain' : 'main'} disabled={busy} onClick={() => onSet('light', dark ? 'on' : 'off')}>
          {dark ? 'Light on' : 'Light off'}
        </Button>
      )}
      {dark && !busy && (
        <p className="text-small">It answered that its light is off. See that the wall is dark before anybody works at it.</p>
      )}
      <dl className="grid grid-cols-[7rem_1fr] items-center gap-y-1.5 text-small">
        <dt className="text-quiet">Power</dt>
        <dd className="flex items-center justify-between gap-2">
          {POWER[now.power]}
          {(on || now.power === 'off') && (
            <Button disabled={busy} onClick={() => onSet('power', on ? 'off' : 'on')}>
              {on ? 'Power off' : 'Power on'}
            </Button>
          )}
        </dd>
        <Choices label="Input" what="input" of={now.inputs} taken={now.input} idle={!on || busy} onSet={onSet} />
        <Choices label="Lens memory" what="memory" of={now.memories} taken={now.memory} idle={!on || busy} onSet={onSet} />
        <dt className="text-quiet">Throw ratio</dt>
        <dd className="tabular-nums">
          {now.zoom.toFixed(3)} <Range of={now.zoom_range} />
        </dd>
        <dt className="text-quiet">Shift sideways</dt>
        <dd className="tabular-nums">
          {plain(now.shift_h, 1)} % <Range of={now.shift_h_range} />
        </dd>
        <dt className="text-quiet">Shift up</dt>
        <dd className="tabular-nums">
          {plain(now.shift_v, 1)} % <Range of={now.shift_v_range} />
        </dd>
        <dt className="text-quiet">Lamp</dt>
        <dd className="tabular-nums">{now.lamp_h.toFixed(0)} h</dd>
      </dl>
    </>
  )
}

const plain = (value: number | undefined = 0, digits?: number) =>
  (digits === undefined ? String(value) : value.toFixed(digits)).replace('-', '−')

const Range = ({ of: [low, high] }: { of: readonly [number, number] | number[] }) => (
  <span className="pl-1 text-quiet">
    {plain(low)} to {plain(high)}
  </span>
)

type ChoicesProps = {
  label: string
  what: Setting
  of: readonly string[]
  taken: string | null
  idle: boolean
  onSet: ControlsProps['onSet']
}

const Choices = ({ label, what, of, taken, idle, onSet }: ChoicesProps) =>
  of.length > 0 && (
    <>
      <dt className="text-quiet">{label}</dt>
      <dd className="flex flex-wrap gap-1">
        {of.map((one) => (
          <Button
            key={one}
            look={one === taken ? 'main' : 'plain'}
            aria-label={`${label} ${one}`}
            aria-pressed={one === taken}
            disabled={idle}
            onClick={() => onSet(what, one)}
          >
            {one}
          </Button>
        ))}
      </dd>
    </>
  )
