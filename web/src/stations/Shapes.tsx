import { useState } from 'react'
import { type JobOut, type Plan, Refused } from '../api/client'
import { useThisJob } from '../job/context'
import { useShown } from '../job/shown'
import { Num, Rich } from '../parts/Num'

/** Content shapes on this screen: picture, masks, panels, and the zoom equal height would need. */
export const ContentShapes = ({ job, plan }: { job: JobOut; plan: Plan }) => {
  const { shape, showShape } = useShown()
  const { edit } = useThisJob()
  const [draft, setDraft] = useState('')
  const [trouble, setTrouble] = useState('')
  const shapes = job.document.content.shapes
  const add = async () => {
    try {
      await edit([{ pointer: '/content/shapes/-', value: draft }])
      setDraft('')
      setTrouble('')
    } catch (error) {
      setTrouble(error instanceof Refused ? error.message : 'This could not be saved.')
    }
  }
  return (
    <>
      <ul>
        {plan.shapes.map((row, at) => (
          <li key={row.aspect} className="mb-2 border-seam border-l-2 pl-2 text-[14.5px] leading-snug">
            <span className="flex items-center">
              <strong className="flex-1 text-[16px]">
                {row.aspect} · <Num text={row.picture} />
              </strong>
              <button
                type="button"
                aria-pressed={shape === at}
                onClick={() => showShape(shape === at ? null : at)}
                className={`min-h-9 rounded px-2 text-[14px] ${shape === at ? 'bg-lift font-semibold' : 'text-quiet'}`}
              >
                <span className="sr-only">{row.aspect} </span>masks on the wall
              </button>
              <button
                type="button"
                aria-label={`Remove ${row.aspect}`}
                onClick={() => void edit([{ pointer: `/content/shapes/${at}`, value: null }])}
                className="size-9 text-quiet hover:text-stop"
              >
                ×
              </button>
            </span>
            <span className="text-quiet">
              <Rich text={`${row.diagonal} corner to corner, ${row.area} of the screen; masks ${row.mask}`} />
              {row.panel && <Rich text={`, panels ${row.panel}`} />}. Equal height needs zoom {row.zoom}
              {row.zoom_fits === false && <strong className="text-stop"> (this lens has less)</strong>};{' '}
              <Rich text={`equal area ${row.equal_area}.`} />
            </span>
          </li>
        ))}
      </ul>
      {shapes.length < 6 && (
        <div className="flex gap-2">
          <input
            aria-label="Aspect to show"
            placeholder="16:9"
            value={draft}
            onChange={(event) => setDraft(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && void add()}
            className="min-h-10 w-28 rounded border border-seam bg-velvet px-2"
          />
          <button type="button" onClick={() => void add()} className="min-h-10 rounded border border-seam px-3">
            Add a shape
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="mt-1 border-stop border-l-4 pl-2 text-[14px] text-stop">
          {trouble}
        </p>
      )}
    </>
  )
}
