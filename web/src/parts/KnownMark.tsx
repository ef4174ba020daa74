import type { Figure } from '../api/client'

/** How a number is known: dot measured, square decided, ring computed, dashed ring assumed. */
export const KnownMark = ({ known, rests = false }: { known: Figure['known']; rests?: boolean }) => (
  <svg viewBox="0 0 16 16" className="size-4 shrink-0" role="img" aria-label={rests ? 'computed, rests on an assumption' : known}>
    {known === 'measured' && <circle cx="8" cy="8" r="5" fill="currentColor" />}
    {known === 'decided' && <rect x="3.5" y="3.5" width="9" height="9" fill="var(--brass)" />}
    {known === 'computed' && <circle cx="8" cy="8" r="4.6" fill="none" stroke="var(--chalk)" strokeWidth="2.2" />}
    {known === 'computed' && rests && <circle cx="13" cy="3" r="2.6" fill="var(--brass)" />}
    {known === 'assumed' && (
      <circle cx="8" cy="8" r="5.4" fill="none" stroke="var(--brass)" strokeWidth="2" strokeDasharray="2.6 2.2" />
    )}
  </svg>
)
