import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import {
  api,
  ask,
  type ByZoom,
  type JobOut,
  type JoistRow,
  type Plan,
  type ProjectorRow,
  type ProjectorTable,
  toEdits,
} from '../api/client'
import { useThisJob } from '../job/context'
import { useShown } from '../job/shown'
import { Rich } from '../parts/Num'
import { StripTabs } from '../parts/Tabs'
import { RecordFiles } from './RecordFiles'

const NAMES = [
  ['projectors', 'All projectors'],
  ['zoom', 'Shapes by zoom'],
  ['joists', 'Joists'],
] as const

/** The shop's projectors for this screen; content by zoom; what the mount can be fixed to. */
export const ThrowStrip = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const [tab, setTab] = useState<(typeof NAMES)[number][0]>('projectors')
  return (
    <StripTabs
      label="Throw tables"
      names={NAMES}
      shown={tab}
      show={setTab}
      beside={tab === 'projectors' && <RecordFiles kind="projector" />}
    >
      {tab === 'projectors' && <Projectors job={job} />}
      {tab === 'zoom' && <Zooms found={plan.by_zoom} />}
      {tab === 'joists' && <Joists rows={plan.joists} />}
    </StripTabs>
  )
}

const CELL = 'px-2 py-1 align-top'
const HEAD = 'sticky top-0 z-10 bg-velvet text-left text-[13px] text-quiet'
const SORTS = [
  { key: '', label: 'Projector' },
  { key: 'luminance', label: 'cd/m²' },
  { key: 'noise', label: 'Noise' },
  { key: 'price', label: 'Price' },
] as const

