import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { said, Trouble } from '../../parts/Trouble'
import type { StationProps } from '../props'

const INPUT = 'min-h-9 min-w-0 rounded border border-seam bg-velvet px-2 text-body'
const LOOKED = ['best', 'good', 'poor'] as const

/** How swatches looked where the screen will hang: which fabric, in which light. They stand beside the numbers when fabrics are compared. */
export const Swatches = ({ job, plan }: StationProps) => {
  const { edit } = useThisJob()
  const fabrics = useQuery({
    queryKey: keys.stores('fabric'),
    queryFn: () => ask.get('/api/stores/{kind}', { params: { path: { kind: 'fabric' } } }),
  })
  const states = plan.tables.states?.rows ?? []
  const [fabric, setFabric] = useState('')
  const [state, setState] = useState('')
  const [trouble, setTrouble] = useState('')
  const add = async (seen: (typeof LOOKED)[number]) => {
    if (!fabric.trim()) return setTrouble('Say which fabric the swatch is of.')
    try {
      const light = state || states[0]?.name || 'day'
      await edit([{ pointer: '/light/swatches/-', value: { fabric: fabric.trim(), state: light, seen } }])
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
    }
  }
  return (
    <div className="flex flex-col gap-2">
      <ul aria-label="Swatches seen in the room">
        {(job.document.light?.swatches ?? []).map((one) => (
          <li key={one.id} className="flex min-h-9 items-center gap-2 text-small">
            <span className="min-w-0 flex-1">
              {one.fabric}, {one.state}: <strong>{one.seen}</strong>
            </span>
            <Button
              look="remove"
              aria-label={`Remove the swatch of ${one.fabric}, ${one.state}`}
              onClick={() => void edit([{ pointer: `/light/swatches/${one.id}`, value: null }])}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <input
          aria-label="Swatch of"
          placeholder="fabric"
          list="swatch-fabrics"
          value={fabric}
          onChange={(event) => setFabric(event.target.value)}
          className={`${INPUT} flex-1`}
        />
        <datalist id="swatch-fabrics">
          {fabrics.data?.map((one) => (
            <option key={one.key} value={one.name} />
          ))}
        </datalist>
        <select aria-label="Seen in the light" value={state} onChange={(event) => setState(event.target.value)} className={INPUT}>
          {states.map((one) => (
            <option key={one.id} value={one.name}>
              {one.name}
            </option>
          ))}
        </select>
      </div>
      <div className="flex gap-2">
        {LOOKED.map((seen) => (
          <Button key={seen} className="flex-1" onClick={() => void add(seen)}>
            {seen}
          </Button>
        ))}
      </div>
      <Trouble text={trouble} />
    </div>
  )
}
