import { useEffect, useRef } from 'react'
import { NavLink } from 'react-router'
import type { StationState } from '../api/client'
import { Rich } from '../parts/Num'

const SAID = { stop: 'stop', check: 'check', note: '' } as const

/** The rope of stations: each knot says by its shape how the station stands. */
export const Rope = ({ jobId, stations, current }: { jobId: string; stations: readonly StationState[]; current: string }) => {
  const nav = useRef<HTMLElement>(null)
  useEffect(() => {
    // on a phone the rope lies across and is longer than the screen
    const knot = nav.current?.querySelector<HTMLElement>(`[data-knot="${current}"]`)
    if (nav.current && knot) nav.current.scrollLeft = knot.offsetLeft - (nav.current.clientWidth - knot.offsetWidth) / 2
  }, [current])
  return (
    <nav
      ref={nav}
      aria-label="Stations"
      className="relative w-[160px] shrink-0 overflow-y-auto py-3 pl-2 max-[820px]:w-full max-[820px]:overflow-x-auto max-[820px]:py-1"
    >
      <svg className="absolute top-0 left-[17px] h-full w-[10px] max-[820px]:hidden" aria-hidden="true">
        <defs>
          <pattern id="lay" width="10" height="9" patternUnits="userSpaceOnUse">
            <path d="M0 7L10 1" stroke="var(--brass)" strokeWidth="3.4" opacity=".8" />
          </pattern>
        </defs>
        <rect width="10" height="100%" fill="url(#lay)" rx="4" />
      </svg>
      <ol className="relative flex h-full flex-col justify-around max-[820px]:flex-row max-[820px]:justify-start max-[820px]:gap-5">
        {stations.map((one) => (
          <li key={one.key} data-knot={one.key}>
            <NavLink to={`/jobs/${jobId}/${one.key}`} className="flex min-h-14 items-center gap-3 rounded-md pr-1">
              <Knot state={one} current={one.key === current} />
              <span className="min-w-0 flex-1">
                <span className={`block leading-tight ${one.key === current ? 'font-bold text-value' : 'font-medium text-body'}`}>
                  {one.label}
                </span>
                <span
                  className={`block whitespace-nowrap text-fine leading-tight ${one.worst === 'stop' ? 'text-stop' : 'text-quiet'}`}
                >
                  <Rich text={one.gist} />
                </span>
                {one.worst && SAID[one.worst] && <span className="sr-only">, {SAID[one.worst]}</span>}
              </span>
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  )
}

const Knot = ({ state, current }: { state: StationState; current: boolean }) => (
  <svg viewBox="0 0 28 28" className="size-7 shrink-0" aria-hidden="true">
    <circle cx="14" cy="14" r="13" fill="var(--velvet)" />
    {state.worst === 'stop' ? (
      <path d="M9 3h10l6 6v10l-6 6H9l-6-6V9Z" fill="var(--stop-ground)" stroke="var(--stop)" strokeWidth="2.4" />
    ) : (
      <circle
        cx="14"
        cy="14"
        r="10"
        fill={current ? 'var(--brass)' : 'var(--bench)'}
        stroke="var(--brass)"
        strokeWidth="2.4"
        strokeDasharray={state.worst === 'check' ? '4 3.2' : undefined}
      />
    )}
    {state.worst === 'stop' && <path d="M10 10l8 8M18 10l-8 8" stroke="var(--stop)" strokeWidth="2.6" strokeLinecap="round" />}
    {state.begun && state.worst !== 'stop' && state.worst !== 'check' && (
      <path
        d="M9.500 14.500l3 3 6-7"
        fill="none"
        stroke={current ? 'var(--on-brass)' : 'var(--brass)'}
        strokeWidth="2.400"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    )}
    {state.worst === 'check' && <circle cx="14" cy="14" r="2.800" fill={current ? 'var(--on-brass)' : 'var(--brass)'} />}
  </svg>
)
