import { useState } from 'react'
import { Link } from 'react-router'
import { type ByZoom, type JobOut, type JoistTable, type Plan, toEdits } from '../../api/client'
import { useThisJob } from '../../job/context'
import { useShown } from '../../job/shown'
import { Button, buttonLook, Pick } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import { Cell, Line, Table } from '../../parts/Table'
import { StripTabs } from '../../parts/Tabs'
import { Projectors } from './Projectors'

const NAMES = [
  ['projectors', 'All projectors'],
  ['zoom', 'Aspect ratios by zoom'],
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
      beside={
        tab === 'projectors' && (
          <Link to="/stores/projector" className={`grid place-items-center ${buttonLook('plain')}`}>
            Stores
          </Link>
        )
      }
    >
      {tab === 'projectors' && <Projectors job={job} />}
      {tab === 'zoom' && <Zooms found={plan.tables.by_zoom} />}
      {tab === 'joists' && <Joists found={plan.tables.joists} />}
    </StripTabs>
  )
}

const Zooms = ({ found }: { found?: ByZoom | null }) => {
  const { shape, showShape } = useShown()
  if (!found)
    return <p className="p-3 text-quiet">Add aspect ratios at Size and place the lens: their zoom and shift stops stand here.</p>
  const shown = (
    <span key="shown" className="sr-only">
      On the wall
    </span>
  )
  const heads = ['Aspect ratio', 'Picture', 'Zoom stop', 'Shift stop', 'Light used', 'Spilled light', shown]
  return (
    <>
      <p className="py-1.5 font-semibold text-body">
        <Rich text={`${found.window[0]?.toUpperCase()}${found.window.slice(1)}.`} />
      </p>
      <Table label="Aspect ratios by zoom" heads={heads}>
        {found.rows.map((row) => (
          <Line key={row.id}>
            <Cell className="font-semibold">{row.aspect}</Cell>
            <Cell>
              <Rich text={row.picture} />
            </Cell>
            <Cell>
              {row.zoom}
              {row.trouble && <strong className="block text-fine text-stop">Stop · {row.trouble}</strong>}
            </Cell>
            <Cell>{row.shift}</Cell>
            <Cell>{row.light}</Cell>
            <Cell>
              <Rich text={row.spill} />
            </Cell>
            <Cell>
              <Pick on={shape === row.id} onClick={() => showShape(shape === row.id ? '' : row.id)}>
                <span className="sr-only">{row.aspect} </span>show light
              </Pick>
            </Cell>
          </Line>
        ))}
      </Table>
    </>
  )
}

const Joists = ({ found }: { found?: JoistTable | null }) => {
  const { edit } = useThisJob()
  if (!found?.rows.length)
    return (
      <p className="p-3 text-quiet">Survey the joists and hang the projector: what the plate can be fixed into stands here.</p>
    )
  return (
    <Table label="Joists near the lens" heads={['Joist', 'Center at', 'Lens comes to', 'Lens moves', 'From there']}>
      {found.rows.map((row) => (
        <Line key={row.number} lit={row.here} className={row.here ? 'font-semibold' : ''}>
          <Cell>{row.number}</Cell>
          <Cell>
            <Rich text={row.center} />
          </Cell>
          <Cell>
            <Rich text={row.lens} />
          </Cell>
          <Cell>
            {row.here && 'here'}
            {!row.here && !row.fits && <Rich text={row.move} />}
            {!row.here && row.fits && (
              <Button className="text-left" onClick={() => void edit(toEdits(row.changes))}>
                <Rich text={row.move} />
              </Button>
            )}
          </Cell>
          <Cell>{row.fits ? 'fills the screen' : <strong className="text-stop">not from there</strong>}</Cell>
        </Line>
      ))}
    </Table>
  )
}
