import type { Panel, StationState } from '../api/client'
import { Button } from '../parts/Button'
import { endWay, useWay } from './way'

type WayLineProps = { panel: Panel; stations: readonly StationState[]; onGo: (station: string) => void }

/** The one thing to do at this station, for who sees it for the first time. */
export const WayLine = ({ panel, stations, onGo }: WayLineProps) => {
  if (!useWay()) return null
  const next = stations[stations.findIndex((one) => one.key === panel.station) + 1]
  return (
    <section
      aria-label="Your way through"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-brass border-l-[6px] bg-lift px-4 py-1.5"
    >
      <p className="min-w-[18rem] flex-1 leading-snug">{panel.says}</p>
      {next ? (
        <Button look="main" onClick={() => onGo(next.key)}>
          Next: {next.label}
        </Button>
      ) : null}
      <Button onClick={endWay}>{next ? 'End this' : 'Done'}</Button>
    </section>
  )
}
