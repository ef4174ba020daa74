import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { ask, type Edit, type JobOut, type TensionSheet } from '../api/client'
import { keys } from '../api/keys'
import { useJob } from '../job/useJob'
import { Pick } from '../parts/Button'
import { OrderBench } from './OrderBench'
import type { Run } from './pieces'
import { WhatIf } from './WhatIf'
import { Wrinkles } from './Wrinkles'

export type BenchSheet = TensionSheet

type Tab = 'order' | 'what-if' | 'wrinkles'
const TABS = [
  ['order', 'The order, watched'],
  ['what-if', 'What if'],
  ['wrinkles', 'Wrinkles'],
] as const

/** The tension bench of one job: watch the order work, ask what if, read wrinkles back into points. */
export const TensionBench = () => {
  const { jobId = '' } = useParams()
  const [search] = useSearchParams()
  const job = useJob(jobId)
  const [tab, setTab] = useState<Tab>(() => TABS.find(([key]) => key === search.get('tab'))?.[0] ?? 'order')
  const shown = job.shown
  const version = shown?.version ?? 0
  const bench = useQuery({
    queryKey: keys.compared('tension-bench', jobId, version),
    queryFn: () => ask.get('/api/jobs/{job_id}/tension/bench', { params: { path: { job_id: jobId } } }),
    enabled: version > 0,
    placeholderData: (before) => before,
  })
  const kept = shown?.document.tension.simulated[0]?.rests ?? ''
  const keep = (round: { seen: string; moves: string }) => {
    const before = shown?.document.tension.rounds ?? []
    void job.edit([
      { pointer: '/tension/rounds', value: [...before, { id: `round-${Date.now().toString(36)}`, ...round }] } as Edit,
    ])
  }
  const take = (changes: Run['changes']) => void job.edit(changes as Edit[])
  return (
    <main className="flex h-dvh flex-col bg-velvet text-ink max-md:h-auto max-md:min-h-dvh">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-seam border-b px-4 py-2">
        <Link
          to={`/jobs/${jobId}/tension`}
          className="inline-flex min-h-11 items-center underline decoration-dotted underline-offset-4"
        >
          {shown?.document.name ?? 'The job'}
        </Link>
        <h1 className="font-bold text-lead">Tension bench</h1>
        <nav aria-label="Benches" className="flex gap-1">
          {TABS.map(([key, name]) => (
            <Pick key={key} on={tab === key} onClick={() => setTab(key)}>
              {name}
            </Pick>
          ))}
        </nav>
        <Link
          to="/trainer/cloth"
          className="ml-auto inline-flex min-h-11 items-center underline decoration-dotted underline-offset-4"
        >
          Trainer
        </Link>
      </header>
      {bench.isError && <p className="m-4 border-stop border-l-[6px] bg-stop-ground px-3 py-1.5">{bench.error.message}</p>}
      {shown && bench.data && <Body job={shown} bench={bench.data} tab={tab} take={take} keep={keep} kept={kept} />}
    </main>
  )
}

type BodyProps = {
  job: JobOut
  bench: BenchSheet
  tab: Tab
  take: (changes: Run['changes']) => void
  keep: (round: { seen: string; moves: string }) => void
  kept: string
}
const Body = ({ job, bench, tab, take, keep, kept }: BodyProps) => {
  if (tab === 'what-if') return <WhatIf job={job} />
  if (tab === 'wrinkles') return <Wrinkles job={job} bench={bench} keep={keep} />
  return <OrderBench job={job} bench={bench} take={take} kept={kept} />
}
