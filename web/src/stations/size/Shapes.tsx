import type { Plan } from '../../api/client'
import { useThisJob } from '../../job/context'
import { useShown } from '../../job/shown'
import { Add } from '../../parts/Add'
import { Button, Pick } from '../../parts/Button'
import { Num, Rich } from '../../parts/Num'

/** Other aspect ratios on this screen: picture, masks, panels, and the zoom equal height would need. */
export const Shapes = ({ plan }: { plan: Plan }) => {
  const { shape, showShape } = useShown()
  const { edit } = useThisJob()
  const found = plan.tables.shapes
  return (
    <>
      <ul>
        {found?.rows.map((row) => (
          <li key={row.id} className="mb-2 border-seam border-l-2 pl-2 text-small leading-snug">
            <span className="flex items-center">
              <strong className="flex-1 text-body">
                {row.aspect} · <Num text={row.picture} />
              </strong>
              <Pick on={shape === row.id} onClick={() => showShape(shape === row.id ? '' : row.id)}>
                <span className="sr-only">{row.aspect} </span>show masks
              </Pick>
              <Button
                look="remove"
                aria-label={`Remove ${row.aspect}`}
                onClick={() => void edit([{ pointer: row.pointer, value: null }])}
              >
                ×
              </Button>
            </span>
            <span className="text-quiet">
              <Rich text={`Diagonal ${row.diagonal}, ${row.area} of the screen; masks ${row.mask}`} />
              {row.panel && <Rich text={`, panels ${row.panel}`} />}. Equal height needs zoom {row.zoom}
              {row.zoom_fits === false && <strong className="text-stop"> (this lens has less)</strong>};{' '}
              <Rich text={`equal area ${row.equal_area}.`} />
            </span>
          </li>
        ))}
      </ul>
      {found?.add && (
        <Add
          button="Add an aspect ratio"
          cells={[{ name: 'aspect', label: 'Aspect ratio to show', hint: '16:9' }]}
          edit={(typed) => ({ pointer: found.add, value: typed })}
        />
      )}
    </>
  )
}
