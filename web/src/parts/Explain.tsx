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
