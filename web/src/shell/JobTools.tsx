import { lazy, Suspense } from 'react'
import { useSearchParams } from 'react-router'
import type { JobOut } from '../api/client'
import { useThisJob } from '../job/context'
import { Button, buttonLook } from '../parts/Button'
import { Menu, MenuChoices, MenuHeading, MenuItem, MenuLinkTo } from '../parts/Menu'
import { FRACTIONS, LENGTH_STYLES } from '../parts/units'
import { useTheme } from './useTheme'

const NARROW_PX = 520 // one row has no room for more
const SheetsDialog = lazy(() => import('../sheets/SheetsDialog').then((all) => ({ default: all.SheetsDialog })))

/** Undo and redo, the sheets, the units of this job. */
export const JobTools = ({ job }: { job: JobOut }) => {
  const { edit, step } = useThisJob()
  const [search, setSearch] = useSearchParams()
  const sheets = search.has('sheet')
  const showSheets = (open: boolean) => setSearch(open ? { sheet: '' } : {}, { replace: true })
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
      <Button look="main" size="bar" className="whitespace-nowrap" onClick={() => showSheets(true)}>
        Sheets
      </Button>
      {sheets && (
        <Suspense fallback={null}>
          <SheetsDialog job={job} onClose={() => showSheets(false)} />
        </Suspense>
      )}
    </>
  )
}