const Projectors = ({ job }: { job: JobOut }) => {
  const { edit, takeRecord } = useThisJob()
  const [sort, setSort] = useState<string>('')
  const table = useQuery({
    queryKey: ['projectors', job.id, job.version],
    queryFn: () => ask<ProjectorTable>(api.GET('/api/jobs/{job_id}/projectors', { params: { path: { job_id: job.id } } })),
    placeholderData: (before) => before,
  })
  if (!table.data) return <p className="p-3 text-quiet">Trying every projector of the stores.</p>
  const by = (row: ProjectorRow) => row.sorts[sort] ?? 0
  const rows =
    sort === '' ? table.data.rows : [...table.data.rows].sort((a, b) => (sort === 'luminance' ? by(b) - by(a) : by(a) - by(b)))
  const sorter = (at: number) => (
    <button
      type="button"
      onClick={() => setSort(SORTS[at]?.key ?? '')}
      className={`underline decoration-dotted underline-offset-4 ${sort === SORTS[at]?.key ? 'text-ink' : ''}`}
    >
      {SORTS[at]?.label}
    </button>
  )
  return (
    <table className="w-full min-w-[740px] text-[14.5px]" aria-label="Projectors compared">
      <thead className={HEAD}>
        <tr>
          <th className={`${CELL} font-medium`}>{sorter(0)}</th>
          <th className={`${CELL} w-[31%] font-medium`}>From here</th>
          <th className={`${CELL} font-medium`}>
            {sorter(1)}
            <span className="block">pixel</span>
          </th>
          <th className={`${CELL} font-medium`}>
            Contrast
            <span className="block max-w-28 text-[12.5px] leading-tight">{table.data.states.join(' · ')}</span>
          </th>
          <th className={`${CELL} font-medium`}>
            {sorter(2)}
            <span className="block">{sorter(3)}</span>
          </th>
          <th className={`${CELL} w-[24%] font-medium`}>Could be</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.key} className={`border-seam border-t ${row.chosen ? 'bg-lift' : ''}`}>
            <td className={CELL}>
              <button
                type="button"
                disabled={row.chosen}
                onClick={() => void takeRecord('projector', row.key)}
                className="flex min-h-9 items-start gap-2 text-left font-semibold"
              >
                <span
                  aria-hidden="true"
                  className={`mt-1 size-3 shrink-0 border-2 border-brass ${row.chosen ? 'bg-brass' : ''}`}
                />
                <span className="whitespace-nowrap">
                  <span className="sr-only">Take </span>
                  {row.name}
                  <span className="block font-normal text-[13px] text-quiet">{row.sort}</span>
                </span>
              </button>
            </td>
            <td className={`${CELL} text-[13.5px] leading-tight`}>
              <strong className={row.fits ? '' : 'text-stop'}>{row.fits ? 'Fits' : 'No'} · </strong>
              <Rich text={[row.margin, row.verdict].filter(Boolean).join('. ')} />
              {row.sizes && (
                <span className="block pt-0.5 text-quiet">
                  <Rich text={`fills ${row.sizes} from here`} />
                </span>
              )}
            </td>
            <td className={CELL}>
              {row.luminance}
              <span className="block text-[13.5px] text-quiet">{row.pixels}</span>
            </td>
            <td className={`${CELL} whitespace-nowrap`}>{row.contrasts.join(' · ')}</td>
            <td className={`${CELL} whitespace-nowrap text-right`}>
              {row.noise}
              <span className="block text-[13.5px] text-quiet">{row.price}</span>
            </td>
            <td className={`${CELL} text-[13.5px] leading-tight`}>
              {row.changes.length > 0 ? (
                <button
                  type="button"
                  onClick={() => void edit(toEdits(row.changes))}
                  className="min-h-9 rounded border border-seam px-2 py-1 text-left hover:border-brass"
                >
                  <span className="sr-only">Put {row.name} </span>
                  <Rich text={row.place} />
                </button>
              ) : (
                <span className="text-quiet">{row.place}</span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const Zooms = ({ found }: { found: ByZoom | null }) => {
  const { shape, showShape } = useShown()
  if (!found)
    return <p className="p-3 text-quiet">Add content shapes at Size and place the lens: their zoom and shift stops stand here.</p>
  return (
    <>
      <p className="py-1.5 font-semibold text-[15.5px]">
        <Rich text={`${found.window[0]?.toUpperCase()}${found.window.slice(1)}.`} />
      </p>
      <table className="w-full text-[14.5px]" aria-label="Shapes by zoom">
        <thead className={HEAD}>
          <tr>
            {['Shape', 'Picture', 'Zoom stop', 'Shift stop', 'Light used', 'Grey light past the picture', ''].map((one) => (
              <th key={one} className={`${CELL} font-medium`}>
                {one || <span className="sr-only">On the wall</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.rows.map((row) => (
            <tr key={row.index} className="border-seam border-t">
              <td className={`${CELL} font-semibold`}>{row.aspect}</td>
              <td className={CELL}>
                <Rich text={row.picture} />
              </td>
              <td className={CELL}>
                {row.zoom}
                {row.trouble && <strong className="block text-[13.5px] text-stop">Stop · {row.trouble}</strong>}
              </td>
              <td className={CELL}>{row.shift}</td>
              <td className={CELL}>{row.light}</td>
              <td className={CELL}>
                <Rich text={row.spill} />
              </td>
              <td className={CELL}>
                <button
                  type="button"
                  aria-pressed={shape === row.index}
                  onClick={() => showShape(shape === row.index ? null : row.index)}
                  className={`min-h-9 rounded px-2 ${shape === row.index ? 'bg-lift font-semibold' : 'text-quiet'}`}
                >
                  <span className="sr-only">{row.aspect} </span>on the wall
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

const JOIST_CELL = 'px-2 py-1 align-middle'

const Joists = ({ rows }: { rows: readonly JoistRow[] }) => {
  const { edit } = useThisJob()
  if (rows.length === 0)
    return (
      <p className="p-3 text-quiet">Survey the joists and hang the projector: what the plate can be fixed into stands here.</p>
    )
  return (
    <table className="w-full text-[15px]" aria-label="Joists near the lens">
      <thead className={HEAD}>
        <tr>
          {['Joist', 'Centre at', 'Lens comes to', 'Lens moves', 'From there'].map((one) => (
            <th key={one} className={`${CELL} font-medium`}>
              {one}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.number} className={`border-seam border-t ${row.here ? 'bg-lift font-semibold' : ''}`}>
            <td className={JOIST_CELL}>{row.number}</td>
            <td className={JOIST_CELL}>
              <Rich text={row.centre} />
            </td>
            <td className={JOIST_CELL}>
              <Rich text={row.lens} />
            </td>
            <td className={JOIST_CELL}>
              {row.here && 'here'}
              {!row.here && !row.fits && <Rich text={row.move} />}
              {!row.here && row.fits && (
                <button
                  type="button"
                  onClick={() => void edit(toEdits(row.changes))}
                  className="min-h-9 rounded border border-seam px-2 text-left hover:border-brass"
                >
                  <Rich text={row.move} />
                </button>
              )}
            </td>
            <td className={JOIST_CELL}>
              {row.fits ? 'fills the screen' : <strong className="text-stop">not from there</strong>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
