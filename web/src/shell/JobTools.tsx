import { useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { ask, type JobOut } from '../api/client'
import { keys } from '../api/keys'
import { useThisJob } from '../job/context'
import { Button, buttonLook } from '../parts/Button'
import { Menu, MenuChoices, MenuHeading, MenuItem, MenuLink, MenuLinkTo } from '../parts/Menu'
import { FRACTIONS, LENGTH_STYLES } from '../parts/units'
import { useSheet } from './useSheet'
import { useTheme } from './useTheme'

const NARROW_PX = 520 // one row has no room for more
const JOB_FILE = { key: 'file', label: 'Job file', group: 'Open files', note: 'JSON', papers: false }

/** Undo and redo, the sheets, the units of this job. */
export const JobTools = ({ job }: { job: JobOut }) => {
  const { edit, step } = useThisJob()
  const { making, make, stop } = useSheet()
  const { style, denominator } = job.document.units
  const fractional = style === 'in-fraction' || style === 'ft-in'
  const [theme, turn] = useTheme()
  const narrow = window.innerWidth <= NARROW_PX
  const short = LENGTH_STYLES.find((one) => one.value === style)?.short
  return (
    <>
      <Button size="bar" disabled={!job.can_undo} onClick={() => void step('undo')}>
        Undo
      </Button>
      <Button size="bar" className="max-[520px]:hidden" disabled={!job.can_redo} onClick={() => void step('redo')}>
        Redo
      </Button>
      <Menu
        label={narrow ? 'More' : 'Units'}
        className={`whitespace-nowrap ${buttonLook('plain', 'bar')}`}
        trigger={
          <>
            <span className="max-[520px]:hidden">{`${short}${fractional ? `, 1/${denominator}` : ''}`} ▾</span>
            <span className="min-[521px]:hidden">⋯</span>
          </>
        }
      >
        {narrow && (
          <>
            <MenuItem onSelect={() => void step('redo')}>Redo</MenuItem>
            <MenuItem onSelect={turn}>{theme === 'dark' ? 'Bright theme' : 'Dark theme'}</MenuItem>
            <MenuLinkTo href={`/day/${job.id}`}>The crew's page</MenuLinkTo>
          </>
        )}
        <MenuHeading>Lengths in this job</MenuHeading>
        <MenuChoices
          value={style}
          choices={LENGTH_STYLES}
          onChange={(value) => void edit([{ pointer: '/units/style', value }])}
        />
        {fractional && (
          <>
            <MenuHeading>Finest mark on the tape</MenuHeading>
            <MenuChoices
              value={String(denominator)}
              choices={FRACTIONS}
              onChange={(value) => void edit([{ pointer: '/units/denominator', value: Number(value) }])}
            />
          </>
        )}
      </Menu>
      {making && (
        <output className="flex items-center gap-2 whitespace-nowrap">
          {making.trouble ? (
            <span className="max-w-72 whitespace-normal leading-tight">
              <strong className="text-stop">{making.label} not made.</strong> {making.trouble}
            </span>
          ) : (
            <span>
              Making the {making.label.toLowerCase()}
              {making.progress > 0 && `, ${Math.round(100 * making.progress)}\u00a0%`}
            </span>
          )}
          <Button size="bar" onClick={stop}>
            {making.trouble ? 'Close' : 'Stop'}
          </Button>
        </output>
      )}
      <Menu label="" className={`whitespace-nowrap ${buttonLook('main', 'bar')}`} trigger={<>Sheets ▾</>}>
        <Sheets job={job} onMake={(label, path) => void make(label, path)} />
      </Menu>
    </>
  )
}

/** Every sheet the server makes, in its own order, and the job file. */
const Sheets = ({ job, onMake }: { job: JobOut; onMake: (label: string, path: string) => void }) => {
  const list = useQuery({
    queryKey: keys.sheets,
    queryFn: () => ask.get('/api/sheets'),
    staleTime: Number.POSITIVE_INFINITY,
  })
  const sheets = [...(list.data ?? []), JOB_FILE]
  const groups = [...new Set(sheets.map((one) => one.group))]
  const papers = (one: (typeof sheets)[number]) => (one.papers ? ['a4', 'letter'] : [''])
  const href = (key: string, paper: string) =>
    key === 'file' ? `/api/jobs/${job.id}/file` : `/api/jobs/${job.id}/sheets/${key}${paper && `?paper=${paper}`}`
  return groups.map((group) => (
    <Fragment key={group}>
      <MenuHeading>{group}</MenuHeading>
      {sheets
        .filter((one) => one.group === group)
        .flatMap((one) =>
          papers(one).map((paper) => (
            <MenuLink
              key={one.key + paper}
              href={href(one.key, paper)}
              onFetch={one.key === 'file' ? undefined : () => onMake(one.label, href(one.key, paper))}
              note={[one.note, paper.replace('a4', 'A4')].filter(Boolean).join(', ')}
            >
              {one.label}
            </MenuLink>
          )),
        )}
    </Fragment>
  ))
}
