import { useQuery } from '@tanstack/react-query'
import { ask } from '../api/client'
import { keys } from '../api/keys'

/** Small pictures of what a length is measured between, where it is typed. */
const PICTURES: Record<string, { says: string; d: string; strong: string }> = {
  drop: {
    says: 'from the middle of the upper hole up to the top of the frame',
    d: 'M20 20h120v70h-120Z M48 34m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M112 34m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0',
    strong: 'M152 20v14M147 20h10M147 34h10',
  },
  row_offset: {
    says: 'the frame’s height less the distance from the upper to the lower holes: the two gaps together',
    d: 'M20 12h120v86h-120Z M48 24m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M48 84m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M112 24m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M112 84m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0',
    strong: 'M152 12v12M147 12h10M147 24h10M152 84v14M147 84h10M147 98h10',
  },
  spacing_share: {
    says: 'bracket to bracket, as a share of the frame’s width',
    d: 'M20 30h120v50h-120Z M42 38m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M118 38m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M20 96h120M20 92v8M140 92v8',
    strong: 'M42 18h76M42 13v10M118 13v10',
  },
  lift_on: {
    says: 'free height over the frame while it is lifted over its brackets',
    d: 'M10 10h140 M20 34h120v60h-120Z M20 24h120v-0',
    strong: 'M152 10v24M147 10h10M147 34h10M80 50v-18M74 38l6 -7l6 7',
  },
  lens_from_wall: {
    says: 'from the bare wall to the front of the lens',
    d: 'M20 8v92 M14 16l6-6M14 34l6-6M14 52l6-6M14 70l6-6M14 88l6-6 M112 40h44v28h-44Z M104 47h8v14h-8Z',
    strong: 'M20 84h84M20 78v12M104 78v12',
  },
  lens_y: {
    says: 'from the floor to the middle of the lens',
    d: 'M10 100h150 M96 26h48v28h-48Z M88 33h8v14h-8Z M120 54v46',
    strong: 'M62 40v60M56 40h30M56 100h12',
  },
  ratio_low: {
    says: 'distance over picture width',
    d: 'M20 10v88 M150 54L20 10M150 54L20 98 M146 46h16v16h-16Z',
    strong: 'M8 10v88M3 10h10M3 98h10M20 54h126M20 48v12',
  },
  offset: {
    says: 'how far the picture stands above the lens, as a share of its height',
    d: 'M20 8v52 M150 80L20 8M150 80L20 60 M144 74h18v12h-18Z M8 80h136',
    strong: 'M40 60v20M34 60h12M34 80h12',
  },
  shift_up: {
    says: 'how far the lens moves the picture up',
    d: 'M20 44h90v52h-90Z',
    strong: 'M20 12h90v52h-90Z M134 80v-36M126 52l8-8l8 8',
  },
  border_side: {
    says: 'how much of the frame shows beside the picture',
    d: 'M16 14h138v80h-138Z M34 32h102v44h-102Z',
    strong: 'M16 104h18M16 98v10M34 98v10',
  },
  standoff: {
    says: 'from the bare wall to the back of the frame',
    d: 'M20 6v96 M14 18l6-6M14 42l6-6M14 66l6-6M14 90l6-6 M52 20h22v68h-22Z M80 20v68',
    strong: 'M20 100h32M20 94v12M52 94v12',
  },
  ceiling_gap: {
    says: 'from the ceiling to the top of the frame',
    d: 'M8 10h154 M30 40h110v58h-110Z',
    strong: 'M85 10v30M79 10h12M79 40h12',
  },
  stud_spacing: {
    says: 'center of one stud to the center of the next',
    d: 'M24 6h14v84h-14Z M78 6h14v84h-14Z M132 6h14v84h-14Z',
    strong: 'M31 100h54M31 94v12M85 94v12',
  },
  datum: {
    says: 'one level line that every height is marked from',
    d: 'M8 96q40-8 80 0t74-4 M40 14h90v44h-90Z',
    strong: 'M8 74h154M20 66v16M150 66v16',
  },
  cleat_point: {
    says: 'from the long point of the frame’s piece up to the top of the frame',
    d: 'M30 6v96h14v-96Z M44 40l20 14v32h-20Z',
    strong: 'M96 6v34M90 6h12M90 40h12',
  },
  plate_to_axis: {
    says: 'from the underside of the plate down to the middle of the lens',
    d: 'M6 10h158 M60 10h50v8h-50Z M85 18v40 M50 58h70v28h-70Z M42 66h8v12h-8Z',
    strong: 'M148 18v54M142 18h12M142 72h12',
  },
  side_play: {
    says: 'how far the hung frame can still be slid, to each side',
    d: 'M30 34h100v50h-100Z M52 42m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0 M108 42m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0',
    strong: 'M8 60h20M8 55v10M28 55v10M132 60h20M132 55v10M152 55v10',
  },
}

/** What every field is, asked for once, when the first one is looked at. */
export const useSays = (name: string): string => {
  const said = useQuery({
    queryKey: keys.fields,
    queryFn: () => ask.get('/api/find/fields'),
    staleTime: Number.POSITIVE_INFINITY,
  })
  return said.data?.find((one) => one.key === name)?.says ?? ''
}

/** What a field is: a sentence, and where a picture tells more a small one; or nothing. */
export const Explain = ({ name }: { name: string }) => {
  const found = PICTURES[name]
  const says = useSays(name) || found?.says
  if (!says) return null
  return (
    <span className="absolute top-full right-0 z-20 mt-1 flex w-64 items-center gap-2 rounded border border-seam bg-lift p-2 text-left text-fine leading-snug shadow-xl">
      {found && (
        <svg viewBox="0 0 170 108" className="w-24 shrink-0" aria-hidden="true">
          <path d={found.d} fill="none" stroke="var(--quiet)" strokeWidth="2.5" />
          <path d={found.strong} fill="none" stroke="var(--brass)" strokeWidth="4" />
        </svg>
      )}
      {says}
    </span>
  )
}

/** The same in a line of a menu. */
export const WhatIs = ({ name }: { name: string }) => {
  const says = useSays(name)
  return says ? <p className="max-w-72 px-3 pt-2 text-small leading-snug">{says}</p> : null
}
