import { useState } from 'react'
import type { Plan } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Num } from '../../parts/Num'
import { Typed } from '../../parts/Typed'

type Row = NonNullable<Plan['tables']['marks']>['rows'][number]
type Fact = NonNullable<Plan['tables']['marks']>['facts'][number]
const FACTS = '/wall/facts/-'

/** What became of a hole: drilled where it is marked or elsewhere, or refused by the wall. */
export const HoleFact = ({ row, facts }: { row: Row; facts: readonly Fact[] }) => {
  const { edit } = useThisJob()
  const [why, setWhy] = useState<string | null>(null)
  const told = (state: string, more: object = {}) =>
    edit([{ pointer: FACTS, value: { hole: row.key, state, x_mm: row.x_mm, y_mm: row.y_mm, ...more } }])
  const done = facts.find((one) => one.drilled && one.hole === row.key)
  if (done)
    return (
      <div className="flex flex-wrap items-center gap-x-2">
        <span className="font-semibold">✓ drilled</span>
        <Typed look="cell" label={`${row.name}, drilled from left`} pointer={`/wall/facts/${done.id}/x_mm`} text={done.across} />
        <Typed look="cell" label={`${row.name}, drilled off floor`} pointer={`/wall/facts/${done.id}/y_mm`} text={done.up} />
        <Button
          look="remove"
          aria-label={`${row.name}: not drilled`}
          onClick={() => void edit([{ pointer: `/wall/facts/${done.id}`, value: null }])}
        >
          ×
        </Button>
      </div>
    )
  return (
    <div className="flex flex-wrap items-center gap-2 py-1">
      {why === null ? (
        <>
          <Button aria-label={`${row.name}: drilled at its mark`} onClick={() => void told('drilled')}>
            Drilled
          </Button>
          <Button aria-label={`${row.name}: not possible here`} onClick={() => setWhy('')}>
            Wall says no
          </Button>
        </>
      ) : (
        <>
          <input
            aria-label={`${row.name}: what is there`}
            placeholder="pipe, cable, steel"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            className="min-h-9 w-36 rounded border border-seam bg-velvet px-2 text-body"
          />
          <Button look="main" onClick={() => void told('blocked', why.trim() ? { why: why.trim() } : {})}>
            Not possible
          </Button>
          <Button look="quiet" onClick={() => setWhy(null)}>
            Cancel
          </Button>
        </>
      )}
    </div>
  )
}

/** Places where the wall said no; each can be taken back. */
export const RefusedHoles = ({ facts }: { facts: readonly Fact[] }) => {
  const { edit } = useThisJob()
  const refused = facts.filter((one) => !one.drilled)
  return refused.map((one) => (
    <p key={one.id} className="flex items-center gap-2 border-stop border-l-4 pl-2 text-small">
      <span className="flex-1">
        {one.name}: not possible at <Num text={one.across} />
        {one.why && `, ${one.why}`}
      </span>
      <Button
        look="remove"
        aria-label={`${one.name}: possible after all`}
        onClick={() => void edit([{ pointer: `/wall/facts/${one.id}`, value: null }])}
      >
        ×
      </Button>
    </p>
  ))
}
