import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { buttonLook } from '../parts/Button'
import type { Action, Find as FindLine } from './Find'
import { useCommands } from './useCommands'
import { useTheme } from './useTheme'

/** The line that finds; while the server is away it is asked for again and again. */
const loadFind = (): Promise<{ default: typeof FindLine }> =>
  import('./Find').then(
    (all) => ({ default: all.Find }),
    () => new Promise((again) => setTimeout(again, AGAIN_MS)).then(loadFind),
  )
const Find = lazy(loadFind)
const AGAIN_MS = 2000
const SOON_MS = 600 // once the page's first number stands
const BAR_BUTTON = `inline-flex min-w-10 items-center justify-center ${buttonLook('plain', 'bar')}`

type TopBarProps = {
  children: ReactNode
  tools: ReactNode
  onHelp: () => void
  oneRow?: boolean
  jobId?: string
  actions?: readonly Action[]
}

/** The bar every page has: where you are on the left, what you can do on the right. oneRow: on a phone the tools hold the rest. */
export const TopBar = ({ children, tools, onHelp, oneRow = false, jobId = '', actions = [] }: TopBarProps) => {
  const [theme, turn] = useTheme()
  const [finding, setFinding] = useState(false)
  const go = useNavigate()
  useEffect(() => {
    // there before it is asked for, so that the first letters typed into it are not lost
    const soon = window.setTimeout(() => void loadFind(), SOON_MS)
    return () => window.clearTimeout(soon)
  }, [])
  useCommands({ theme: turn, help: onHelp, find: () => setFinding(true) })
  const everywhere: Action[] = [
    { label: theme === 'dark' ? 'Bright theme' : 'Dark theme', words: 'light dark color', act: turn },
    { label: 'Show the keys', words: 'help shortcuts keyboard', act: onHelp },
    { label: 'Back to the yard', words: 'jobs list home', act: () => void go('/') },
    { label: 'Open the stores', words: 'records fabrics projectors kits', act: () => void go('/stores') },
    { label: 'Open the trainer', words: 'practice exercise', act: () => void go('/trainer') },
  ]
  const here = oneRow ? `${BAR_BUTTON} max-[520px]:hidden` : BAR_BUTTON
  return (
    <header className="flex min-h-14 shrink-0 flex-wrap items-center gap-x-3 gap-y-2 border-seam border-b px-4 max-[820px]:py-2">
      <Link to="/" aria-label="Gantline, the yard" className="flex items-center gap-2.5 rounded">
        <svg viewBox="0 0 32 32" className="size-8" aria-hidden="true">
          <path
            d="M16 2v7M16 9c-6 0-8 4-8 7.500S11 24 16 24s8-3.500 8-7.500-2-7.500-8-7.500"
            fill="none"
            stroke="var(--brass)"
            strokeWidth="2.8"
            strokeLinecap="round"
          />
          <path d="M9 28.500h14" stroke="var(--ink)" strokeWidth="2.800" strokeLinecap="round" />
        </svg>
      </Link>
      <div className="flex min-w-0 flex-1 items-baseline gap-3">{children}</div>
      <div
        className={
          oneRow
            ? 'flex items-center gap-2 max-[520px]:gap-1.5'
            : 'contents max-[820px]:order-last max-[820px]:flex max-[820px]:basis-full max-[820px]:gap-2'
        }
      >
        {tools}
      </div>
      <button type="button" onClick={() => setFinding(true)} className={here} aria-label="Find anything">
        <svg viewBox="0 0 20 20" className="size-5" aria-hidden="true">
          <circle cx="8.500" cy="8.500" r="5" fill="none" stroke="currentColor" strokeWidth="1.800" />
          <path d="M12.500 12.500l4.500 4.500" stroke="currentColor" strokeWidth="2.200" strokeLinecap="round" />
        </svg>
      </button>
      {finding && (
        <Suspense fallback={null}>
          <Find jobId={jobId} actions={[...actions, ...everywhere]} onClose={() => setFinding(false)} />
        </Suspense>
      )}
      <button type="button" onClick={turn} className={here} aria-label={theme === 'dark' ? 'Bright theme' : 'Dark theme'}>
        <svg viewBox="0 0 20 20" className="size-5" aria-hidden="true">
          <circle cx="10" cy="10" r="6.500" fill="none" stroke="currentColor" strokeWidth="1.800" />
          <path d="M10 3.500a6.500 6.500 0 0 1 0 13Z" fill="currentColor" />
        </svg>
      </button>
      <button type="button" onClick={onHelp} className={here} aria-label="Keys">
        ?
      </button>
    </header>
  )
}
