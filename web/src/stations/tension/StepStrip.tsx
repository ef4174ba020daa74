import type { StepRow } from '../../api/client'
import { Button } from '../../parts/Button'
import { Num } from '../../parts/Num'

type StepStripProps = { steps: readonly StepRow[]; after: string; at: number; onStep: (at: number) => void; onDone: () => void }

/** Which corner next: one step of the tension order at a time, large. */
export const StepStrip = ({ steps, after, at, onStep, onDone }: StepStripProps) => {
  const step = steps[at]
  if (steps.length > 0 && !step) return <After text={after} onBack={() => onStep(steps.length - 1)} />
  if (!step) return <p className="flex h-full items-center px-4 text-quiet">No order yet: the frame cannot take its points.</p>
  return (
    <div className="flex min-h-[150px] items-center gap-4 px-4 py-2 max-[820px]:flex-wrap max-[820px]:gap-3">
      <Button size="step" disabled={at === 0} onClick={() => onStep(at - 1)}>
        Step before
      </Button>
      <div className="min-w-64 flex-1 max-[820px]:order-first max-[820px]:basis-full" aria-live="polite">
        <p className="text-quiet">
          step {step.number} of {steps.length} · {step.part}
        </p>
        <p className="font-bold text-mark leading-tight">
          {step.place}
          {step.partner_place && ` and ${step.partner_place}`}
          {step.said && <span className="font-medium"> · {step.said}</span>}
        </p>
        <p className="text-body">
          {step.action}
          {step.who && `, ${step.who}`}. <span className="text-quiet">{step.reason}</span>
        </p>
      </div>
      {step.tapes.length > 0 && (
        <div className="flex min-w-0 flex-wrap gap-x-5 max-[820px]:order-first max-[820px]:basis-full rounded bg-tape px-4 py-2 text-on-tape">
          {step.tapes.map((tape) => (
            <div key={tape.edge}>
              <p className="text-fine">{tape.edge} reads</p>
              <p className="text-mark leading-tight">
                {tape.readings.map((one, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: readings of one step never reorder
                  <span key={index} className="mr-3 inline-block">
                    {index > 0 && tape.run && <span className="mr-3 text-body">to</span>}
                    <Num text={one} />
                    {step.numbers.length > 1 && <span className="ml-1 text-fine">at {tape.numbers[index]}</span>}
                  </span>
                ))}
              </p>
            </div>
          ))}
        </div>
      )}
      <Button look="main" size="step" className="max-[820px]:flex-1" onClick={onDone}>
        {at === steps.length - 1 ? 'Done, look over' : 'Done, next'}
      </Button>
    </div>
  )
}

/** What follows the last point. */
const After = ({ text, onBack }: { text: string; onBack: () => void }) => (
  <div className="flex min-h-[150px] items-center gap-4 px-4 py-2 max-[820px]:flex-wrap max-[820px]:gap-3">
    <Button size="step" onClick={onBack}>
      Step before
    </Button>
    <div className="min-w-64 flex-1 max-[820px]:order-first max-[820px]:basis-full" aria-live="polite">
      <p className="font-bold text-mark leading-tight">Look over the face</p>
      <p className="text-body">{text}</p>
    </div>
  </div>
)
