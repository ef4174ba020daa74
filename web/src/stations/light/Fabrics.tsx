import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type JobOut } from '../../api/client'
import { keys } from '../../api/keys'
import { Columns } from '../../compare'
import { useThisJob } from '../../job/context'

const LEAST_PX = 76

/** The shop's fabrics in this room, best first: each with its lobe and what its worst seat sees. */
export const Fabrics = ({ job }: { job: JobOut }) => {
  const { takeRecord } = useThisJob()
  const [looked, look] = useState('')
  const table = useQuery({
    queryKey: keys.compared('fabrics', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/fabrics', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
  })
  if (!table.data) return <p className="p-3 text-quiet">Trying every fabric of the stores.</p>
  const { rows, measures } = table.data
  const best = rows[0]
  return (
    <Columns
      job={job}
      what="fabrics"
      label="Fabrics ranked"
      leastPx={LEAST_PX}
      columns={rows.map((row) => ({
        key: row.key,
        title: row.name,
        called: <span className="hyphens-auto break-words text-center text-[13px] leading-[1.15]">{row.name}</span>,
        drawn: <Lobe points={row.lobe} name={row.name} />,
        chosen: row.chosen,
        judged: row.judged,
      }))}
      measures={measures}
      otherwise={
        best ? (
          <>
            <strong>{best.name}</strong> is {best.judged.reason}. Every number is the fabric's worst seat.
          </>
        ) : (
          'No fabric in the stores yet. Make one there.'
        )
      }
      looked={looked}
      onLook={look}
      onTake={(key) => void takeRecord('fabric', key)}
    />
  )
}

/** The gain lobe as a polar curve: straight out is the axis. */
const Lobe = ({ points, name }: { points: readonly (readonly number[])[]; name: string }) => {
  const most = Math.max(0.01, ...points.map(([, gain = 0]) => gain))
  const at = (sign: number) =>
    points.map(
      ([angle = 0, gain = 0]) =>
        `${40 + (sign * 36 * gain * Math.sin((angle * Math.PI) / 180)) / most},${38 - (34 * gain * Math.cos((angle * Math.PI) / 180)) / most}`,
    )
  const curve = [...at(-1).reverse(), ...at(1)].join(' ')
  return (
    <svg viewBox="0 0 80 42" className="h-7 w-12" role="img" aria-label={`Gain lobe of ${name}, ${most.toFixed(2)} on its axis`}>
      <path d="M2 38H78" stroke="var(--seam)" strokeWidth="1.500" />
      <polyline points={curve} fill="none" stroke="var(--chalk)" strokeWidth="2" />
    </svg>
  )
}
