import type { JobOut, Plan } from '../api/client'
import { TapeStrip } from '../board'
import { Moves } from './align/Moves'
import { DayStrip } from './day/DayStrip'
import { FrameStrip } from './frame/FrameStrip'
import { Acts } from './hang/Acts'
import { LightStrip } from './light/LightStrip'
import { SizeStrip } from './size/SizeStrip'
import { StepStrip } from './tension/StepStrip'
import { ThrowStrip } from './throw/ThrowStrip'
import { BorderStrip } from './trim/BorderStrip'

type StripProps = { job: JobOut; plan: Plan; strip: string; at: number; onStep: (at: number) => void; onDone: () => void }

/** What stands below the board at a station. */
export const Strip = ({ job, plan, strip, at, onStep, onDone }: StripProps) => {
  switch (strip) {
    case 'steps':
      return (
        <StepStrip
          steps={plan.tables.steps?.rows ?? []}
          after={plan.tables.steps?.after ?? ''}
          at={at}
          onStep={onStep}
          onDone={onDone}
        />
      )
    case 'sizes':
      return <SizeStrip job={job} />
    case 'light':
      return <LightStrip job={job} plan={plan} />
    case 'cutting':
      return <FrameStrip job={job} plan={plan} />
    case 'border':
      return <BorderStrip plan={plan} />
    case 'acts':
      return <Acts plan={plan} />
    case 'moves':
      return <Moves plan={plan} />
    case 'day':
      return <DayStrip job={job} />
    case 'throw':
      return <ThrowStrip job={job} plan={plan} />
    default:
      return <TapeStrip pieces={job.drawing.tape} refused={plan.refused} without={plan.refused_marks} />
  }
}
