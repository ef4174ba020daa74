import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, type JobOut, type Plan } from '../../api/client'
import { keys } from '../../api/keys'
import { StripTabs } from '../../parts/Tabs'
import { said, Trouble } from '../../parts/Trouble'
import { Cuts } from './Cuts'
import { MaterialsTable } from './MaterialsTable'
import { RollDrawing } from './RollDrawing'

const NAMES = [
  ['cuts', 'Cutting bench'],
  ['fabric', 'Fabric on the roll'],
  ['materials', 'Materials'],
] as const

/** The workshop's three tables: boards and cuts, the fabric on its roll, everything to buy. */
export const FrameStrip = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const [tab, setTab] = useState<(typeof NAMES)[number][0]>(plan.tables.cut_list ? 'cuts' : 'materials')
  const bench = useQuery({
    queryKey: keys.compared('bench', job.id, job.version),
    queryFn: () => ask.get('/api/jobs/{job_id}/bench', { params: { path: { job_id: job.id } } }),
    placeholderData: (before) => before,
  })
  const waiting = bench.error ? <Trouble text={said(bench.error)} /> : <p className="p-3 text-quiet">Working out the cuts.</p>
  return (
    <StripTabs label="Workshop" names={NAMES} shown={tab} show={setTab}>
      {tab === 'fabric' && <RollDrawing roll={plan.tables.roll ?? null} />}
      {tab === 'cuts' && (bench.data ? <Cuts cutting={bench.data.cutting} done={job.document.frame.cut} /> : waiting)}
      {tab === 'materials' &&
        (bench.data ? <MaterialsTable list={bench.data.materials} kept={job.document.materials.items} /> : waiting)}
    </StripTabs>
  )
}
