import { useState } from 'react'
import type { Plan } from '../../api/client'
import { Button } from '../../parts/Button'
import { FindingNote } from '../../parts/FindingNote'

const SHOWN = 2

/** What is found out at a station, the worst first; every stop, and after that the first few. */
export const Findings = ({ plan, station }: { plan: Plan; station: string }) => {
  const [all, setAll] = useState(false)
  // what is to be measured has a list of its own at Wall, and a mark at its field
  // and what refuses a hole stands where holes are drilled, wherever it was found out
  const home = plan.panels.find((panel) => panel.station === station)?.home
  const refusing = new Set(home ? plan.refused.flatMap((hole) => hole.why) : [])
  // a Stop of another station leads every station whose figures rest on what it is about
  const led = new Set(plan.stations.find((state) => state.key === station)?.led ?? [])
  const own = plan.findings.filter(
    (one, place) => (one.station === station || led.has(place) || refusing.has(one.text)) && one.code !== 'measure',
  )
  const stops = own.filter((one) => one.severity === 'stop').length
  const shown = all ? own : own.slice(0, Math.max(stops, SHOWN))
  if (own.length === 0) return null
  return (
    <div className="mb-3 flex flex-col gap-2" role="status" aria-label="Findings">
      {shown.map((one) => (
        <FindingNote
          key={`${one.code} ${one.subject}`}
          finding={one}
          from={one.station === station ? '' : plan.stations.find((state) => state.key === one.station)?.label}
        />
      ))}
      {shown.length < own.length && (
        <Button look="quiet" className="self-start" onClick={() => setAll(true)}>
          {own.length - shown.length} more
        </Button>
      )}
    </div>
  )
}
