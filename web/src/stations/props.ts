import type { JobOut, Plan } from '../api/client'

/** What a part of a station's panel is drawn from. */
export type StationProps = { job: JobOut; plan: Plan; station: string }
