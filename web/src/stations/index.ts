export { Findings } from './Panel'
export { StepStrip } from './StepStrip'
export { PANELS } from './stations'
