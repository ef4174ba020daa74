import type { JobOut, Units } from '../api/client'
import { useThisJob } from '../job/context'
import { Menu, MenuChoices, MenuHeading, MenuLink } from '../parts/Menu'
import { BAR_BUTTON } from './TopBar'

const STYLES = [
  { value: 'in-fraction', label: 'inches and fractions' },
  { value: 'ft-in', label: 'feet, inches and fractions' },
  { value: 'in', label: 'inches, decimal' },
  { value: 'mm', label: 'millimetres' },
  { value: 'cm', label: 'centimetres' },
]
const FRACTIONS = ['8', '16', '32'].map((value) => ({ value, label: `1/${value} inch` }))
const SHORT: Record<string, string> = {
  'in-fraction': 'inches',
  'ft-in': 'feet, inches',
  in: 'inches, decimal',
  mm: 'mm',
  cm: 'cm',
}

/** Undo and redo, the sheets, the units of this job. */
export const JobTools = ({ job }: { job: JobOut }) => {
  const { edit, step } = useThisJob()
  const units = job.document.units as Required<Units>
  const base = `/api/jobs/${job.id}`
  const fractional = units.style === 'in-fraction' || units.style === 'ft-in'
  return (
    <>
      <button type="button" className={BAR_BUTTON} disabled={!job.can_undo} onClick={() => void step('undo')}>
        Undo
      </button>
      <button type="button" className={BAR_BUTTON} disabled={!job.can_redo} onClick={() => void step('redo')}>
        Redo
      </button>
      <Menu
        label="Units"
        className={BAR_BUTTON}
        trigger={<>{`${SHORT[units.style]}${fractional ? `, 1/${units.denominator}` : ''}`} ▾</>}
      >
        <MenuHeading>Lengths in this job</MenuHeading>
        <MenuChoices value={units.style} choices={STYLES} onChange={(value) => void edit([{ pointer: '/units/style', value }])} />
        {fractional && (
          <>
            <MenuHeading>Finest mark on the tape</MenuHeading>
            <MenuChoices
              value={String(units.denominator)}
              choices={FRACTIONS}
              onChange={(value) => void edit([{ pointer: '/units/denominator', value: Number(value) }])}
            />
          </>
        )}
      </Menu>
      <Menu
        label=""
        className="inline-flex min-h-10 items-center gap-2 whitespace-nowrap rounded-md bg-brass px-4 font-bold text-on-brass max-[520px]:px-3"
        trigger={<>Sheets ▾</>}
      >
        <MenuHeading>For the wall</MenuHeading>
        <MenuLink href={`${base}/sheets/wall-sheet`} note="PDF, A4">
          Wall sheet
        </MenuLink>
        <MenuLink href={`${base}/sheets/wall-sheet?paper=letter`} note="PDF, letter">
          Wall sheet
        </MenuLink>
        <MenuHeading>For the client and the order</MenuHeading>
        <MenuLink href={`${base}/sheets/proposal`} note="PDF">
          Proposal
        </MenuLink>
        <MenuLink href={`${base}/sheets/order-check`} note="PDF">
          Order check
        </MenuLink>
        <MenuLink href={`${base}/sheets/rough-in`} note="PDF">
          Rough-in, for cable and power
        </MenuLink>
        <MenuHeading>Open files</MenuHeading>
        <MenuLink href={`${base}/sheets/frame-and-holes`} note="DXF, mm">
          Frame and holes
        </MenuLink>
        <MenuLink href={`${base}/sheets/marks`} note="CSV">
          Marks
        </MenuLink>
        <MenuLink href={`${base}/sheets/wall-drawing`} note="SVG">
          Wall drawing
        </MenuLink>
        <MenuLink href={`${base}/sheets/tension-drawing`} note="SVG">
          Tension drawing
        </MenuLink>
        <MenuLink href={`${base}/file`} note="JSON">
          Job file
        </MenuLink>
      </Menu>
    </>
  )
}
